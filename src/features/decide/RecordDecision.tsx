'use client';

import { Button } from 'react-bootstrap';
import type { Action } from '@/core/options';
import type { Corner } from '@/core/readings';
import { useEffect, useRef } from 'react';
import { useSend } from '@/ui/field';
import { takeDecisionBack, writeDecision } from './writes';

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
  // Decided: the next corner that is not, or the way on.
  const was = useRef(recorded);
  useEffect(() => {
    if (was.current === null && recorded !== null) {
      document.querySelector<HTMLElement>('main [data-goes-on]')?.focus();
    }
    was.current = recorded;
  }, [recorded]);
  const take = useSend(writeDecision);
  const back = useSend(takeDecisionBack);
  const busy = take.busy || back.busy;
  const trouble = take.trouble ?? back.trouble;
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
          <Button
            type="button"
            variant="primary"
            data-goes-on
            disabled={busy}
            onClick={() => take.send([jobId, { corner, action }])}
          >
            Do this: put it on record
          </Button>
        )}
        {recorded !== null && (
          <Button
            type="button"
            variant="outline-secondary"
            disabled={busy}
            onClick={() => back.send([jobId, corner])}
          >
            Take it back
          </Button>
        )}
      </div>
    </div>
  );
}
