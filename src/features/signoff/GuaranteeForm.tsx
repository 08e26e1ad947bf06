'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormField, useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';

interface GuaranteeFormProps {
  readonly jobId: string;
  readonly promise: { readonly months: number | null; readonly km: number | null } | null;
  /** The promise in words; null where nothing is. */
  readonly say: string | null;
  readonly stamp: string | null;
}

const wholeOf = (text: string): number | null => (text.trim() === '' ? null : Number(text));

/** How long the shop stands for its work: months, distance, or neither. */
export function GuaranteeForm({ jobId, promise, say, stamp }: GuaranteeFormProps) {
  const [months, setMonths] = useState(promise?.months?.toString() ?? '');
  const [km, setKm] = useState(promise?.km?.toString() ?? '');
  const { send, busy, trouble, fields } = useSend(keepCheck);
  const write = (value: { months: number | null; km: number | null } | null): void =>
    send([
      {
        ...{ jobId, kind: 'promise', place: '', item: 'guarantee' },
        ...{ value, note: null, seen: stamp },
      },
      'by-writer',
    ]);
  const field = (
    label: string,
    value: string,
    onChange: (text: string) => void,
    error: string | undefined,
  ) => (
    <FormField
      label={label}
      error={error}
      control={(ids) => (
        <Form.Control
          {...ids}
          inputMode="numeric"
          autoComplete="off"
          value={value}
          onChange={({ target }) => onChange(target.value)}
        />
      )}
    />
  );
  return (
    <details className="zh-card mb-3 zh-no-print" open={promise !== null}>
      <summary className="py-2">{say ?? 'Guarantee on this work: nothing promised'}</summary>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          const value = { months: wholeOf(months), km: wholeOf(km) };
          write(value.months === null && value.km === null ? null : value);
        }}
      >
        <div className="zh-limits">
          {field('Months', months, setMonths, fields['value.months'])}
          {field('Distance (km)', km, setKm, fields['value.km'])}
        </div>
        <Button type="submit" variant="outline-secondary" disabled={busy}>
          Keep the promise on record
        </Button>
        {trouble && (
          <p className="zh-error mb-0" role="alert">
            {trouble}
          </p>
        )}
      </form>
    </details>
  );
}
