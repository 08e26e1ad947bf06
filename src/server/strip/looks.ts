import 'server-only';
import { z } from 'zod';
import { cornerPlan, looksOf } from '../../core/job';
import { CORNERS, otherSide } from '../../core/readings';
import { fillChecks, takeSoundLooksBack, type WrittenCheck } from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { withJob } from '../job/withJob';

const OTHER_CORNER = 'This corner is not part of the job.';

/** Writes every item of a corner that was not looked at as looked at and sound; says which. */
export const allSound = (
  jobId: string,
  place: string,
  by: string | null,
): Promise<Answer<WrittenCheck[]>> =>
  withJob(jobId, async (tx, job) => {
    const corner = CORNERS.find((each) => each === place);
    const plan = corner ? cornerPlan(job, corner) : null;
    if (!plan) return refuse(OTHER_CORNER);
    const seen = looksOf(job).filter((look) => look.corner === corner);
    const rows = plan.items
      .filter(({ code }) => !seen.some(({ item }) => item === code))
      .map(({ code }) => ({
        jobId,
        kind: 'look' as const,
        place,
        item: code,
        value: [],
        note: null,
        by,
      }));
    return accept(await fillChecks(tx, rows));
  });

const stampsSchema = z.array(z.uuid()).max(100);

/** Takes back what was written as sound in one go; what was changed since stays. */
export const takeSoundBack = (jobId: string, stamps: unknown): Promise<Answer<number>> =>
  withJob(jobId, async (tx) => {
    const parsed = stampsSchema.safeParse(stamps);
    if (!parsed.success) return refuseParse(parsed.error);
    return accept(await takeSoundLooksBack(tx, jobId, parsed.data));
  });

/**
 * Copies a corner’s plan to the other side of its axle: steps left out and the way pistons are
 * pushed back; never what was done or found. What stands there already stays.
 */
export const copyPlan = (
  jobId: string,
  place: string,
  by: string | null,
): Promise<Answer<number>> =>
  withJob(jobId, async (tx, job) => {
    const corner = CORNERS.find((each) => each === place);
    const other = corner && otherSide(corner);
    if (!other || !job.corners.includes(corner) || !job.corners.includes(other)) {
      return refuse('The other side is not part of the job.');
    }
    const rows = job.checks
      .filter(
        (check) =>
          check.place === corner &&
          (check.kind === 'method' || (check.kind === 'step' && check.value === 'left-out')),
      )
      .map(({ kind, item, value, note }) => ({ jobId, kind, place: other, item, value, note, by }));
    return accept((await fillChecks(tx, rows)).length);
  });
