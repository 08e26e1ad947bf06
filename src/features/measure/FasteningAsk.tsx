'use client';

import { useState, type ReactNode } from 'react';
import type { Corner, Fastening } from '@/core/readings';
import { FasteningChoice, useSend } from '@/ui/field';
import { useRefresh } from '@/ui/keeper';
import { NextThing } from '@/ui/shell';
import { writeFastening } from './writes';

/** How the wheel is held on, asked once for an axle: the rotor is drawn and moved by it. */
export function FasteningAsk({
  jobId,
  corner,
  children,
}: {
  readonly jobId: string;
  readonly corner: Corner;
  /** Another way to say it. */
  readonly children?: ReactNode;
}) {
  const [fastening, setFastening] = useState<Fastening>('studs');
  const { refresh } = useRefresh();
  const { send, busy, trouble } = useSend(writeFastening);
  return (
    <NextThing
      todo="How many studs or bolts hold this wheel?"
      why="The rotor is drawn by it and moved from one to the next. Asked once for this axle."
    >
      <div>
        <FasteningChoice
          fastening={fastening}
          studs={null}
          disabled={busy}
          onFastening={setFastening}
          onStuds={(studs) => send([{ jobId, corner, fastening, studs }], () => refresh())}
        />
      </div>
      {children}
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </NextThing>
  );
}
