'use client';

import { useTransition } from 'react';
import { closeJobAction } from './actions';

/** Closes a job, or opens a closed one again. */
export function CloseJob({ jobId, closed }: { jobId: string; closed: boolean }) {
  const [pending, start] = useTransition();
  return (
    <button
      type="button"
      className={`btn ${closed ? 'btn-outline-secondary' : 'btn-primary'}`}
      disabled={pending}
      onClick={() => start(() => closeJobAction(jobId, !closed))}
    >
      {closed ? 'Open the job again' : 'Close the job'}
    </button>
  );
}
