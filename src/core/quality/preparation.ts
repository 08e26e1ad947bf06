import type { Fastening } from '../readings';
import { fastenerName } from '../readings';

/** What a set is prepared for. */
export interface Preparing {
  readonly kind: 'runout' | 'thickness' | 'hub';
  /** As found nothing is cleaned yet. */
  readonly asFound: boolean;
  readonly fastening: Fastening;
  /** A two-piece rotor: its ring floats on buttons, and its float is no runout. */
  readonly isFloating?: boolean | undefined;
}

/** One thing to see to before the first reading. */
export interface PreparationItem {
  readonly id: PreparationId;
  /** What must be so, as a statement. */
  readonly label: string;
}

export const PREPARATION_IDS = [
  'nuts',
  'clean',
  'end-play',
  'base',
  'probe',
  'float',
  'dial',
  'zero',
  'circle',
  'cool',
] as const;
export type PreparationId = (typeof PREPARATION_IDS)[number];

const DIAL: readonly PreparationId[] = ['base', 'probe', 'dial'];
const FLOATING: readonly PreparationId[] = ['base', 'probe', 'float', 'dial'];

function idsOf({ kind, asFound, isFloating }: Preparing): readonly PreparationId[] {
  if (kind === 'thickness') return ['zero', 'circle', 'cool'];
  if (kind === 'hub') return [...(asFound ? [] : (['clean'] as const)), 'end-play', ...DIAL];
  const dial = isFloating ? FLOATING : DIAL;
  return ['nuts', ...(asFound ? [] : (['clean'] as const)), 'end-play', ...dial];
}

function labelOf(id: PreparationId, { kind, fastening }: Preparing): string {
  const isHub = kind === 'hub';
  const fasteners = fastening === 'studs' ? 'nuts' : 'bolts';
  switch (id) {
    case 'nuts':
      return `All ${fasteners} on with spacers, drawn up evenly to a stated torque`;
    case 'clean':
      return isHub ? 'Hub face cleaned, no burr' : 'Hub face and hat cleaned';
    case 'end-play':
      return 'Bearing end play felt by push and pull';
    case 'base':
      return 'Indicator base on something solid';
    case 'probe':
      return isHub
        ? `Probe square to the flange near its edge, clear of ${fastenerName(fastening)}s and holes`
        : 'Probe square to the face, 10 to 13 mm in from the edge, on the micrometer\u2019s circle';
    case 'float':
      return 'Dial on the ring, its float taken up: pressed one way at every reading';
    case 'dial':
      return 'Dial preloaded half a turn to a turn, zeroed at the chalk mark';
    case 'zero':
      return 'Micrometer closed on its standard: zero seen';
    case 'circle':
      return 'Micrometer points inside the wear lip, at the marked positions; a sliding caliper laid over the lip is no gauge for it';
    case 'cool':
      return 'Rotor cooled to the air around it, faces wiped';
  }
}

/** What must be so before a set of this kind is read, in the order of work. Source: handbook 3. */
export const preparationFor = (preparing: Preparing): PreparationItem[] =>
  idsOf(preparing).map((id) => ({ id, label: labelOf(id, preparing) }));

/** What is left out where no torque is named: nuts are not drawn up to a stated one. Source: handbook 3. */
export const withoutTorque = (
  left: readonly PreparationId[],
  torqueNm: number | null | undefined,
): readonly PreparationId[] => (typeof torqueNm === 'number' ? left : [...left, 'nuts']);

/** The labels of what was left out; what is not asked for this set is not named. */
export const leftOut = (preparing: Preparing, left: readonly string[]): string[] =>
  preparationFor(preparing)
    .filter(({ id }) => left.includes(id))
    .map(({ label }) => label);

/** Whether something was seen to before a set was read, by what was left out; not where nobody was asked. */
export function wasSeenTo(
  id: PreparationId,
  preparing: Preparing,
  left: readonly string[] | null | undefined,
): boolean {
  const [label] = leftOut(preparing, [id]);
  return label !== undefined && Array.isArray(left) && !left.includes(label);
}

/** What a set is read for. */
export type Purpose = 'usual' | 'nut-pull';

const USUAL_POSITIONS = 12;
const POSITIONS_A_STUD = 3;

/**
 * How many positions to read: 12, and 3 a stud where uneven nut torque is suspected, so that
 * an order-N shape does not fold. Source: handbook 3.
 */
export const recommendedPositions = (purpose: Purpose, studs: number): number =>
  purpose === 'usual' ? USUAL_POSITIONS : Math.max(USUAL_POSITIONS, POSITIONS_A_STUD * studs);
