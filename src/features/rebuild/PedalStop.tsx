'use client';

import Link from '@/ui/Link';
import { hasSingleKeys, isKeyFor, useKeyFor, type KeyUse } from '@/ui/keys';
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { chime } from '@/ui/chime';
import { sayTime, type StepView } from './model';
import { Signed } from '@/ui/procedure';
import { AskWhy, useStep } from './StepTick';

interface PedalStopProps {
  readonly jobId: string;
  /** Steps that still count; null where they are open. */
  readonly firm: StepView | null;
  readonly held: StepView | null;
  readonly level: StepView | null;
  /** What is on file, counting or not: what is written over. */
  readonly stored: Readonly<Record<'firm' | 'hold' | 'held' | 'level', StepView | null>>;
  /** Seconds since the minute was begun, or null. */
  readonly begun: number | null;
  readonly holdSeconds: number;
  /** Why the pedal must not be touched now, in words, or null. */
  readonly loose: string | null;
  /** What the house does about pumping. */
  readonly rule: string;
  readonly moved: readonly string[];
  /** Who is here: the name that is put under it. */
  readonly who: ReactNode;
}

/** Enter presses nothing here: whoever runs through the screens with it stops. */
const notByEnter = (event: KeyboardEvent): void => {
  if (event.key === 'Enter') event.preventDefault();
};

/** The letter that presses a button here. */
const Letter = ({ use }: { readonly use: KeyUse }) => <kbd>{useKeyFor(use).toUpperCase()}</kbd>;

/** Counts the minute down from when it was begun; null while it was not. */
function useMinute(begun: number | null, seconds: number): number | null {
  const [left, setLeft] = useState<number | null>(begun === null ? null : seconds - begun);
  useEffect(() => {
    if (begun === null) return;
    const end = performance.now() + (seconds - begun) * 1000;
    const tick = (): void => setLeft(Math.max(0, (end - performance.now()) / 1000));
    tick();
    const timer = setInterval(tick, 250);
    return () => clearInterval(timer);
  }, [begun, seconds]);
  return begun === null ? null : left;
}

/** The hard stop: the pedal pumped firm, held for a minute, the level set; by name and time. */
export function PedalStop(props: PedalStopProps) {
  const { jobId, firm, held, level, stored, loose, rule, moved, holdSeconds } = props;
  const key = (item: string) => ({ jobId, kind: 'pedal' as const, place: '', item });
  const writeFirm = useStep(key('firm'), stored.firm);
  const writeHold = useStep(key('hold'), stored.hold);
  const writeHeld = useStep(key('held'), stored.held);
  const writeLevel = useStep(key('level'), stored.level);
  const left = useMinute(firm && !held ? props.begun : null, holdSeconds);
  const isOver = left !== null && left <= 0;
  const rung = useRef(false);
  useEffect(() => {
    if (isOver && !rung.current) chime('done');
    rung.current = isOver;
  }, [isOver]);
  const sank = held?.value === 'sank';
  const trouble = writeFirm.trouble ?? writeHold.trouble ?? writeHeld.trouble ?? writeLevel.trouble;
  const busy = writeFirm.busy || writeHold.busy || writeHeld.busy || writeLevel.busy;
  const steps: readonly {
    readonly use: KeyUse;
    readonly isOpen: boolean;
    readonly press: () => void;
  }[] = [
    { use: 'firm', isOpen: firm === null, press: () => writeFirm.write('done') },
    {
      use: 'hold',
      isOpen: firm !== null && held === null && left === null,
      press: () => writeHold.write('done'),
    },
    { use: 'held', isOpen: isOver && held === null, press: () => writeHeld.write('held') },
    {
      use: 'sank',
      isOpen: firm !== null && held === null && left !== null,
      press: () => writeHeld.write('sank'),
    },
    {
      use: 'level',
      isOpen: held?.value === 'held' && level === null,
      press: () => writeLevel.write('done'),
    },
  ];
  const latest = useRef(steps);
  useEffect(() => {
    latest.current = steps;
  });
  useEffect(() => {
    if (loose !== null) return;
    const listen = (event: globalThis.KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      if (!hasSingleKeys()) return;
      const step = latest.current.find(({ use }) => isKeyFor(use, event.key));
      if (!step?.isOpen) return;
      event.preventDefault();
      step.press();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [loose]);
  const isDone = firm !== null && held?.value === 'held' && level !== null;
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    // Everything behind it is out of reach; it takes the focus itself, and none of its buttons does.
    const stop = dialog.current;
    if (stop && !stop.open) {
      stop.showModal();
      stop.focus();
    }
    return () => stop?.close();
  }, []);
  return (
    <dialog
      ref={dialog}
      className="zh-pedal"
      aria-labelledby="zh-pedal"
      aria-describedby="zh-pedal-about"
      tabIndex={-1}
      onKeyDown={notByEnter}
      onCancel={(event) => event.preventDefault()}
    >
      <div className="zh-pedal-inner">
        <p className="zh-pedal-stop" aria-hidden="true">
          STOP
        </p>
        <h1 id="zh-pedal">
          {isDone ? 'The pedal is firm' : 'The first presses of this pedal meet nothing.'}
        </h1>
        {!isDone && (
          <p className="zh-pedal-danger" id="zh-pedal-about">
            Whoever moves the vehicle now drives without brakes. Pump until it is firm, before it is
            moved or put in gear.
          </p>
        )}
        {props.who}
        {moved.length > 0 && !isDone && <p className="zh-muted">Because: {moved.join('; ')}.</p>}
        {loose !== null ? (
          <div className="zh-stop" role="alert">
            <strong>Do not touch the pedal.</strong> {loose} A piston without its rotor jumps out.
          </div>
        ) : (
          <ol className="zh-pedal-steps">
            <li data-done={firm !== null}>
              <h2>1 · Firm</h2>
              <p>{rule} Stop when it is high and firm.</p>
              {firm ? (
                <p className="mb-0">
                  ✓ Firm. <Signed written={firm} />
                </p>
              ) : (
                <button
                  type="button"
                  className="btn btn-primary"
                  disabled={busy}
                  onClick={() => writeFirm.write('done')}
                >
                  It is firm <Letter use="firm" />
                </button>
              )}
            </li>
            <li data-done={held !== null}>
              <h2>2 · Held for a minute</h2>
              <p>Press as for a hard stop and hold. It must not sink.</p>
              {firm && !held && left === null && (
                <button
                  type="button"
                  className="btn btn-primary"
                  disabled={busy}
                  onClick={() => writeHold.write('done')}
                >
                  My foot is on it: start the minute <Letter use="hold" />
                </button>
              )}
              {left !== null && (
                <>
                  <p className="zh-pedal-time zh-figure" role="timer" aria-live="off">
                    {sayTime(left)}
                  </p>
                  <div className="d-flex flex-wrap gap-2">
                    <button
                      type="button"
                      className="btn btn-primary"
                      disabled={busy || !isOver}
                      onClick={() => writeHeld.write('held')}
                    >
                      It did not sink <Letter use="held" />
                    </button>
                    <button
                      type="button"
                      className="btn btn-outline-secondary"
                      disabled={busy}
                      onClick={() => writeHeld.write('sank')}
                    >
                      It sank <Letter use="sank" />
                    </button>
                  </div>
                </>
              )}
              {held && !sank && (
                <p className="mb-0">
                  ✓ Held, did not sink. <Signed written={held} />
                </p>
              )}
              {sank && (
                <div className="zh-stop" role="alert">
                  <strong>It sank: the vehicle stays where it is.</strong> Look for the leak, bleed,
                  then begin again. <Signed written={held} />{' '}
                  <button
                    type="button"
                    className="btn btn-outline-secondary"
                    disabled={busy}
                    onClick={() => writeHeld.write(null)}
                  >
                    Put right: hold it again
                  </button>
                  <AskWhy sayWhy={writeHeld.sayWhy} />
                </div>
              )}
            </li>
            <li data-done={level !== null}>
              <h2>3 · Fluid level set, cap on</h2>
              <p>Between the marks, cap tight, no leak anywhere.</p>
              {held?.value === 'held' && !level && (
                <button
                  type="button"
                  className="btn btn-primary"
                  disabled={busy}
                  onClick={() => writeLevel.write('done')}
                >
                  Level set, cap on, no leaks <Letter use="level" />
                </button>
              )}
              {level && (
                <p className="mb-0">
                  ✓ Level set. <Signed written={level} />
                </p>
              )}
            </li>
          </ol>
        )}
        {trouble && (
          <p className="zh-error" role="alert">
            {trouble}
          </p>
        )}
        <Link
          className={`btn mt-3 ${isDone ? 'btn-primary' : 'btn-outline-secondary'}`}
          href={`/jobs/${jobId}/rebuild`}
          // The way out may be taken by Enter; what it leaves open stays open.
          onKeyDown={(event) => event.stopPropagation()}
        >
          {isDone ? 'On with the rebuild' : 'Back: the vehicle stays where it is'}
        </Link>
      </div>
    </dialog>
  );
}
