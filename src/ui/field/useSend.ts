'use client';

import { useState, useTransition } from 'react';

type Sent =
  | { readonly ok: true }
  | {
      readonly ok: false;
      readonly message: string;
      readonly fields?: Readonly<Record<string, string>>;
    };

interface Send<Args extends readonly unknown[]> {
  /** Sends it; `then` runs once it is kept. */
  readonly send: (args: Args, then?: () => void) => void;
  readonly busy: boolean;
  /** What is wrong with what was sent last, or null. */
  readonly trouble: string | null;
  /** The same by field. */
  readonly fields: Readonly<Record<string, string>>;
  readonly clear: () => void;
}

/** Sends something to the server and says what is wrong with it; nothing typed is lost. */
export function useSend<Args extends readonly unknown[]>(
  action: (...args: Args) => Promise<Sent>,
): Send<Args> {
  const [refused, setRefused] = useState<Extract<Sent, { ok: false }> | null>(null);
  const [busy, begin] = useTransition();
  const send = (args: Args, then?: () => void): void =>
    begin(async () => {
      const answer = await action(...args).catch(() => null);
      if (answer === null) {
        setRefused({ ok: false, message: 'The server did not answer. Press again.' });
        return;
      }
      setRefused(answer.ok ? null : answer);
      if (answer.ok) then?.();
    });
  return {
    send,
    busy,
    trouble: refused?.message ?? null,
    fields: refused?.fields ?? {},
    clear: () => setRefused(null),
  };
}
