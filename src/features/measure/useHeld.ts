'use client';

import { useMemo } from 'react';
import { isOnDevice, useKeeperState, type KeptWrite } from '@/ui/keeper';
import { isOfBench, type HeldWrite } from './held';
import type { BenchCorner, BenchSet } from './model';

/** How what was typed at a bench stands: on the server, on its way, waiting, or refused. */
export type SaveState =
  | { readonly state: 'saved' }
  | { readonly state: 'saving' | 'waiting'; readonly count: number }
  | { readonly state: 'refused'; readonly writes: readonly KeptWrite[] };

export interface Held {
  /** What this device holds of the bench’s sets: answered for lately, or waiting; in order. */
  readonly held: readonly HeldWrite[];
  /** Refused, or met by what another screen wrote: to be settled. */
  readonly refused: readonly KeptWrite[];
  readonly save: SaveState;
}

/** What this device holds of the sets of a bench, and how it stands with the server. */
export function useHeld(
  sets: readonly BenchSet[],
  { jobId, corner, phase }: Pick<BenchCorner, 'jobId' | 'corner' | 'phase'>,
): Held {
  const { writes, lately, isAway } = useKeeperState();
  return useMemo(() => {
    const isOwn = (write: KeptWrite): boolean =>
      write.jobId === jobId && isOfBench(write, sets, { corner, phase });
    const begun = [...lately, ...writes].filter(({ name }) => name === 'set-begin');
    const ids = new Set([
      ...sets.map(({ id }) => id),
      ...begun.filter(isOwn).map(({ input }) => (input as { id: string }).id),
    ]);
    const isOfSets = (write: KeptWrite): boolean =>
      isOwn(write) ||
      (write.jobId === jobId && ids.has((write.input as { setId?: string }).setId ?? ''));
    const waiting = writes.filter((each) => each.status.state === 'waiting' && isOfSets(each));
    const refused = writes.filter((each) => each.status.state !== 'waiting' && isOfSets(each));
    const save: SaveState =
      refused.length > 0
        ? { state: 'refused', writes: refused }
        : waiting.length === 0
          ? { state: 'saved' }
          : {
              state: isAway && waiting.every(isOnDevice) ? 'waiting' : 'saving',
              count: waiting.length,
            };
    return { held: [...lately.filter(isOfSets), ...waiting], refused, save };
  }, [writes, lately, isAway, sets, jobId, corner, phase]);
}
