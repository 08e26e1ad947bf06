import { jobNext, type NextThing } from '@/core/job';
import type { UnitSystem } from '@/core/units';
import { findJob, reachesOf } from '@/db/repositories';
import { database } from '../database';

/** Judgements by job and units, each with how far the job, its vehicle and the shop were written then. */
const known = new Map<string, { readonly reach: string; readonly next: NextThing }>();
const MOST_KNOWN = 2_000;
/** A list waits no longer for jobs that have to be judged first; the rest follow when it is asked for again. */
const MOST_MS = 60;

function keep(key: string, reach: string, next: NextThing): void {
  known.delete(key);
  known.set(key, { reach, next });
  const [oldest] = known.keys();
  if (known.size > MOST_KNOWN && oldest !== undefined) known.delete(oldest);
}

/**
 * The one next thing of some jobs, by id, as their own pages say it. Jobs that were written since are
 * judged anew, the first ones first, for so many milliseconds; those there was no time for are left out.
 */
export async function nextThings(
  ids: readonly string[],
  units: UnitSystem,
  mostMs = MOST_MS,
): Promise<Map<string, NextThing>> {
  const db = await database();
  const reaches = await reachesOf(db, ids);
  const until = performance.now() + mostMs;
  const found = new Map<string, NextThing>();
  for (const id of ids) {
    const key = `${units} ${id}`;
    const reach = reaches.get(id);
    const before = known.get(key);
    if (reach === undefined) continue;
    if (before?.reach === reach) {
      found.set(id, before.next);
      continue;
    }
    const job = performance.now() < until ? await findJob(db, id) : null;
    if (!job) continue;
    const next = jobNext(job, units);
    keep(key, reach, next);
    found.set(id, next);
  }
  return found;
}
