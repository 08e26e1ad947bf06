'use client';

import { useState, useTransition } from 'react';
import { closeJobAction, reopenJobAction } from './actions';

interface CloseJobProps {
  readonly jobId: string;
  readonly closed: boolean;
  readonly causes: readonly { readonly code: string; readonly name: string }[];
  /** The cause on record, or null. */
  readonly confirmed: string | null;
}

/** Closes a job with the cause that the work confirmed, or opens a closed one again. */
export function CloseJob({ jobId, closed, causes, confirmed }: CloseJobProps) {
  const [cause, setCause] = useState(confirmed ?? '');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [pending, start] = useTransition();
  if (closed) {
    return (
      <button
        type="button"
        className="btn btn-outline-secondary"
        disabled={pending}
        onClick={() => start(() => reopenJobAction(jobId))}
      >
        Open the job again
      </button>
    );
  }
  return (
    <div className="zh-close d-flex flex-wrap gap-2 align-items-center">
      <label className="d-flex flex-wrap gap-2 align-items-center mw-100">
        <span>Confirmed cause</span>
        <select
          className="form-select w-auto mw-100"
          value={cause}
          onChange={(event) => setCause(event.target.value)}
        >
          <option value="">Left open</option>
          {causes.map(({ code, name }) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <button
        type="button"
        className="btn btn-primary"
        disabled={pending}
        onClick={() =>
          start(async () => setTrouble(await closeJobAction(jobId, cause === '' ? null : cause)))
        }
      >
        Close the job
      </button>
      {trouble && (
        <p className="zh-error" role="alert">
          {trouble}
        </p>
      )}
    </div>
  );
}
