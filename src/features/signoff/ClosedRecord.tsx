'use client';

import Link from '@/ui/Link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useSend } from '@/ui/field';
import { writeAddition } from './writes';
import styles from './signoff.module.css';

interface ClosedRecordProps {
  readonly jobId: string;
  readonly signed: {
    readonly by: string | null;
    readonly at: string;
    readonly open: readonly string[];
    readonly reason: string | null;
    /** In other records, from which it was brought in. */
    readonly isElsewhere: boolean;
  };
  readonly additions: readonly {
    readonly id: string;
    readonly text: string;
    readonly by: string;
    readonly at: string;
  }[];
}

/** A record that was signed off: by whom, with what open, and what was added since. */
export function ClosedRecord({ jobId, signed, additions }: ClosedRecordProps) {
  const [text, setText] = useState('');
  const { send, busy, trouble } = useSend(writeAddition);
  return (
    <section className="zh-card mb-3" aria-label="Signed off">
      <p className="mb-1">
        <strong>
          Signed off{signed.isElsewhere && ' elsewhere'}
          {signed.by && ` by ${signed.by}`}
        </strong>
        , {signed.at}. The record is closed; what comes later is added with name and time.
      </p>
      {signed.open.length > 0 && (
        <p className="mb-1">
          Open when it was signed: {signed.open.join(' ')}{' '}
          {signed.reason && `Why: ${signed.reason}`}
        </p>
      )}
      {additions.map(({ id, text: said, by, at }) => (
        <p key={id} className="mb-1">
          Added: {said}{' '}
          <span className="zh-muted">
            {by}, {at}
          </span>
        </p>
      ))}
      <p className="mb-2 zh-no-print">
        <Link href={`/jobs/new?comeback=${jobId}`}>
          It came back: open a job linked to this one
        </Link>
        {' · '}
        <Link href={`/practice/job/${jobId}`}>Work it again as practice</Link>
      </p>
      <form
        className="zh-row justify-content-start zh-no-print"
        onSubmit={(event) => {
          event.preventDefault();
          send([{ jobId, text }], () => setText(''));
        }}
      >
        <Form.Control
          className={styles.addition}
          aria-label="Add to the record"
          placeholder="Add to the record"
          autoComplete="off"
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
        <Button type="submit" variant="outline-secondary" disabled={busy || text.trim() === ''}>
          Add
        </Button>
        {trouble && (
          <span className="zh-error" role="alert">
            {trouble}
          </span>
        )}
      </form>
    </section>
  );
}
