'use client';

import type { CheckForm } from '@/core/contracts';
import { useSend } from '@/ui/field';
import { SignedTick } from '@/ui/procedure';
import { writeStep } from './writes';
import type { StepView } from './model';

export type StepKey = Pick<CheckForm, 'jobId' | 'kind' | 'place' | 'item'>;

/** What writes one step: its value, or null to take it back. */
export function useStep(
  key: StepKey,
  written: Pick<StepView, 'stamp'> | null,
): { write: (value: unknown, note?: string) => void; busy: boolean; trouble: string | null } {
  const { send, busy, trouble } = useSend(writeStep);
  const write = (value: unknown, note?: string): void =>
    send([{ ...key, value, note: note ?? null, seen: written?.stamp ?? null }]);
  return { write, busy, trouble };
}

interface StepTickProps extends StepKey {
  readonly written: StepView | null;
  readonly label: string;
  readonly value?: unknown;
  readonly isMain?: boolean;
}

/** Something that is ticked with name and time, and taken back by the same press. */
export function StepTick({
  written,
  label,
  value = 'done',
  isMain = false,
  ...key
}: StepTickProps) {
  const { write, busy, trouble } = useStep(key, written);
  return (
    <SignedTick
      {...{ label, written, isMain, busy, trouble }}
      onPress={() => write(written ? null : value)}
    />
  );
}
