'use client';

import { sayClock } from '@/ui/sayTime';
import {
  overTheirs,
  keepCheck,
  stampOf,
  theirsOf,
  useKeeper,
  useKeeperState,
  type CheckInput,
  type KeptWrite,
} from '@/ui/keeper';
import { checkAt, keyOf, withChange, type CheckChange, type CheckView } from './model';

/** A write that met what another screen wrote meanwhile. */
export interface Conflict {
  readonly mine: CheckChange;
  /** What stands there now; null where the other took it back. */
  readonly theirs: CheckView | null;
}

/** A write that the server did not take. */
export interface RefusedCheck {
  readonly change: CheckChange;
  readonly message: string;
  /** Writes it again with a reason, where one was asked for; else null. */
  readonly sayWhy: ((reason: string) => void) | null;
  /** Takes it off this device. */
  readonly leave: () => void;
}

export interface Checks {
  readonly checks: readonly CheckView[];
  readonly write: (change: CheckChange) => void;
  readonly conflict: Conflict | null;
  /** Settles a conflict: writes mine over theirs, or leaves theirs. */
  readonly settle: (isMine: boolean) => void;
  /** What was refused, if anything was. */
  readonly refused: RefusedCheck | null;
  /** True until the server has answered to everything that was written. */
  readonly isKeeping: boolean;
}

const changeOf = ({ input }: KeptWrite): CheckChange => {
  // What waits under this name was written by `keepCheck`.
  const { kind, place, item, value, note } = input as CheckInput;
  return { kind: kind as CheckChange['kind'], place, item, value, note };
};

/** What another screen wrote, as the screens have it. */
function theirView(write: KeptWrite): CheckView | null {
  const theirs = theirsOf(write);
  if (theirs === null) return null;
  const at = typeof theirs.at === 'string' ? sayClock(new Date(theirs.at)) : '';
  return { ...(theirs as unknown as CheckView), at };
}

/**
 * The checks of a job as this screen shows and writes them: as they are on file, with everything
 * laid over them that this device holds and the server does not have yet, whichever page it was
 * written on. Each is written over what is on the screen, so that what another screen wrote
 * meanwhile is never written over unseen. `isShown` says which of them stand on this part of the
 * page: trouble is told where it belongs.
 */
export function useChecks(
  jobId: string,
  stored: readonly CheckView[],
  isShown: (change: CheckChange) => boolean = () => true,
): Checks {
  const keeper = useKeeper();
  const { writes, lately } = useKeeperState();
  const isOwn = ({ name, jobId: of }: KeptWrite): boolean => name === 'check' && of === jobId;
  const own = writes.filter(isOwn);
  const known = lately.filter(isOwn).reduce<readonly CheckView[]>((all, done) => {
    const change = changeOf(done);
    return withChange(all, change).map((check) =>
      keyOf(check) === keyOf(change) ? { ...check, stamp: stampOf(done) ?? '' } : check,
    );
  }, stored);
  const waiting = own.filter(({ status }) => status.state === 'waiting');
  const checks = waiting.reduce<readonly CheckView[]>(
    (all, write) => withChange(all, changeOf(write)),
    known,
  );
  const write = (change: CheckChange): void => {
    // What was answered in the nose before stands without a stamp: it is no row of its own.
    void keepCheck({ jobId, ...change, seen: checkAt(known, change)?.stamp || null });
  };
  const here = own.filter((each) => isShown(changeOf(each)));
  const met = here.find(({ status }) => status.state === 'conflict');
  // What was pressed last is told first; what was refused before it, once that is left.
  const refusal = here
    .flatMap((each) => (each.status.state === 'refused' ? [{ each, ...each.status }] : []))
    .at(-1);
  return {
    checks,
    write,
    conflict: met ? { mine: changeOf(met), theirs: theirView(met) } : null,
    settle: (isMine) => {
      if (met && isMine) void keeper?.again(met, overTheirs(met));
      else if (met) void keeper?.drop(met);
    },
    refused: refusal
      ? {
          change: changeOf(refusal.each),
          message: refusal.message,
          sayWhy:
            refusal.fields.note === undefined
              ? null
              : (note) => {
                  const input = { ...(refusal.each.input as CheckInput), note };
                  void keeper?.again(refusal.each, { input });
                },
          leave: () => void keeper?.drop(refusal.each),
        }
      : null,
    isKeeping: waiting.length > 0,
  };
}
