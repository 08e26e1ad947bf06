'use client';

import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useKeeper } from './context';
import { onHeard, type Heard } from './live';

const SAY_EVERY_MS = 20_000;
/** Who said nothing for so long is not there any more. */
const GONE_AFTER_MS = 45_000;

type At = Extract<Heard, { readonly is: 'at' }>;
interface Other extends At {
  readonly heardAt: number;
}

/** The corner that an address is about: its last part, where that is one. */
const cornerOf = (path: string): string | null => /\/(FL|FR|RL|RR)$/.exec(path)?.[1] ?? null;

/** Tells the other screens where this one is, now and then, as long as it is seen. */
function useSayHere(jobId: string, corner: string | null): void {
  const keeper = useKeeper();
  useEffect(() => {
    const say = async (): Promise<void> => {
      if (!keeper || document.hidden || !navigator.onLine) return;
      const by = await keeper.device();
      await fetch('/api/v1/live', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ job: jobId, corner, by }),
      }).catch(() => undefined);
    };
    void say();
    const timer = setInterval(() => void say(), SAY_EVERY_MS);
    return () => clearInterval(timer);
  }, [jobId, corner, keeper]);
}

/** The other screens at a job, the newest word of each. */
function useOthers(jobId: string): readonly Other[] {
  const keeper = useKeeper();
  const [others, setOthers] = useState<readonly Other[]>([]);
  useEffect(() => {
    const isThere = ({ heardAt }: Other): boolean => Date.now() - heardAt < GONE_AFTER_MS;
    const deafen = onHeard((heard) => {
      if (heard.is !== 'at') return;
      void keeper?.device().then((own) => {
        if (heard.by === own) return;
        setOthers((before) => [
          ...before.filter((each) => each.by !== heard.by && isThere(each)),
          // Whoever went to another job is not at this one any more.
          ...(heard.job === jobId ? [{ ...heard, heardAt: Date.now() }] : []),
        ]);
      });
    });
    const timer = setInterval(() => setOthers((before) => before.filter(isThere)), SAY_EVERY_MS);
    return () => {
      deafen();
      clearInterval(timer);
    };
  }, [jobId, keeper]);
  return others;
}

/** One other screen in words: who is there, and at which corner. */
const sayOther = ({ who, screen, corner }: Other): string =>
  [who ?? screen ?? 'another screen', corner && `at ${corner}`].filter(Boolean).join(' ');

/** Who else is at this job, and at which corner; nothing where nobody is. */
export function AlsoHere({ jobId }: { readonly jobId: string }) {
  useSayHere(jobId, cornerOf(usePathname()));
  const others = useOthers(jobId);
  if (others.length === 0) return null;
  return (
    <span className="zh-muted" role="status">
      {' '}
      · also here: {others.map(sayOther).join(', ')}
    </span>
  );
}
