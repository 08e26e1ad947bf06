'use client';

import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { RecheckForm } from '@/core/contracts';
import { FormField, TextField, useSend } from '@/ui/field';
import { endRecheck, writeRecheck } from './writes';

export const RECHECK_NAME = {
  'wheel-nuts': 'Wheel nuts, torque',
  thickness: 'Thickness',
  runout: 'Runout',
} as const;
type What = keyof typeof RECHECK_NAME;

export interface RecheckView {
  readonly id: string;
  readonly what: What;
  /** When it is due, in words. */
  readonly due: string;
  readonly done: string | null;
}

interface RechecksProps {
  readonly jobId: string;
  readonly rechecks: readonly RecheckView[];
  /** Whether the job knows how far the vehicle has gone. */
  readonly hasOdometer: boolean;
}

/** What is to be looked at again, by distance and date. */
export function Rechecks({ jobId, rechecks, hasOdometer }: RechecksProps) {
  const [what, setWhat] = useState<What>('wheel-nuts');
  const [km, setKm] = useState('75');
  const [on, setOn] = useState('');
  const set = useSend(writeRecheck);
  const end = useSend(endRecheck);
  const form: RecheckForm = {
    jobId,
    what,
    afterKm: km.trim() === '' ? null : Number(km),
    on: on === '' ? null : on,
  };
  return (
    <section className="zh-card mb-3" aria-label="Rechecks">
      <h2>To be looked at again</h2>
      {rechecks.length === 0 && <p className="zh-muted mb-1">Nothing is set yet.</p>}
      <ul className="list-unstyled mb-1">
        {rechecks.map(({ id, what: of, due, done }) => (
          <li key={id} className="zh-row">
            <span>
              <strong>{RECHECK_NAME[of]}</strong> {due} {done && `· done ${done}`}
            </span>
            {!done && (
              <span className="d-flex gap-2 zh-no-print">
                <Button
                  type="button"
                  variant="outline-secondary"
                  disabled={end.busy}
                  onClick={() => end.send([jobId, id, true])}
                >
                  Done
                </Button>
                <Button
                  type="button"
                  variant="link"
                  disabled={end.busy}
                  onClick={() => end.send([jobId, id, false])}
                >
                  Take away
                </Button>
              </span>
            )}
          </li>
        ))}
      </ul>
      <form
        className="zh-no-print"
        onSubmit={(event) => {
          event.preventDefault();
          set.send([form]);
        }}
      >
        <div className="zh-limits">
          <FormField
            label="What"
            error={set.fields.what}
            control={(ids) => (
              <Form.Select
                {...ids}
                value={what}
                onChange={({ target }) => {
                  const next = target.value as What;
                  setWhat(next);
                  setKm(next === 'wheel-nuts' ? '75' : '5000');
                }}
              >
                {Object.entries(RECHECK_NAME).map(([code, name]) => (
                  <option key={code} value={code}>
                    {name}
                  </option>
                ))}
              </Form.Select>
            )}
          />
          <TextField
            label="After (km)"
            hint={
              hasOdometer ? 'Wheel nuts: 50 to 100 km.' : 'The job has no odometer: give a date.'
            }
            isFigure
            value={km}
            error={set.fields.afterKm}
            onChange={setKm}
          />
          <FormField
            label="Or by"
            error={set.fields.on}
            control={(ids) => (
              <Form.Control
                type="date"
                {...ids}
                value={on}
                onChange={({ target }) => setOn(target.value)}
              />
            )}
          />
        </div>
        <Button type="submit" variant="outline-secondary" disabled={set.busy}>
          Set the recheck
        </Button>
        {(set.trouble ?? end.trouble) && !set.fields.afterKm && (
          <span className="zh-error" role="alert">
            {' '}
            {set.trouble ?? end.trouble}
          </span>
        )}
      </form>
    </section>
  );
}
