import 'server-only';
import { idSchema } from '../../core/contracts';
import type { Job } from '../../core/job';
import type { Database } from '../../db/client';
import { findJob, lockJob } from '../../db/repositories';
import { refuse, type Answer } from '../answer';
import { inTransaction } from '../database';

const GONE = 'This job is not on file any more.';
const SIGNED_OFF = 'This job is signed off: its record is closed. Add to it on its report.';

interface Signed {
  /** Where a signed job is not refused. */
  readonly evenSigned?: boolean;
}

/**
 * One use case as one transaction that holds a job: its row is locked, so that writers of one job go one
 * after the other, and a signed job is refused unless `evenSigned`. The job itself is not loaded: for
 * what is judged by less, a reading by its set.
 */
export const withJobHeld = <Value>(
  id: unknown,
  useCase: (tx: Database, jobId: string) => Promise<Answer<Value>>,
  { evenSigned = false }: Signed = {},
): Promise<Answer<Value>> =>
  inTransaction(async (tx) => {
    const known = idSchema.safeParse(id);
    const locked = known.success ? await lockJob(tx, known.data) : null;
    if (!locked) return refuse(GONE, {}, 'gone');
    if (locked.closedAt !== null && !evenSigned) return refuseSigned();
    return useCase(tx, locked.id);
  });

/** Refuses what would change the record of a signed job. */
export const refuseSigned = (): Answer<never> => refuse(SIGNED_OFF, {}, 'signed');

/**
 * One use case on a job: held as by `withJobHeld`, and loaded as it stands then; what the use case
 * judges and writes is written whole, or not at all where it refuses.
 */
export const withJob = <Value>(
  id: unknown,
  useCase: (tx: Database, job: Job) => Promise<Answer<Value>>,
  options: Signed = {},
): Promise<Answer<Value>> =>
  withJobHeld(
    id,
    async (tx, jobId) => {
      const job = await findJob(tx, jobId);
      return job ? useCase(tx, job) : refuse(GONE, {}, 'gone');
    },
    options,
  );
