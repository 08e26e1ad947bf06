import 'server-only';
import { summarise, type Insights } from '../../core/insights';
import { talliesOf } from '../../core/job';
import type { Database } from '../../db/client';
import {
  cellsOf,
  figuresToKeep,
  findJob,
  hasComeback,
  jobsToLearnFrom,
  keepSignedAs,
  latestProofs,
  saveTallies,
  talliedYears,
  type ProofPoint,
} from '../../db/repositories';
import { database } from '../database';

/** Learns from a closed job, or learns anew where something came back; an open one teaches nothing, nor one of other records. */
export async function learnFrom(db: Database, jobId: string): Promise<void> {
  const job = await findJob(db, jobId);
  if (!job || job.closedAt === null || job.origin?.isSignedThere) return;
  if (!job.keepsFigures) await keepSignedAs(db, jobId, await figuresToKeep(db, jobId));
  const tallies = talliesOf(job, await hasComeback(db, jobId));
  await saveTallies(db, jobId, job.closedAt.getFullYear(), tallies);
}

const AT_A_TIME = 50;

/** Learns from every closed job that nothing was learnt from yet: after an import or an upgrade. */
export async function learnPending(): Promise<void> {
  const db = await database();
  for (;;) {
    const ids = await jobsToLearnFrom(db, AT_A_TIME);
    for (const id of ids) await learnFrom(db, id);
    if (ids.length < AT_A_TIME) return;
  }
}

const MOST_PROOFS = 150;

/** What the shop's closed jobs say, of one year or of all. */
export interface InsightsView extends Insights {
  readonly years: readonly number[];
  /** Corners of the latest jobs, predicted against measured. */
  readonly proofs: readonly ProofPoint[];
}

/** What the shop has learnt, from sums that are kept as jobs are closed. */
export async function insightsOf(year: number | null): Promise<InsightsView> {
  const db = await database();
  return {
    ...summarise(await cellsOf(db, year)),
    years: await talliedYears(db),
    proofs: await latestProofs(db, year, MOST_PROOFS),
  };
}
