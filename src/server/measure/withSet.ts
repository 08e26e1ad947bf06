import 'server-only';
import { idSchema } from '../../core/contracts';
import type { Job, ReadingSet } from '../../core/job';
import type { Database } from '../../db/client';
import { findSet, lockJobOfSet, type SetRow } from '../../db/repositories';
import { refuse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { refuseSigned, withJob } from '../job/withJob';

const gone = (): Answer<never> =>
  refuse('This set is not on file any more. Load the page again.', {}, 'gone');

/** The job of a set, by its id; null where the set is not on file. */
async function jobIdOf(id: string): Promise<string | null> {
  const known = idSchema.safeParse(id).success ? await findSet(await database(), id) : null;
  return known?.jobId ?? null;
}

/** One use case on a set, in the transaction of its job. */
export async function withSet<Value>(
  id: string,
  use: (tx: Database, set: ReadingSet, job: Job) => Promise<Answer<Value>>,
): Promise<Answer<Value>> {
  const jobId = await jobIdOf(id);
  if (jobId === null) return gone();
  return withJob(jobId, async (tx, job) => {
    const set = job.sets.find((each) => each.id === id);
    return set ? use(tx, set, job) : gone();
  });
}

/** One use case on a set alone, its job held: what is typed at a place is judged by nothing else. */
export const withSetAlone = <Value>(
  id: string,
  use: (tx: Database, set: SetRow) => Promise<Answer<Value>>,
): Promise<Answer<Value>> =>
  inTransaction(async (tx) => {
    const isId = idSchema.safeParse(id).success;
    const job = isId ? await lockJobOfSet(tx, id) : null;
    const set = job && (await findSet(tx, id));
    if (!set) return gone();
    return job.closedAt === null ? use(tx, set) : refuseSigned();
  });
