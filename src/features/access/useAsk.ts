'use client';

import { useState } from 'react';
import type { Asked } from '@/ui/ask';

/** Asks the server for something at once, and says what is wrong with it, by field where it is known. */
export function useAsk<Args extends readonly unknown[], Value>(
  request: (...args: Args) => Promise<Asked<Value>>,
): {
  readonly send: (args: Args, then: (value: Value) => void) => void;
  readonly busy: boolean;
  readonly trouble: string | undefined;
  readonly fields: Readonly<Record<string, string>>;
} {
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState<Extract<Asked<Value>, { readonly ok: false }> | null>(
    null,
  );
  const send = (args: Args, then: (value: Value) => void): void => {
    setBusy(true);
    setRefused(null);
    void request(...args).then((answer) => {
      setBusy(false);
      if (answer.ok) then(answer.value);
      else setRefused(answer);
    });
  };
  return { send, busy, trouble: refused?.message, fields: refused?.fields ?? {} };
}
