'use client';

import { Button } from 'react-bootstrap';
import { rollingDiameter } from '@/core/roadtest';
import { TextField, useSend } from '@/ui/field';
import { writeTyre } from './writes';

export interface Tyre {
  readonly tyre: string;
  readonly finalDrive: string;
}

interface TyreCardProps {
  readonly jobId: string;
  readonly values: Tyre;
  readonly onChange: (values: Tyre) => void;
}

/** Tyre code and final drive: what turns a speed into a rate. */
export function TyreCard({ jobId, values, onChange }: TyreCardProps) {
  const { send, busy, trouble, fields } = useSend(writeTyre);
  const diameter = rollingDiameter(values.tyre);
  return (
    <section className="zh-card mb-3" aria-labelledby="zh-tyre">
      <h2 id="zh-tyre">Tyre</h2>
      <div className="zh-limits">
        <TextField
          label="Tyre code or rolling diameter in metres"
          hint="Like 215/65R16, as on the sidewall, or 0.66."
          error={fields.tyre}
          value={values.tyre}
          onChange={(tyre) => onChange({ ...values, tyre })}
        />
        <TextField
          label="Final drive ratio"
          hint="For the propshaft; may be left empty."
          error={fields.finalDrive}
          isFigure
          value={values.finalDrive}
          onChange={(finalDrive) => onChange({ ...values, finalDrive })}
        />
      </div>
      <Button
        type="button"
        variant="outline-secondary"
        disabled={busy || diameter === null}
        onClick={() => send([jobId, values.tyre, values.finalDrive])}
      >
        Keep with the vehicle
      </Button>
      {trouble && Object.keys(fields).length === 0 && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </section>
  );
}
