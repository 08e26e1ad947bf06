'use client';

import { useState } from 'react';
import { checkPlace, keepCheck, useKeeperState, type KeptWrite } from '@/ui/keeper';

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
  const { writes } = useKeeperState();
  const held = writes.findLast((each) => each.place === place);
  /** What was answered for since the page was rendered, until it is rendered anew. */
  const [answered, setAnswered] = useState<{ readonly of: Pulls; readonly pulls: Pulls } | null>(
    null,
  );
  const onFile = answered?.of === stored ? answered.pulls : stored;
  const pulls = held ? pullsOf(held) : onFile;
  const keep = (next: Pulls): void => {
    const value = next.length === 0 ? null : { pulls: next };
    void keepCheck({ ...key, value, note: null, seen: stamp }).then((answer) => {
      if (answer.ok) setAnswered({ of: stored, pulls: next });
    });
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
