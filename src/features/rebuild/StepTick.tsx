'use client';

import type { CheckForm } from '@/core/contracts';
import { useSend } from '@/ui/field';
import { stepAction } from './actions';
import type { StepView } from './model';

export type StepKey = Pick<CheckForm, 'jobId' | 'kind' | 'place' | 'item'>;

/** What writes one step: its value, or null to take it back. */
export function useStep(
  key: StepKey,
  written: StepView | null,
): { write: (value: unknown, note?: string) => void; busy: boolean; trouble: string | null } {
  const { send, busy, trouble } = useSend(stepAction);
  const write = (value: unknown, note?: string): void =>
    send([{ ...key, value, note: note ?? null, seen: written?.stamp ?? null }]);
  return { write, busy, trouble };
}

/** Name and time under something that was written. */
export const Signed = ({ written }: { written: StepView }) => (
  <span className="zh-muted">
    {written.by} {written.at}
  </span>
);

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
    <div className="my-2">
      <button
        type="button"
        className={`btn ${isMain && !written ? 'btn-primary' : 'btn-outline-secondary'}`}
        aria-pressed={written !== null}
        disabled={busy}
        onClick={() => write(written ? null : value)}
      >
        {written ? `✓ ${label}` : label}
      </button>{' '}
      {written && <Signed written={written} />}
      {trouble && (
        <div className="zh-error" role="alert">
          {trouble}
        </div>
      )}
    </div>
  );
}
