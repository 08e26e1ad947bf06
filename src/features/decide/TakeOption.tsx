'use client';

import { Button } from 'react-bootstrap';
import { useSend } from '@/ui/field';
import { writeDecision, writePair, type SideChoice } from './writes';

interface TakeProps {
  readonly jobId: string;
  readonly label: string;
  /** What is named for those who do not see the row. */
  readonly name: string;
  readonly sides: readonly [SideChoice] | readonly [SideChoice, SideChoice];
  readonly isFirst?: boolean;
}

/** Puts an option on record, for one corner or for both of an axle. */
export function TakeOption({ jobId, label, name, sides, isFirst = false }: TakeProps) {
  const [left, right] = sides;
  const { send, busy, trouble } = useSend(() =>
    right ? writePair(jobId, left, right) : writeDecision(jobId, left),
  );
  return (
    <span className="zh-no-print">
      <Button
        type="button"
        variant={isFirst ? 'primary' : 'outline-secondary'}
        disabled={busy}
        onClick={() => send([])}
      >
        {busy ? 'Writing …' : label}
        <span className="visually-hidden"> {name}</span>
      </Button>
      {trouble && (
        <span className="zh-error d-block" role="alert">
          {trouble}
        </span>
      )}
    </span>
  );
}
