'use client';

import { useState, useTransition } from 'react';
import { rollingDiameter } from '@/core/roadtest';
import { TextField } from '@/ui/field';
import { keepTyreAction } from './actions';

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
  const [messages, setMessages] = useState<Readonly<Record<string, string>>>({});
  const [pending, start] = useTransition();
  const diameter = rollingDiameter(values.tyre);
  const keep = (): void =>
    start(async () => {
      const answer = await keepTyreAction(jobId, values.tyre, values.finalDrive);
      setMessages(answer.ok ? {} : answer.fields);
    });
  return (
    <section className="zh-card mb-3" aria-labelledby="zh-tyre">
      <h2 id="zh-tyre">Tyre</h2>
      <div className="zh-limits">
        <TextField
          label="Tyre code or rolling diameter in metres"
          hint="Like 215/65R16, as on the sidewall, or 0.66."
          error={messages.tyre}
          value={values.tyre}
          onChange={(tyre) => onChange({ ...values, tyre })}
        />
        <TextField
          label="Final drive ratio"
          hint="For the propshaft; may be left empty."
          error={messages.finalDrive}
          isFigure
          value={values.finalDrive}
          onChange={(finalDrive) => onChange({ ...values, finalDrive })}
        />
      </div>
      <button
        type="button"
        className="btn btn-outline-secondary"
        disabled={pending || diameter === null}
        onClick={keep}
      >
        Keep with the vehicle
      </button>
    </section>
  );
}
