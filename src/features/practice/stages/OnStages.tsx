'use client';

import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { z } from 'zod';
import { ask } from '@/ui/ask';

const answerSchema = z.object({ port: z.number(), path: z.string() });

/** Takes a whole car to the stages of a job, in the records of practice. */
export function OnStages({ code }: { readonly code: string }) {
  const [isBusy, setBusy] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const go = async (): Promise<void> => {
    setBusy(true);
    setError(null);
    const asked = await ask<unknown>('/api/v1/practice', { method: 'POST', body: { code } });
    const answer = answerSchema.safeParse(asked.ok ? asked.value : null);
    if (answer.success) {
      const there = new URL(answer.data.path, window.location.href);
      there.port = String(answer.data.port);
      window.location.assign(there.href);
      return;
    }
    setBusy(false);
    setError(asked.ok ? 'The server answered what cannot be read.' : asked.message);
  };
  return (
    <>
      <Button variant="secondary" disabled={isBusy} onClick={() => void go()}>
        {isBusy ? 'The car is brought in …' : 'Work it on the stages of a job'}
      </Button>
      {error && (
        <p className="zh-error mb-0" role="alert">
          {error}
        </p>
      )}
    </>
  );
}
