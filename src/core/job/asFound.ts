import { measuredSet } from '../assessment';
import type { Corner } from '../readings';
import { findCheck, isDone } from './checks';
import { setsOfCorner } from './record';
import type { Job } from './types';

/** What a corner is noted by as found, in the order in which it is done. */
export const AS_FOUND = ['mark', 'nuts', 'runout', 'thickness', 'end-play'] as const;
export type AsFoundItem = (typeof AS_FOUND)[number];

/** What of a corner is noted as found already. */
export function notedAsFound(job: Job, corner: Corner): readonly AsFoundItem[] {
  const sets = setsOfCorner(job, corner, 'as-found');
  const isRead = (kind: 'runout' | 'thickness'): boolean =>
    sets.some((set) => set.kind === kind && measuredSet(set) !== null);
  const noted: Readonly<Record<AsFoundItem, boolean>> = {
    mark: isDone(findCheck(job, 'step', corner, 'match-mark')),
    nuts: sets.some(({ kind, torqueNm }) => kind === 'runout' && torqueNm !== null),
    runout: isRead('runout'),
    thickness: isRead('thickness'),
    'end-play':
      findCheck(job, 'figure', corner, 'end-play') !== undefined ||
      sets.some(({ kind, endPlayUm }) => kind === 'runout' && endPlayUm !== null),
  };
  return AS_FOUND.filter((item) => noted[item]);
}

/** Why the step of the as-found readings is not done, in words; null where they are there. */
export function refuseAsFound(job: Job, corner: Corner): string | null {
  return notedAsFound(job, corner).includes('runout')
    ? null
    : `Nothing was read as found at ${corner}: read one lap of runout, or leave the step out with the reason.`;
}
