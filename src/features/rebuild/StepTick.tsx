'use client';

import { useState } from 'react';
import type { CheckForm } from '@/core/contracts';
import { useSend } from '@/ui/field';
import { useLaidStep, useSeenStamp } from '@/ui/keeper';
import { SignedTick } from '@/ui/procedure';
import { ReasonForm } from '@/ui/ReasonForm';
import { writeStep } from './writes';
import type { StepView } from './model';

export type StepKey = Pick<CheckForm, 'jobId' | 'kind' | 'place' | 'item'>;

/** What writes one step: its value, or null to take it back. */
export function useStep(
  key: StepKey,
  written: Pick<StepView, 'stamp'> | null,
): {
  write: (value: unknown, note?: string) => void;
  busy: boolean;
  trouble: string | null;
  /** Writes the same again with a reason, where one was asked for; else null. */
  sayWhy: ((reason: string) => void) | null;
} {
  const { send, busy, trouble, fields } = useSend(writeStep);
  const seen = useSeenStamp(key, written?.stamp ?? null);
  const [last, setLast] = useState<unknown>(null);
  const write = (value: unknown, note?: string): void => {
    setLast(value);
    send([{ ...key, value, note: note ?? null, seen }]);
  };
  const sayWhy = fields.note === undefined ? null : (reason: string) => write(last, reason);
  return { write, busy, trouble, sayWhy };
}

/** Asks why something is taken back that keeps the vehicle off the road; nothing where it need not. */
export const AskWhy = ({ sayWhy }: { readonly sayWhy: ((reason: string) => void) | null }) =>
  sayWhy && (
    <ReasonForm
      label="Why it is taken back"
      placeholder="Why it is taken back"
      button="Take it back"
      onGive={sayWhy}
    />
  );

interface StepTickProps extends StepKey {
  readonly written: StepView | null;
  readonly label: string;
  readonly value?: unknown;
  readonly isMain?: boolean;
  /** Stamp of an earlier tick that counts no more: what is written over. */
  readonly over?: string | null;
}

/** Something that is ticked with name and time, and taken back by the same press. */
export function StepTick({
  written,
  label,
  value = 'done',
  isMain = false,
  over = null,
  ...key
}: StepTickProps) {
  const stands = written ?? (over === null ? null : { stamp: over });
  const { write, busy, trouble, sayWhy } = useStep(key, stands);
  const laid = useLaidStep(key, written);
  // Another answer of the same question waits here.
  const shown = laid !== written && laid?.value !== value ? null : laid;
  return (
    <>
      <SignedTick
        {...{ label, isMain, busy, trouble }}
        written={shown}
        onPress={() => write(shown ? null : value)}
      />
      <AskWhy sayWhy={sayWhy} />
    </>
  );
}
