'use client';

import { useRouter } from 'next/navigation';
import { Button } from 'react-bootstrap';
import type { Asked } from '@/ui/ask';
import { useAsk } from './useAsk';

/** Takes the key of a screen or of a program away for good. */
export function TakeKeyAway({
  id,
  name,
  take,
}: {
  readonly id: string;
  readonly name: string;
  readonly take: (id: string) => Promise<Asked<string>>;
}) {
  const router = useRouter();
  const { send, busy, trouble } = useAsk(take);
  return (
    <>
      <Button variant="link" disabled={busy} onClick={() => send([id], () => router.refresh())}>
        Take its key away<span className="visually-hidden">: {name}</span>
      </Button>
      {trouble && <span className="zh-error">{trouble}</span>}
    </>
  );
}
