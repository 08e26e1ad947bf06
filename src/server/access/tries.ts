import 'server-only';
import { stillToWait } from '../../core/access';
import { countTry, forgetTries, lockTries } from '../../db/repositories';
import { accept, refuse, type Answer } from '../answer';
import { database, inTransaction } from '../database';

/** Under what a try counts, and how many of it count as one. */
interface Counted {
  readonly key: string;
  /** A screen and an address are shared by many people: a slip of each is not held against all. */
  readonly share: number;
}

const SHARED = 4;

/** What tries of somebody at a screen, from an address, count under. */
export const countedUnder = (at: {
  readonly person?: string;
  readonly device?: string | null;
  readonly peer: string;
}): readonly Counted[] =>
  [
    ...(at.device ? [{ key: `device ${at.device}`, share: SHARED }] : []),
    ...(at.person ? [{ key: `person ${at.person}`, share: 1 }] : []),
    { key: `peer ${at.peer}`, share: SHARED },
  ].sort((a, b) => a.key.localeCompare(b.key));

/** What is said of every try that was wrong, whichever part of it was. */
export const NOT_RIGHT = 'That is not right.';

const sayWait = (seconds: number): string =>
  `Too many wrong tries. The next one is taken in ${seconds < 90 ? `${seconds} s` : `${Math.ceil(seconds / 60)} min`}.`;

/**
 * Judges one try: not before the waits of those before it are over, counted as wrong before it is
 * looked at (so that tries at one time count each), and forgotten where it is right.
 */
export async function tryOnce<Value>(
  counted: readonly Counted[],
  attempt: () => Promise<Value | null>,
): Promise<Answer<Value>> {
  const taken = await inTransaction<null>(async (tx) => {
    const waits = [];
    for (const { key, share } of counted) {
      const { failed, sinceS } = await lockTries(tx, key);
      waits.push(stillToWait(Math.floor(failed / share), sinceS));
    }
    const wait = Math.max(0, ...waits);
    if (wait > 0) return refuse(sayWait(wait));
    for (const { key } of counted) await countTry(tx, key);
    return accept(null);
  });
  if (!taken.ok) return taken;
  const value = await attempt();
  if (value === null) return refuse(NOT_RIGHT);
  const db = await database();
  for (const { key } of counted) await forgetTries(db, key);
  return accept(value);
}
