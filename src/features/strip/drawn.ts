import { seenStates, type CornerPart, type PartState } from '@/core/corner';
import type { LookItem, PlannedStep } from '@/core/procedure';
import type { FastenerCode } from '@/core/torque';
import type { DrawnTray } from '@/ui/corner';
import { checkAt, foundOf, lookStateOf, type CheckView } from './model';
import type { TrayPart } from './Tray';

/** What a fastener is drawn up to and whether it was, in words. */
export interface DrawnTorque {
  /** Null where no figure was entered. */
  readonly figure: string | null;
  readonly pulled: string | null;
}

/** The drawing of a corner with what stands at its parts. */
export interface CornerScene {
  readonly parts: readonly CornerPart[];
  readonly torque: Readonly<Partial<Record<FastenerCode, DrawnTorque>>>;
}

interface Work {
  readonly kind: 'step' | 'rebuild';
  readonly corner: string;
  readonly steps: readonly PlannedStep[];
  readonly checks: readonly CheckView[];
  readonly parts: readonly TrayPart[];
  readonly scene: CornerScene;
}

/** The steps that are done at a part: its own, else those that it leads to. */
export const stepsAt = (part: CornerPart, steps: readonly PlannedStep[]): PlannedStep[] => {
  const own = steps.filter(({ code }) => part.steps.includes(code));
  return own.length > 0 ? own : steps.filter(({ code }) => part.leads.includes(code));
};

/** The part at which a step is done; null where it has none. */
export const partOfStep = (
  { parts }: CornerScene,
  step: Pick<PlannedStep, 'code'>,
): CornerPart | null => parts.find(({ steps }) => steps.includes(step.code)) ?? null;

const stillIn = (parts: readonly TrayPart[]): TrayPart[] =>
  parts.filter(({ back }) => back === null);

/** How far a fastener of a part is; null where it has none that counts now. */
function torqueAt(part: CornerPart, { torque }: CornerScene): PartState | null {
  const own = part.fasteners.flatMap((code) => torque[code] ?? []);
  const [first] = own;
  if (!first) return null;
  if (own.every(({ pulled }) => pulled !== null)) {
    return { kind: 'done', word: `at ${first.pulled}` };
  }
  return { kind: 'open', word: first.figure ?? 'no figure yet' };
}

/** How far the work at each part is while a corner is taken apart or put together. */
export function workStates(work: Work, current: PlannedStep): Record<string, PartState> {
  const { kind, corner, steps, checks, parts, scene } = work;
  const off = stillIn(parts).map((part) => part.kind);
  const said = ({ code }: PlannedStep): unknown =>
    checkAt(checks, { kind, place: corner, item: code })?.value;
  const isSettled = (step: PlannedStep): boolean => said(step) !== undefined;
  const here = partOfStep(scene, current)?.code;
  const stateOf = (part: CornerPart): PartState => {
    const own = stepsAt(part, steps);
    const left = own.filter((step) => !isSettled(step));
    if (part.code === here && !isSettled(current)) return { kind: 'next', word: 'next' };
    if (part.parts.some((each) => off.includes(each))) return { kind: 'off', word: 'in the tray' };
    const torque = kind === 'rebuild' ? torqueAt(part, scene) : null;
    if (torque) return torque;
    if (own.length === 0) return { kind: 'open', word: '' };
    if (left.length === 0) {
      const isDone = own.every((step) => said(step) === 'done');
      return isDone ? { kind: 'done', word: 'done' } : { kind: 'open', word: 'left out' };
    }
    return { kind: 'open', word: kind === 'step' ? 'on' : 'to do' };
  };
  /** What lights up as the current step is done: its contact points with their product, its fasteners. */
  const litOf = (part: CornerPart): Partial<PartState> => {
    const products = current.atHand.contacts
      .filter(({ code }) => part.contacts.includes(code))
      .map(({ product }) => product);
    const isDrawnUp =
      kind === 'rebuild' && part.fasteners.length > 0 && stepsAt(part, steps).includes(current);
    return {
      ...((products.length > 0 || isDrawnUp) && { isLit: true }),
      ...(products.length > 0 && { product: [...new Set(products)].join('; ') }),
    };
  };
  return Object.fromEntries(
    scene.parts.map((part) => [part.code, { ...stateOf(part), ...litOf(part) }]),
  );
}

/** What was seen at each part, as it stands on the screen. */
export const foundStates = (
  { parts }: CornerScene,
  items: readonly LookItem[],
  checks: readonly CheckView[],
  corner: string,
): Record<string, PartState> =>
  seenStates(
    parts,
    items.map((item) => {
      const check = checkAt(checks, { kind: 'look', place: corner, item: item.code });
      const found = foundOf(check) ?? [];
      return {
        item: item.code,
        state: lookStateOf(check),
        conditions: item.conditions.filter(({ code }) => found.includes(code)),
        putRight: checkAt(checks, { kind: 'fixed', place: corner, item: item.code })?.note ?? null,
      };
    }),
  );

/** What stands in the tray, for the drawing. */
export const trayOf = (parts: readonly TrayPart[], scene: CornerScene): DrawnTray[] =>
  stillIn(parts).map(({ id, name, kind, mark, place, photos }) => ({
    id,
    name,
    mark: [place, mark].filter(Boolean).join(', '),
    photo: photos[0] ? `/api/v1/photos/${photos[0].sha256}?size=thumb` : null,
    part: scene.parts.find((part) => kind !== null && part.parts.includes(kind))?.code ?? null,
  }));
