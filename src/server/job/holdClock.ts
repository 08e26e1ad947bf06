import 'server-only';
import { holdOf, type Job } from '../../core/job';

/**
 * The minute on the pedal by a clock that nobody sets: the process’s own, which runs on evenly
 * whatever happens to the time of day. A minute that another process saw begin is begun anew.
 */
const store = globalThis as typeof globalThis & { zestyHoundHolds?: Map<string, number> };
const holds = (store.zestyHoundHolds ??= new Map<string, number>());
/** More minutes than are ever held at once: the oldest are forgotten. */
const MOST = 200;

/** The minute of a check begins now; told again, it goes on. */
export function beginHold(stamp: string): void {
  if (holds.has(stamp)) return;
  holds.set(stamp, performance.now());
  const [oldest] = holds.keys();
  if (holds.size > MOST && oldest !== undefined) holds.delete(oldest);
}

/** Seconds since the minute on a job’s pedal was begun; null where none is running. */
export function secondsHeld(job: Job): number | null {
  const hold = holdOf(job);
  const begun = hold && holds.get(hold.stamp);
  return begun === null || begun === undefined ? null : (performance.now() - begun) / 1000;
}
