'use client';

import { ACTIONS } from '@/core/options';
import { useKeeperState, useWaitingOf, type KeptWrite } from '@/ui/keeper';
import { sayTime } from '@/ui/sayTime';
import { DECISION_WRITES, type SideChoice } from './writes';

type Waiting =
  | { readonly corner: string; readonly action?: SideChoice['action'] }
  | { readonly left: SideChoice; readonly right: SideChoice };

/** What a decision that waits says of its corners, in words. */
function sayWaiting({ input }: KeptWrite): string {
  // What `writeDecision`, `writePair` and `takeDecisionBack` send.
  const own = input as Waiting;
  const sides = 'left' in own ? [own.left, own.right] : [own];
  return sides
    .map(({ corner, action }) => `${corner}: ${action ? ACTIONS[action].name : 'taken back'}`)
    .join(', ');
}

/** Decisions of a job that this device holds while the server is away: the page cannot judge by them yet. */
export function WaitingDecisions({ jobId }: { readonly jobId: string }) {
  const { isAway } = useKeeperState();
  const waiting = useWaitingOf(jobId, DECISION_WRITES);
  if (!isAway || waiting.length === 0) return null;
  return (
    <section className="zh-card mb-3" aria-labelledby="decided-here">
      <h2 id="decided-here">Decided on this device</h2>
      <ul className="mb-1">
        {waiting.map((write) => (
          <li key={write.id}>
            {sayWaiting(write)} <span className="zh-muted">{sayTime(write.at)}</span>
          </li>
        ))}
      </ul>
      <p className="zh-muted mb-0">It goes on record when the server is back.</p>
    </section>
  );
}
