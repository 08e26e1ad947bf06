'use client';

import { Button } from 'react-bootstrap';
import { useSend } from '@/ui/field';
import { keepWrite } from '@/ui/keeper';

type How = 'on' | 'off' | 'once';

const write = (jobId: string, how: How) =>
  keepWrite({
    ...{ name: 'practice-nose', input: { jobId, how }, place: `practice-nose ${jobId}`, jobId },
    ...{ about: 'practice: the nose', refresh: 'by-writer' },
  });

/** In practice the nose may be left off: then what is found is weighed by whoever learns, or it is asked for its minutes. */
export function NoseLeft({
  jobId,
  isOn,
  isSeen,
  minutes,
}: {
  readonly jobId: string;
  /** What asking it once takes. */
  readonly minutes: number;
  readonly isOn: boolean;
  readonly isSeen: boolean;
}) {
  const { send, busy, trouble } = useSend(write);
  const press = (how: How, name: string) => (
    <Button
      key={how}
      variant="outline-secondary"
      disabled={busy}
      onClick={() => send([jobId, how])}
    >
      {name}
    </Button>
  );
  return (
    <div className="mb-2">
      {!isSeen && <p className="mb-2">Off: what is found is weighed by you.</p>}
      <div className="d-flex flex-wrap gap-2">
        {isOn
          ? press('off', 'Leave it off, to test yourself')
          : [
              ...(isSeen ? [] : [press('once', `Ask it once (${minutes} min)`)]),
              press('on', 'Leave it on, to learn'),
            ]}
      </div>
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </div>
  );
}
