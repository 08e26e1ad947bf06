'use client';

import { useState, useTransition } from 'react';
import type { Action } from '@/core/options';
import type { Corner } from '@/core/readings';
import { decideAction, decidePairAction } from './actions';

interface TakeProps {
  readonly jobId: string;
  readonly label: string;
  /** What is named for those who do not see the row. */
  readonly name: string;
  readonly sides: readonly [Side] | readonly [Side, Side];
  readonly isFirst?: boolean;
}
interface Side {
  readonly corner: Corner;
  readonly action: Action;
}

/** Puts an option on record, for one corner or for both of an axle. */
export function TakeOption({ jobId, label, name, sides, isFirst = false }: TakeProps) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, begin] = useTransition();
  const take = (): void =>
    begin(async () => {
      const [left, right] = sides;
      const answer = await (
        right ? decidePairAction(jobId, left, right) : decideAction(jobId, left.corner, left.action)
      ).catch(() => null);
      setTrouble(
        answer === null
          ? 'The server did not answer. Press again.'
          : answer.ok
            ? null
            : answer.message,
      );
    });
  return (
    <span className="zh-no-print">
      <button
        type="button"
        className={`btn ${isFirst ? 'btn-primary' : 'btn-outline-secondary'}`}
        disabled={busy}
        onClick={take}
      >
        {busy ? 'Writing …' : label}
        <span className="visually-hidden"> {name}</span>
      </button>
      {trouble && (
        <span className="zh-error d-block" role="alert">
          {trouble}
        </span>
      )}
    </span>
  );
}
