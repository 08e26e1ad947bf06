'use client';

import { Button } from 'react-bootstrap';
import type { StepView } from './model';
import { useLaidStep } from '@/ui/keeper';
import { Signed } from '@/ui/procedure';
import { useStep } from './StepTick';

const ANSWERS = [
  ['free', 'free'],
  ['drags', 'drags'],
] as const;

/** Whether a wheel turns free with the pedal released. */
export function WheelTurns({
  jobId,
  corner,
  ...stands
}: {
  readonly jobId: string;
  readonly corner: string;
  readonly written: StepView | null;
}) {
  const key = { jobId, kind: 'pedal' as const, place: corner, item: 'turns' };
  const { write, busy, trouble } = useStep(key, stands.written);
  const written = useLaidStep(key, stands.written);
  return (
    <div className="zh-row justify-content-start my-1" role="group" aria-label={`${corner} turns`}>
      <span className="zh-figure">{corner}</span>
      {ANSWERS.map(([value, word]) => (
        <Button
          key={value}
          type="button"
          variant={written?.value === value ? 'dark' : 'outline-secondary'}
          aria-pressed={written?.value === value}
          disabled={busy}
          onClick={() => write(written?.value === value ? null : value)}
        >
          {word}
        </Button>
      ))}
      {written && <Signed written={written} />}
      {trouble && (
        <span className="zh-error" role="alert">
          {trouble}
        </span>
      )}
    </div>
  );
}
