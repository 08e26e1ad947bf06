import type { Corner } from '../readings';
import { drumAt, drumDiameters } from './drums';
import { isDrumAt } from './procedure';
import { sourceRepairs } from './repairs';
import type { Job } from './types';

/** Whether anything was read at a corner. */
export const isBegunAt = (job: Job, corner: Corner): boolean =>
  job.sets.some((set) => set.corner === corner) ||
  (isDrumAt(job, corner) && drumDiameters(job, corner, 'before').some((each) => each !== null));

/**
 * Corners for which nothing is decided yet. Where the source lies beside the rotors, a corner that
 * nobody measured asks for nothing.
 */
export const undecidedCorners = (job: Job): Corner[] =>
  job.corners.filter(
    (corner) =>
      drumAt(job, corner).decision === null &&
      job.decisions.every((decision) => decision.corner !== corner) &&
      (sourceRepairs(job).length === 0 || isBegunAt(job, corner)),
  );
