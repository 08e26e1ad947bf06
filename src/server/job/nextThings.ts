import { jobNext, type NextThing } from '@/core/job';
import { findJob, reachesOf } from '@/db/repositories';
import { database } from '../database';

/** A job is judged again only once it, its vehicle or the shop was written. */
interface Known {
  readonly reach: string;
  readonly next: NextThing;
}
const known = new Map<string, Known>();
const MOST_KNOWN = 2_000;
/** A list waits no longer for jobs that have to be judged first; the rest follow when it is asked for again. */
const MOST_MS = 60;

/**
 * The one next thing of some jobs, by id, as their own pages say it. Jobs that were written since are
 * judged anew, the first ones first, for so many milliseconds; those there was no time for are left out.
 */
export async function nextThings(
  ids: readonly string[],
  mostMs = MOST_MS,
): Promise<Map<string, NextThing>> {
  const db = await database();
  const reaches = await reachesOf(db, ids);
  const began = performance.now();
  const found = new Map<string, NextThing>();
  for (const id of ids) {
    const reach = reaches.get(id);
    if (reach === undefined) continue;
    const before = known.get(id);
    if (before !== undefined && before.reach === reach) {
      found.set(id, before.next);
      continue;
    }
    if (performance.now() - began > mostMs) continue;
    const job = await findJob(db, id);
    if (!job) continue;
    const next = jobNext(job);
    found.set(id, next);
    known.delete(id);
    known.set(id, { reach, next });
    const [oldest] = known.keys();
    if (known.size > MOST_KNOWN && oldest !== undefined) known.delete(oldest);
  }
  return found;
}
