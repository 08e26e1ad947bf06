'use client';

import { useState, useTransition } from 'react';
import type { Action } from '@/core/options';
import type { Corner } from '@/core/readings';
import { decideAction, undecideAction } from './actions';

interface RecordDecisionProps {
  readonly jobId: string;
  readonly corner: Corner;
  /** What the advice amounts to; null while it asks for more measuring. */
  readonly action: Action | null;
  /** What is on record, in the words of its time. */
  readonly recorded: string | null;
}

/** Puts the advice on record as what is done, or takes it back. */
export function RecordDecision({ jobId, corner, action, recorded }: RecordDecisionProps) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, begin] = useTransition();
  const act = (call: () => ReturnType<typeof undecideAction>): void =>
    begin(async () => {
      const answer = await call();
      setTrouble(answer.ok ? null : answer.message);
    });
  return (
    <div className="zh-no-print">
      {recorded !== null && (
        <p className="mb-2">
          On record for {corner}: <strong>{recorded}</strong>
        </p>
      )}
      {trouble && (
        <p className="zh-error" role="alert">
          {trouble}
        </p>
      )}
      <div className="d-flex gap-2 flex-wrap">
        {action !== null && recorded === null && (
          <button
            type="button"
            className="btn btn-primary"
            disabled={busy}
            onClick={() => act(() => decideAction(jobId, corner, action))}
          >
            Do this: put it on record
          </button>
        )}
        {recorded !== null && (
          <button
            type="button"
            className="btn btn-outline-secondary"
            disabled={busy}
            onClick={() => act(() => undecideAction(jobId, corner))}
          >
            Take it back
          </button>
        )}
      </div>
    </div>
  );
}
