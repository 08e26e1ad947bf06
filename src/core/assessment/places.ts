import { prepareRunout } from '../runout';
import type { Micrometres } from '../units';
import type { CornerRecord, RunoutSet } from './record';

/** Whether two sets were read at the same places. */
export const atSamePlaces = (p: CornerRecord['sets'][number], q: typeof p): boolean =>
  p.laps[0]?.length === q.laps[0]?.length &&
  (p.angles ?? []).length === (q.angles ?? []).length &&
  (p.angles ?? []).every((angle, j) => angle === q.angles?.[j]);

/** A dial set's lap averages, outboard-positive, with the sigma of one. */
export function averagesOf(set: RunoutSet, limit: Micrometres) {
  const { face, laps, closing, angles, gauge } = set;
  return prepareRunout({ face, laps, closing, angles, gauge, limit });
}
