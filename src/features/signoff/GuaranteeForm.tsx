'use client';

import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { TextField, useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';

interface GuaranteeFormProps {
  readonly jobId: string;
  readonly promise: { readonly months: number | null; readonly km: number | null } | null;
  /** The promise in words; null where nothing is. */
  readonly say: string | null;
  readonly stamp: string | null;
}

/** A whole figure as typed; null where the field is empty. What is none is refused beside it. */
const wholeOf = (text: string): number | null => (text.trim() === '' ? null : Number(text));

const amiss = (text: string): string | undefined =>
  /^\d*$/.test(text.trim()) ? undefined : 'Write a whole figure, or leave it empty.';

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
  return (
    <details className="zh-card mb-3 zh-no-print" open={promise !== null}>
      <summary className="py-2">{say ?? 'Guarantee on this work: nothing promised'}</summary>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (amiss(months) ?? amiss(km)) return;
          const value = { months: wholeOf(months), km: wholeOf(km) };
          write(value.months === null && value.km === null ? null : value);
        }}
      >
        <div className="zh-limits">
          <TextField
            label="Months"
            error={amiss(months) ?? fields['value.months']}
            isFigure
            value={months}
            onChange={setMonths}
          />
          <TextField
            label="Distance (km)"
            error={amiss(km) ?? fields['value.km']}
            isFigure
            value={km}
            onChange={setKm}
          />
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
