'use client';

import { useState } from 'react';
import { sayTime } from '../sayTime';
import { checkPlace, stampOf, type CheckInput, type CheckKey } from './checkWrite';
import { useKeeperState } from './context';
import type { KeeperState } from './Keeper';
import type { KeptWrite } from './types';

const isWaiting = ({ status }: KeptWrite): boolean => status.state === 'waiting';

/** The last write of a place that the page was not rendered from: done lately, or waiting; null where there is none. */
const laidAt = ({ writes, lately }: KeeperState, place: string): KeptWrite | null =>
  [...lately, ...writes.filter(isWaiting)].findLast((each) => each.place === place) ?? null;

/** A step as a page shows it: what was written, by whom, when, and its stamp. */
interface StepLike {
  readonly value: unknown;
  readonly note: string | null;
  readonly by: string | null;
  readonly at: string;
  readonly stamp: string;
}

/** A step with what this device holds of it laid over what the page was rendered from. */
export function useLaidStep(key: CheckKey, written: StepLike | null): StepLike | null {
  const state = useKeeperState();
  const laid = laidAt(state, checkPlace(key));
  if (laid === null) return written;
  const { value, note } = laid.input as CheckInput;
  if (value === null) return null;
  const at = sayTime(laid.at) + (state.isAway && isWaiting(laid) ? ', on this device only' : '');
  return { value, note, by: null, at, stamp: written?.stamp ?? '' };
}

/** The stamp of a step that its writer has seen: the page’s, or that of what was done here since. */
export function useSeenStamp(key: CheckKey, shown: string | null): string | null {
  const { lately } = useKeeperState();
  const done = lately.findLast(({ place }) => place === checkPlace(key));
  return done ? stampOf(done) : shown;
}

/** What was typed on an earlier visit and the server does not have yet. */
export interface TypedBefore<Input> {
  readonly id: string;
  readonly input: Input;
}

/**
 * What was typed at a place before this page was opened, once the device was asked for it: fields begin with it.
 * Null where the server has everything; what is typed on this visit stands in its fields already.
 */
export function useTypedBefore<Input>(place: string): TypedBefore<Input> | null {
  const state = useKeeperState();
  const [openedAt] = useState(() => Date.now());
  const [looked, setLooked] = useState<{ readonly before: TypedBefore<Input> | null }>();
  if (looked !== undefined || !state.isRead) return looked?.before ?? null;
  // Once only: what is typed from now on stands in its fields.
  const laid = laidAt(state, place);
  const isBefore = laid !== null && laid.at < openedAt;
  // What a place holds is what the writer of that place was given.
  const before = isBefore ? { id: laid.id, input: laid.input as Input } : null;
  setLooked({ before });
  return before;
}

/** What waits of a job by names of use cases, in order. */
export function useWaitingOf(jobId: string, names: readonly string[]): readonly KeptWrite[] {
  const { writes } = useKeeperState();
  return writes.filter(
    (each) => each.jobId === jobId && isWaiting(each) && names.includes(each.name),
  );
}
