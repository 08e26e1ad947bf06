import {
  beyondPlace,
  dtvLimit,
  extraOf,
  extraPlace,
  hubFaceLimit,
  isThinnerThan,
  lapsOf,
  measuredSet,
  runoutLimit,
  signOf,
  thinnestReading,
  turnPlace,
  turnsOf,
  withoutZero,
  type Advice,
  type CornerRecord,
  type RawSet,
} from '@/core/assessment';
import type { RunoutResult } from '@/core/runout';
import type { ThicknessFigures, ThicknessResult } from '@/core/thickness';
import { formatIn, type Micrometres } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import type { RotorMark } from '@/ui/rotor';
import {
  readingAt,
  type BenchCorner,
  type BenchReading,
  type BenchSet,
  type Cursor,
} from './model';

export type SetResult =
  | { readonly kind: 'runout'; readonly runout: RunoutResult; readonly isHub: boolean }
  | {
      readonly kind: 'thickness';
      readonly figures: ThicknessFigures;
      readonly verdicts: ThicknessResult | null;
    };

/** The limit that a set is read against: of the hub face, the rotor's runout, or its variation. */
export function limitOf(
  set: Pick<RawSet, 'kind' | 'radiusUm'> | undefined,
  { limits }: Pick<BenchCorner, 'limits'>,
): Micrometres {
  if (set?.kind === 'thickness') return dtvLimit(limits).value;
  if (set?.kind !== 'hub') return runoutLimit(limits).value;
  return hubFaceLimit(set.radiusUm ?? WORKSHOP_DEFAULTS.hubFaceRadius);
}

/** What a reading of a lap is multiplied by to be drawn: an inboard dial reads the face from behind. */
const drawnSign = ({ kind, face }: Pick<RawSet, 'kind' | 'face'>): 1 | -1 =>
  kind === 'runout' && face === 'inboard' ? -1 : 1;

/** A curve as a gauge sends it, in the sense in which the set counts and is drawn. */
export const drawnCurve = (
  set: Pick<RawSet, 'kind' | 'face' | 'turned'>,
  curve: readonly (number | null)[],
): (number | null)[] =>
  curve.map((value) => (value === null ? null : signOf(set) * drawnSign(set) * value + 0));

/** What the rotor shows: the averages when they exist, else the lap as far as it is read. */
export function drawnValues(
  set: BenchSet,
  result: SetResult | null,
  lap: number,
): (number | null)[] {
  if (result?.kind === 'runout') return [...result.runout.averaged];
  if (result?.kind === 'thickness') return [...result.figures.averaged];
  const sign = drawnSign(set);
  return (lapsOf(set)[lap] ?? []).map((value) => (value === null ? null : sign * value));
}

/** The place of the laps that is read next; null where none of them is. */
export const activePlace = (set: BenchSet | undefined, cursor: Cursor | null): number | null =>
  set && cursor && !beyondPlace(set, cursor.position) ? cursor.position % set.positions : null;

/** Which end of a slow turn is looked for; null where none is. */
export function turningIn(set: BenchSet | undefined, cursor: Cursor | null): 'high' | 'low' | null {
  const place = set && cursor ? beyondPlace(set, cursor.position) : null;
  return place?.of === 'turn' ? place.end : null;
}

/** Places of thickness beyond the laps on the rotor: read already, next, and the one after it. */
export function drawnMarks(
  set: BenchSet,
  result: SetResult | null,
  cursor: Cursor | null,
): RotorMark[] {
  const read = extraOf(set).map(({ angle, value }) => ({ angle, value, state: 'read' as const }));
  const asked = result?.kind === 'thickness' ? (result.figures.settling?.next ?? []) : [];
  const place = cursor ? beyondPlace(set, cursor.position) : null;
  const active = place?.of === 'extra' ? place.angleDeg : null;
  return [
    ...read.filter(({ angle }) => angle !== active),
    ...asked
      .filter((angle) => angle !== active)
      .map((angle) => ({ angle, value: null, state: 'next' as const })),
    ...(active === null ? [] : [{ angle: active, value: null, state: 'active' as const }]),
  ];
}

/** The complete sets that count, each with what the solvers take of it. */
export const measuredOf = (sets: readonly BenchSet[]) =>
  sets.flatMap((set) => {
    const measured = set.isAside ? null : measuredSet(set);
    return measured ? [{ set, measured }] : [];
  });

/** The corner as the solvers take it: the complete sets that count. */
export const recordOf = (sets: readonly BenchSet[], corner: BenchCorner): CornerRecord => ({
  ...corner,
  isRunoutAsked: corner.only === 'runout',
  sets: measuredOf(sets).map(({ measured }) => measured),
});

/**
 * The place that the set itself asks for once its laps are read: the next slow turn, or the next
 * place of thickness, until its verdict is settled; null where it asks for none.
 */
export function askedPlace(set: BenchSet, result: SetResult | null): Cursor | null {
  if (result?.kind === 'runout') {
    if (result.isHub || result.runout.next !== 'turn') return null;
    const whole = turnsOf(set, 1).length;
    const high = turnPlace(set, whole, 'high');
    return readingAt(set, high) ? turnPlace(set, whole, 'low') : high;
  }
  const next = result?.figures.settling?.next;
  if (!next) return null;
  const extra = extraOf(set);
  const angle = next[extra.length % 2]!;
  return extraPlace(set, angle, extra.filter((each) => each.angle === angle).length);
}

/** What a set that is read could still be given; null where it asks for nothing. */
export function asksOf(result: SetResult | null): 'turn' | 'place' | null {
  if (result?.kind === 'thickness') return result.figures.settling?.next ? 'place' : null;
  return result && !result.isHub && result.runout.next === 'turn' ? 'turn' : null;
}

/** What of a set lies beyond its laps, in the order in which it is read. */
export const readBeyond = (set: BenchSet): BenchReading[] =>
  set.readings
    .filter(({ position }) => beyondPlace(set, position) !== null)
    .sort((p, q) => p.position - q.position || p.lap - q.lap);

/**
 * A place below discard thickness, told as soon as it is read: whatever is read after it, the rotor is replaced. Null
 * where there is none, or none can be told.
 */
export function toldBelowDiscard(
  set: Pick<RawSet, 'kind' | 'readings' | 'zeroErrorUm' | 'positions'>,
  { limits, units }: Pick<BenchCorner, 'limits' | 'units'>,
): string | null {
  const thinnest = thinnestReading(set);
  const discard = limits.discard?.value;
  if (!thinnest || discard === undefined) return null;
  const um = withoutZero(thinnest.valueUm, set);
  if (!isThinnerThan(discard, um)) return null;
  const where =
    thinnest.position < set.positions ? `Position ${thinnest.position + 1}` : 'A place between';
  return `${where}, ${formatIn(units, 'size', um)}, is below discard thickness, ${formatIn(units, 'size', discard)}. This rotor is replaced, whatever else is read.`;
}

/** More laps than this nobody takes: a finer gauge or another way is needed. */
const MOST_LAPS_ADVISED = 10;

/** Take this set again, read more of it, enter what is missing, read a second mounting, or go on. */
export type Advised =
  | 'again'
  | 'mounting'
  | 'lap'
  | 'turn'
  | 'place'
  | 'press'
  | 'discard'
  | 'next';

/** What follows a set that was read, from its own result and the corner's advice. */
export function advisedStep(result: SetResult | null, advice: Advice | null): Advised {
  if (result?.kind === 'runout' && result.runout.verdict.state === 'not-valid') return 'again';
  const own = result?.kind === 'runout' && !result.isHub ? result.runout : null;
  // A slow turn that was left out is offered; while it is too close to call it is what helps.
  const mayWait = own?.next === 'turn' && !own.turned && own.verdict.state !== 'too-close';
  if (own?.next && !mayWait) return own.next;
  if (result?.kind === 'thickness' && result.figures.settling?.next) return 'place';
  if (advice?.kind === 'second-mounting') return 'mounting';
  if (advice?.kind === 'limit-missing' && result?.kind === 'thickness') return 'discard';
  const isOfThisSet =
    advice?.kind === 'too-close' && (advice.what === 'runout') === (result?.kind === 'runout');
  return isOfThisSet && advice.laps !== null && advice.laps <= MOST_LAPS_ADVISED ? 'lap' : 'next';
}

/** A move that is this likely to end within is said on the bench: hardly anything costs less. */
const SURE = 0.95;

/** Whether the bench itself asks for a move to index; else that is weighed on Decide, which a quick check has not. */
export const asksToIndex = (
  { probability }: Extract<Advice, { kind: 'index' }>,
  { isCheck }: Pick<BenchCorner, 'isCheck'>,
): boolean => isCheck === true || probability >= SURE;

/** The move that the bench asks for once its sets are read; as found nothing is moved. */
export function advisedMove(
  advice: Advice | null,
  corner: Pick<BenchCorner, 'isCheck' | 'phase' | 'isAnswered'>,
): { readonly from: number; readonly to: number } | null {
  if (advice === null || corner.phase === 'as-found') return null;
  if (corner.isAnswered && advice.kind === 'index') return null;
  const isAsked =
    advice.kind === 'second-mounting' || (advice.kind === 'index' && asksToIndex(advice, corner));
  return isAsked ? { from: advice.from, to: advice.to } : null;
}
