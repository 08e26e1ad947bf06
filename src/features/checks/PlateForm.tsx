'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useSend } from '@/ui/field';
import { writePlate } from './writes';
import styles from './checks.module.css';

/** The plate that makes a job of a quick check; nothing is read again. */
export function PlateForm({ jobId }: { readonly jobId: string }) {
  const router = useRouter();
  const [plate, setPlate] = useState('');
  const { send, busy, trouble, fields } = useSend(writePlate);
  const error = fields.plate ?? trouble;
  return (
    <form
      className={styles.plateForm}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (plate.trim() === '') return;
        send([jobId, plate], () => router.push(`/jobs/${jobId}/complaint`));
      }}
    >
      <Form.Control
        aria-label="Plate"
        placeholder="Plate"
        autoComplete="off"
        maxLength={20}
        isInvalid={error !== null && error !== undefined}
        value={plate}
        onChange={({ target }) => setPlate(target.value)}
      />
      <Button type="submit" variant="outline-secondary" disabled={busy || plate.trim() === ''}>
        Make it a job
      </Button>
      {error && (
        <p className="zh-error mb-0" role="alert">
          {error}
        </p>
      )}
    </form>
  );
}
