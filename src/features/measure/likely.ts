import { nextMountShift, shortestTurn } from '@/core/indexing';
import type { RotorMove } from '@/ui/rotor';
import { firstOpen, type BenchCorner, type BenchSet } from './model';
import type { SetResult } from './result';
import { placesFor, planFor, planOf, type SetPlan } from './plan';

/** The sets that count: those that were not set aside. */
export const counted = (sets: readonly BenchSet[]): BenchSet[] =>
  sets.filter(({ isAside }) => !isAside);

const isRead = (set: BenchSet): boolean => firstOpen(set) === null;

/** The kind of set that this corner still lacks. */
export function missingKind(
  sets: readonly BenchSet[],
  { isComposite, only }: Pick<BenchCorner, 'isComposite' | 'only'>,
): 'runout' | 'thickness' | null {
  const has = (kind: BenchSet['kind']): boolean =>
    counted(sets).some((set) => set.kind === kind && set.circle !== 'inner' && isRead(set));
  if (only) return has(only) ? null : only;
  if (!has('runout')) return 'runout';
  return isComposite || has('thickness') ? null : 'thickness';
}

/** The shift that tells hub from rotor best, when one mounting was read. */
export function nextShift(sets: readonly BenchSet[], corner: BenchCorner): number | null {
  const shifts = counted(sets)
    .filter(({ kind }) => kind === 'runout')
    .map(({ shift }) => shift);
  const first = shifts[0];
  if (first === undefined) return null;
  const all = Array.from({ length: corner.studs }, (_, shift) => shift);
  return nextMountShift(corner.studs, first, shifts, corner.allowedShifts ?? all);
}

/** A plan with what was noted of the corner before, where the plan says nothing of it. */
const withCarried = (plan: SetPlan, { carried }: BenchCorner): SetPlan => ({
  ...plan,
  torqueNm: plan.torqueNm ?? carried?.torqueNm?.value ?? null,
  endPlayUm: plan.endPlayUm ?? carried?.endPlayUm?.value ?? null,
});

/** The set that a corner begins with. */
const firstPlan = (kind: BenchSet['kind'], corner: BenchCorner): SetPlan =>
  withCarried({ kind, ...placesFor(kind, corner), shift: 0, face: 'outboard' }, corner);

/** What a new set most likely is. */
export function likelyPlan(
  sets: readonly BenchSet[],
  corner: BenchCorner,
  expectedShift: number | null,
): SetPlan {
  const last = counted(sets).at(-1);
  const kind = missingKind(sets, corner) ?? 'runout';
  const base = last
    ? withCarried(planFor(kind, planOf(last), corner), corner)
    : firstPlan(kind, corner);
  const isNextMounting = missingKind(sets, corner) === null && corner.phase !== 'as-found';
  const shift = isNextMounting ? (nextShift(sets, corner) ?? base.shift) : base.shift;
  return { ...base, kind, shift: last ? shift : (expectedShift ?? 0) };
}

/** A move between two seats as it is drawn; null where there is none to make. */
export function moveOf(from: number | undefined, to: number, studs: number): RotorMove | null {
  if (from === undefined || from === to) return null;
  const turn = shortestTurn(from, to, studs);
  return { from, studs: turn.studs * turn.sense };
}

/** Where the rotor was read last; undefined where it was not. */
export const lastShift = (sets: readonly BenchSet[]): number | undefined =>
  counted(sets).findLast(({ kind }) => kind === 'runout')?.shift;

/** The positions that are pointed out as doubtful. */
export function suspectsOf(result: SetResult | null): number[] {
  if (!result) return [];
  const outliers = result.kind === 'runout' ? result.runout.outliers : result.figures.outliers;
  return outliers.map(({ position }) => position);
}

/** The plan of a set that the way here asks for and that is not there yet. */
export const wantedPlan = (
  wanted: BenchSet['kind'] | undefined,
  sets: readonly BenchSet[],
  corner: BenchCorner,
): SetPlan | null =>
  wanted && !counted(sets).some(({ kind }) => kind === wanted) ? firstPlan(wanted, corner) : null;
