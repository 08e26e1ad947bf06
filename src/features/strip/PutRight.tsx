'use client';

import { Button } from 'react-bootstrap';
import { useState } from 'react';
import type { CheckChange, CheckView } from './model';
import { ReasonForm } from '@/ui/ReasonForm';

interface PutRightProps {
  readonly corner: string;
  readonly item: string;
  readonly done: CheckView | undefined;
  readonly onWrite: (change: CheckChange) => void;
}

/** Says that what was found wrong was put right, and how; the finding itself stays on record. */
export function PutRight({ corner, item, done, onWrite }: PutRightProps) {
  const [isOpen, setOpen] = useState(false);
  const write = (value: string | null, note: string | null): void =>
    onWrite({ kind: 'fixed', place: corner, item, value, note });
  if (done) {
    return (
      <p className="zh-row mb-1">
        <span>
          Put right: <strong>{done.note}</strong>{' '}
          <span className="zh-muted">
            {done.by} {done.at}
          </span>
        </span>
        <Button type="button" variant="link" onClick={() => write(null, null)}>
          Not yet
        </Button>
      </p>
    );
  }
  if (!isOpen) {
    return (
      <Button type="button" variant="link" onClick={() => setOpen(true)}>
        Put right …
      </Button>
    );
  }
  return (
    <ReasonForm
      label="What was done to put it right"
      placeholder="What was done"
      button="It is put right"
      isPrimary
      onGive={(how) => write('fixed', how)}
    />
  );
}
