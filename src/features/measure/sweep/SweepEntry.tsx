'use client';

import { Button } from 'react-bootstrap';
import { useEffect, useEffectEvent, useRef, type ReactNode } from 'react';
import type { SweepRecord } from '@/core/assessment';
import { fastenerName, type SweptLap } from '@/core/readings';
import { formatIn } from '@/core/units';
import { isFree } from '@/ui/keys';
import { gaugeOf, type BenchCorner, type BenchSet } from '../model';
import { SerialGauge } from '../SerialGauge';
import { useSweep, type Sweeping } from './useSweep';
import { VirtualSweep } from './VirtualSweep';

export interface SweepEntryProps {
  readonly set: BenchSet;
  readonly corner: BenchCorner;
  readonly lap: number;
  readonly onBegun: () => void;
  readonly onSwept: (sweep: SweepRecord, lap: SweptLap) => void;
  readonly onDraw: (values: readonly (number | null)[] | null) => void;
}

/** What is pressed next: the mark leaves, a stud passes, the mark is back. */
function nextMark(marked: number, { studs, fastening }: BenchCorner): string {
  if (marked === 0) return 'Start: the mark leaves the probe';
  if (marked === studs) return 'The mark is back';
  return `${fastening === 'studs' ? 'Stud' : 'Bolt'} ${marked + 1} passes`;
}

/** The key that is pressed as the studs pass, under the hand that turns: felt at once, not when it is let go. */
function MarkButton({ sweep, label }: { readonly sweep: Sweeping; readonly label: string }) {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => button.current?.focus({ preventScroll: true }), []);
  const press = useEffectEvent((event: KeyboardEvent) => {
    const isElsewhere =
      event.target instanceof HTMLElement && event.target.closest('button, a, summary') !== null;
    const isOwn = event.target === button.current || (isFree(event) && !isElsewhere);
    if (!isOwn || event.repeat || (event.key !== ' ' && event.key !== 'Enter')) return;
    event.preventDefault();
    sweep.mark();
  });
  useEffect(() => {
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
  return (
    <Button
      ref={button}
      size="lg"
      className="w-100"
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.preventDefault();
        sweep.mark();
      }}
      // By a finger or a key it is marked already; a screen reader presses without either.
      onClick={(event) => {
        if (
          event.detail === 0 &&
          event.nativeEvent instanceof PointerEvent &&
          event.nativeEvent.pointerType === ''
        ) {
          sweep.mark();
        }
      }}
      onKeyUp={(event) => {
        if (event.key === ' ') event.preventDefault();
      }}
    >
      {label} <span className="fw-normal">(Space)</span>
    </Button>
  );
}

/** What is done while the turn goes on, and what of it was not taken. */
function Going({ sweep, corner }: { readonly sweep: Sweeping; readonly corner: BenchCorner }) {
  const { phase, marked, refused, readings } = sweep.state;
  const nut = fastenerName(corner.fastening);
  if (phase === 'ready') {
    return (
      <>
        {refused && (
          <p className="zh-error" role="alert">
            {refused}
          </p>
        )}
        <p className="mb-2">
          Dial at rest on the chalk mark, {nut} 1. Start, turn the wheel forward once round in some
          15 s without a stop, and press as each {nut} passes the probe.
        </p>
      </>
    );
  }
  return (
    <div className="d-flex flex-wrap gap-2 align-items-center mt-2">
      {marked === 1 && (
        <Button variant="outline-secondary" onClick={sweep.ends}>
          The mark is back, no {nut} marked
        </Button>
      )}
      <Button variant="outline-secondary" onClick={sweep.again}>
        Leave this turn
      </Button>
      <span className="zh-muted">{readings} readings</span>
    </div>
  );
}

/** A lap in one slow turn: a gauge sends as the wheel goes round, a key marks where it is. */
export function SweepEntry({ set, corner, lap, onBegun, onSwept, onDraw }: SweepEntryProps) {
  const card = useRef<HTMLElement>(null);
  const sweep = useSweep({
    studs: corner.studs,
    positions: lap === 0 ? undefined : set.positions,
    ...{ onBegun, onSwept, onDraw },
  });
  const { shows, marked, phase } = sweep.state;
  const isTurning = phase === 'turning';
  // What is pressed and what is seen stand on the first screen while both hands are at the wheel.
  useEffect(() => {
    if (isTurning) card.current?.scrollIntoView({ block: 'start' });
  }, [isTurning]);
  const gauge = gaugeOf(set, corner);
  const source = (): ReactNode => {
    if (set.isVirtual || corner.practice) {
      return <VirtualSweep {...{ set, corner, isTurning }} onReading={sweep.take} />;
    }
    if (!gauge?.lineFormat) {
      return (
        <p className="zh-error">
          No gauge on a cable is known here: say on the Workshop page how its lines are read, or
          read this corner place by place.
        </p>
      );
    }
    return (
      <SerialGauge
        name={gauge.name}
        format={gauge.lineFormat}
        onReading={({ value, unit }) => sweep.take(value, unit)}
      />
    );
  };
  return (
    <section ref={card} className="zh-card" aria-label={`Sweep of lap ${lap + 1}`}>
      <p className="zh-figure zh-figure-large mb-1">
        {shows === null ? '…' : formatIn(corner.units, 'deviation', shows)}
      </p>
      {phase === 'ready' && <Going {...{ sweep, corner }} />}
      <MarkButton sweep={sweep} label={nextMark(marked, corner)} />
      {phase === 'turning' && <Going {...{ sweep, corner }} />}
      <div className="mt-3">{source()}</div>
    </section>
  );
}
