import { evenAngles, thinnedAt, MIN_SWEPT_POSITIONS } from '../readings';
import { prepareRunout } from '../runout';
import type { Degrees, Micrometres } from '../units';
import type { CornerRecord, RunoutSet } from './record';

/** Whether two sets were read at the same places. */
export const atSamePlaces = (p: CornerRecord['sets'][number], q: typeof p): boolean =>
  p.laps[0]?.length === q.laps[0]?.length &&
  (p.angles ?? []).length === (q.angles ?? []).length &&
  (p.angles ?? []).every((angle, j) => angle === q.angles?.[j]);

/** A dial set's lap averages, outboard-positive, with the sigma of one. */
export function averagesOf(set: RunoutSet, limit: Micrometres) {
  const { face, laps, closing, angles, gauge, sweep } = set;
  return prepareRunout({ face, laps, closing, angles, gauge, limit, sweep });
}

/**
 * A sweep as if its places had been read one by one where another set has them: each the mean of
 * what was swept about it. A set that was read place by place stays as it is.
 */
function readAt(set: RunoutSet, angles: readonly Degrees[], own?: RunoutSet['angles']): RunoutSet {
  if (!set.sweep) return set;
  const widest = 360 / MIN_SWEPT_POSITIONS;
  const across = Math.min(widest, 360 / angles.length);
  const { sweep: _swept, ...rest } = set;
  return { ...rest, angles: own, laps: set.laps.map((lap) => thinnedAt(lap, angles, across)) };
}

/** A sweep at the places of a set, whatever that is. */
export function readLike(set: RunoutSet, other: CornerRecord['sets'][number]): RunoutSet {
  const n = other.laps[0]?.length ?? 0;
  return readAt(set, other.angles ?? evenAngles(n), other.angles);
}

/**
 * Runout sets at places that they share: sweeps are taken at those of the latest set that was read
 * place by place, or at sixty where all are swept. The order stays.
 */
export function atCommonPlaces(runouts: readonly RunoutSet[]): RunoutSet[] {
  const byPlaces = runouts.findLast(({ sweep }) => !sweep);
  if (byPlaces) return runouts.map((set) => readLike(set, byPlaces));
  return runouts.map((set) => readAt(set, evenAngles(MIN_SWEPT_POSITIONS)));
}
