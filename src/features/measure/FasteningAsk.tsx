'use client';

import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Corner, Fastening } from '@/core/readings';
import { useSend } from '@/ui/field';
import { useRefresh } from '@/ui/keeper';
import { NextThing } from '@/ui/shell';
import { writeFastening } from './writes';

const COUNTS = [3, 4, 5, 6, 7, 8, 9, 10];

/** How the wheel is held on, asked once for an axle: the rotor is drawn and moved by it. */
export function FasteningAsk({ jobId, corner }: { jobId: string; corner: Corner }) {
  const [fastening, setFastening] = useState<Fastening>('studs');
  const { refresh } = useRefresh();
  const { send, busy, trouble } = useSend(writeFastening);
  return (
    <NextThing
      todo="How many studs or bolts hold this wheel?"
      why="The rotor is drawn by it and moved from one to the next. Asked once for this axle."
    >
      <div className="zh-tabs" role="group" aria-label="Wheel held on by">
        {(['studs', 'bolts'] as const).map((each) => (
          <Button
            key={each}
            variant="outline-secondary"
            aria-pressed={fastening === each}
            onClick={() => setFastening(each)}
          >
            {each === 'studs' ? 'Studs and nuts' : 'Bolts'}
          </Button>
        ))}
      </div>
      <div className="d-flex flex-wrap gap-2" role="group" aria-label="How many">
        {COUNTS.map((studs) => (
          <Button
            key={studs}
            variant={studs === 5 ? 'primary' : 'outline-secondary'}
            className="zh-figure"
            disabled={busy}
            onClick={() => send([{ jobId, corner, fastening, studs }], () => refresh())}
          >
            {studs}
          </Button>
        ))}
      </div>
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </NextThing>
  );
}
