'use client';

import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { CheckChange, CheckView } from './model';

interface PutRightProps {
  readonly corner: string;
  readonly item: string;
  readonly done: CheckView | undefined;
  readonly onWrite: (change: CheckChange) => void;
}

/** Says that what was found wrong was put right, and how; the finding itself stays on record. */
export function PutRight({ corner, item, done, onWrite }: PutRightProps) {
  const [isOpen, setOpen] = useState(false);
  const [how, setHow] = useState('');
  const write = (value: string | null): void =>
    onWrite({ kind: 'fixed', place: corner, item, value, note: value === null ? null : how });
  if (done) {
    return (
      <p className="zh-row mb-1">
        <span>
          Put right: <strong>{done.note}</strong>{' '}
          <span className="zh-muted">
            {done.by} {done.at}
          </span>
        </span>
        <button type="button" className="btn btn-link" onClick={() => write(null)}>
          Not yet
        </button>
      </p>
    );
  }
  if (!isOpen) {
    return (
      <button type="button" className="btn btn-link" onClick={() => setOpen(true)}>
        Put right …
      </button>
    );
  }
  return (
    <form
      className="zh-row justify-content-start"
      onSubmit={(event) => {
        event.preventDefault();
        if (how.trim() !== '') write('fixed');
      }}
    >
      <Form.Control
        className="zh-name"
        aria-label="What was done to put it right"
        placeholder="What was done"
        autoComplete="off"
        autoFocus
        value={how}
        onChange={({ target }) => setHow(target.value)}
      />
      <button className="btn btn-primary" disabled={how.trim() === ''}>
        It is put right
      </button>
    </form>
  );
}
