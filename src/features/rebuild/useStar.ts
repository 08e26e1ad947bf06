'use client';

import { checkPlace, keepCheck, stampOf, useKeeperState, type KeptWrite } from '@/ui/keeper';

type Pulls = readonly (number | null)[];

interface StarProps {
  readonly jobId: string;
  readonly corner: string;
  readonly pulls: Pulls;
  readonly stamp: string | null;
}

/** Where the last pull is: on the server, on its way, on this device, or refused. */
type StarKept = 'server' | 'device' | 'refused';

export const STAR_KEPT: Readonly<Record<StarKept, string>> = {
  server: ' · on file',
  device: ' · keeping …',
  refused: ' · not on file',
};

const pullsOf = ({ input }: KeptWrite): Pulls =>
  (input as { value: { pulls: Pulls } | null }).value?.pulls ?? [];

/**
 * The pulls of a wheel: as they are on file, with what this device holds and the server does not
 * laid over them, whichever page they were made on.
 */
export function useStar({ jobId, corner, pulls: stored, stamp }: StarProps) {
  const key = { jobId, kind: 'torque', place: corner, item: 'star' };
  const place = checkPlace(key);
  const { writes, lately } = useKeeperState();
  const isOwn = (each: KeptWrite): boolean => each.place === place;
  const held = writes.findLast(isOwn);
  const done = lately.findLast(isOwn);
  const newest = held ?? done;
  const pulls = newest ? pullsOf(newest) : stored;
  const seen = done ? stampOf(done) : stamp;
  const keep = (next: Pulls): void => {
    const value = next.length === 0 ? null : { pulls: next };
    void keepCheck({ ...key, value, note: null, seen });
  };
  const status = held?.status;
  const kept: StarKept =
    status === undefined ? 'server' : status.state === 'waiting' ? 'device' : 'refused';
  const trouble =
    status?.state === 'refused'
      ? status.message
      : status?.state === 'conflict'
        ? 'Another screen counted this wheel meanwhile. Settle it at the top of the page.'
        : null;
  return { pulls, keep, kept, trouble };
}
