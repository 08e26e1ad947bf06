import 'server-only';
import { idSchema, recheckSchema } from '../../core/contracts';
import { saveRecheck, settleRecheck, type PersonRow } from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { inTransaction } from '../database';
import { withJob } from '../job/withJob';
import { WHO } from '../signoff/signOff';

/** Sets something of a job to be looked at again; works after the sign-off too. */
export async function setRecheck(input: unknown, who: PersonRow | null): Promise<Answer<string>> {
  const parsed = recheckSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, what, afterKm, on } = parsed.data;
  return withJob(
    jobId,
    async (tx, { odometerKm }) => {
      if (afterKm !== null && odometerKm === null && on === null) {
        const message =
          'The job has no odometer reading: give a date, or enter the distance there.';
        return refuse(message, { afterKm: message });
      }
      const dueKm = afterKm === null || odometerKm === null ? null : odometerKm + afterKm;
      await saveRecheck(tx, { jobId, what, dueKm, dueOn: on, by: who?.name ?? null });
      return accept(jobId);
    },
    { evenSigned: true },
  );
}

/** Marks a recheck as done, or takes it away. */
export const endRecheck = (
  id: string,
  isDone: boolean,
  who: PersonRow | null,
): Promise<Answer<string>> =>
  inTransaction(async (tx) => {
    if (!idSchema.safeParse(id).success) return refuse('This recheck is not on file.');
    if (isDone && who === null) return refuse(WHO);
    const row = await settleRecheck(tx, id, isDone ? { by: who?.name ?? '' } : null);
    return row ? accept(row.jobId) : refuse('This recheck is settled already.');
  });
