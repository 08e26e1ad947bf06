import 'server-only';
import { idSchema } from '../../core/contracts';
import type { Job } from '../../core/job';
import type { Database } from '../../db/client';
import { findJob, lockJob } from '../../db/repositories';
import { refuse, type Answer } from '../answer';
import { inTransaction } from '../database';

const GONE = 'This job is not on file any more.';
const SIGNED_OFF = 'This job is signed off: its record is closed. Add to it on its report.';

/**
 * One use case on a job as one transaction: its row is locked, so that writers of one job go one
 * after the other; it is loaded as it stands then; and what the use case judges and writes is
 * written whole, or not at all where it refuses. A signed job is refused unless `evenSigned`.
 */
export const withJob = <Value>(
  id: unknown,
  useCase: (tx: Database, job: Job) => Promise<Answer<Value>>,
  { evenSigned = false }: { readonly evenSigned?: boolean } = {},
): Promise<Answer<Value>> =>
  inTransaction(async (tx) => {
    const known = idSchema.safeParse(id);
    const locked = known.success ? await lockJob(tx, known.data) : null;
    if (!locked) return refuse(GONE, {}, 'gone');
    if (locked.closedAt !== null && !evenSigned) return refuse(SIGNED_OFF, {}, 'signed');
    const job = await findJob(tx, locked.id);
    return job ? useCase(tx, job) : refuse(GONE, {}, 'gone');
  });
