'use client';

import { useEffect, useMemo, useRef, useState, type ComponentType } from 'react';
import { flushSync } from 'react-dom';
import { Button } from 'react-bootstrap';
import { KNOWLEDGE } from '@/core/contracts';
import {
  FIND_MINUTES,
  findCaseOf,
  findState,
  judgeFind,
  outcomeIn,
  readCode,
  readsBeyond,
  repairPrice,
  sayCrowns,
  type FindAction,
  type FindCase,
  type FindState,
  type ReadFinding,
} from '@/core/practice';
import type { UnitSystem } from '@/core/units';
import { practiceId, usePracticeWrites, type PracticeWrite } from '@/ui/keeper';
import { NextThing } from '@/ui/shell';
import { AfterCase } from '../AfterCase';
import { AnswerForm } from '../AnswerForm';
import { PracticeFrame } from '../PracticeFrame';
import { OnStages } from '../stages/OnStages';
import { LookedAtBand, type HeldCase } from '../LookedAtBand';
import {
  findActionsOf,
  stagesIn,
  useTime,
  withSaid,
  writeFindAction,
  writeFindOutcome,
  type Worker,
} from '../run';
import { FindChecks, FoundSoFar, sayMinutes } from './FindChecks';
import { FindDebrief } from './FindDebrief';
import { Otherwise } from './Otherwise';
import { FindNose } from './FindNose';
import styles from '../practice.module.css';

interface NextToDo {
  readonly todo: string;
  readonly why: string;
  /** The corner was beyond a limit: reading it again shows whether it still is. */
  readonly isToRead?: boolean;
}

/** What is to be done now, in a sentence, with the reason. */
function nextOf(own: FindCase, state: FindState): NextToDo {
  const wasBeyond = readsBeyond(state.found);
  const isBeyond = readsBeyond(state.readAfter);
  if (state.isShown && state.isPumped) {
    const by = state.drive === 'gone' ? 'driving' : 'reading';
    return { todo: 'It is gone. Give the car back.', why: `Shown by ${by} it.` };
  }
  if (isBeyond) {
    return {
      todo: 'It still reads beyond its limit: that was not all of it.',
      why: 'Look on before it is driven or given back.',
    };
  }
  if (!state.isPumped) {
    return {
      todo: 'Pump the pedal and spin the wheels.',
      why: 'Where pistons moved the first presses meet nothing.',
    };
  }
  if (state.drive === 'there') {
    return { todo: 'It is still there: that was not it.', why: 'Ask, look or measure on.' };
  }
  if (state.repairs.length > 0 && state.danger === null) {
    const todo = wasBeyond ? 'Read it again, or drive it: is it gone?' : 'Drive it: is it gone?';
    return { todo, why: 'What was not shown is not known.', isToRead: wasBeyond };
  }
  return {
    todo: 'Find what is wrong with this car, put it right, and show it.',
    why: `The customer complains of its ${own.axle} axle. Every question, look and drive takes minutes.`,
  };
}

/** What is put right: every cause that this axle can have, with its price. */
const Repairs = ({
  own,
  state,
  onSay,
  onLeave,
}: {
  readonly own: FindCase;
  readonly state: FindState;
  readonly onSay: (code: string) => void;
  readonly onLeave: () => void;
}) => (
  <AnswerForm
    asked="What is wrong with it, and put right now?"
    answers={own.knowledge.causes
      .filter(({ axle }) => axle === null || axle === own.axle)
      .filter(({ code }) => !state.repairs.some((each) => each.code === code))
      .map((cause) => {
        const { cost, minutes } = repairPrice(cause);
        return {
          value: cause.code,
          name: cause.name,
          note: `${sayCrowns(cost)}, ${sayMinutes(minutes)}`,
        };
      })}
    button="Put it right"
    leave="Look on"
    {...{ onSay, onLeave }}
  />
);

/** What the bench of a car’s corner is given. */
export interface CarBenchProps {
  readonly own: FindCase;
  /** Under which it is kept on this device. */
  readonly id: string;
  readonly writes: readonly PracticeWrite[];
  readonly state: FindState;
  readonly units: UnitSystem;
  readonly onNote: (found: readonly ReadFinding[]) => void;
  readonly onLeave: () => void;
}

/** What the drawing of a car’s corner is given. */
export interface CarCornerProps {
  readonly own: FindCase;
  readonly state: FindState;
  /** Looks at what a check is about. */
  readonly onLook: (code: string) => void;
}

/** The real stages that a car is worked on with: the bench of its corner, what its recording says, and its parts as they are drawn. */
export interface CarStages {
  readonly Bench: ComponentType<CarBenchProps>;
  readonly Recording: ComponentType<{ readonly own: FindCase; readonly units: UnitSystem }>;
  readonly Corner: ComponentType<CarCornerProps>;
}

/** A car as it stands on this device. */
function useCar(code: string, held: HeldCase | null) {
  const own = useMemo(() => findCaseOf(readCode(code)!, KNOWLEDGE), [code]);
  const id = practiceId(code, useTime(code));
  const here = usePracticeWrites(id);
  const writes = held?.writes ?? here;
  const actions = useMemo(() => findActionsOf(writes), [writes]);
  const state = useMemo(() => findState(own, actions), [own, actions]);
  const outcome = outcomeIn(writes);
  return { own, id, writes, actions, state, outcome };
}

interface FindRoomProps {
  readonly code: string;
  readonly who: Worker | null;
  readonly units: UnitSystem;
  /** A car that somebody handed in: it is looked at, and nothing is done at it. */
  readonly held: HeldCase | null;
  readonly stages: CarStages;
}

/** A whole car whose fault is known: asked about, driven, looked at, put right and shown; nothing leaves this device. */
export function FindRoom({ code, who, units, held, stages: parts }: FindRoomProps) {
  const { own, id, writes, actions, state, outcome } = useCar(code, held);
  const [isChoosing, setChoosing] = useState(false);
  const [isAtBench, setAtBench] = useState(false);
  const isOver = outcome !== null || state.isOver;
  // A car that was handed in may have been worked on the stages of a job.
  const stages = useMemo(() => (held ? stagesIn(held.writes) : null), [held]);
  const result = useMemo(
    () => (isOver ? withSaid(own, judgeFind(own, actions), stages?.saidCode ?? null) : null),
    [isOver, own, actions, stages],
  );
  const done = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (isOver) done.current?.querySelector('h2')?.focus();
  }, [isOver]);
  const place = useRef<HTMLDivElement>(null);
  /** Goes to the bench, or from it: what is to be done there comes first, wherever the page stood. */
  const goToBench = (isThere: boolean): void => {
    if (isThere === isAtBench) return;
    flushSync(() => setAtBench(isThere));
    place.current?.focus();
  };
  const act = (action: FindAction): void => {
    setChoosing(false);
    goToBench(false);
    const all = [...actions, action];
    void writeFindAction(id, action, actions.length);
    if (findState(own, all).isOver) void writeFindOutcome(id, code, who, judgeFind(own, all));
  };
  const { todo, why, isToRead = false } = nextOf(own, state);
  return (
    <PracticeFrame
      title={<span className="zh-figure">{code}</span>}
      aside={
        <>
          <span className="zh-figure">{state.minutes.toFixed(0)} min</span> ·{' '}
          <span className="zh-figure">{sayCrowns(state.money)}</span>{' '}
          {!isOver && (
            <Button variant="secondary" onClick={() => act({ kind: 'back' })}>
              Give it back
            </Button>
          )}
        </>
      }
    >
      {held && <LookedAtBand held={held} />}
      <div ref={place} tabIndex={-1} />
      {result ? (
        <div ref={done}>
          <FindDebrief
            {...{ own, actions, result, units }}
            whose={held?.person ?? null}
            left={stages?.left ?? null}
          />
          {stages && <Otherwise {...{ own, units }} otherwise={stages.otherwise} />}
          {!held && <AfterCase {...{ own: readCode(code)!, code }} />}
        </div>
      ) : isAtBench ? (
        <parts.Bench
          {...{ own, id, writes, state, units }}
          onNote={(found) => act({ kind: state.repairs.length > 0 ? 'reread' : 'read', found })}
          onLeave={() => goToBench(false)}
        />
      ) : (
        <>
          {state.danger !== null && (
            <p className="zh-stop" role="alert">
              <strong>Do not drive it:</strong> {state.danger}.
            </p>
          )}
          {actions.length === 0 && !held && (
            <section className="zh-card mb-3">
              <p className="mb-2">
                Here everything stands on one page. On the stages of a job the same car is asked,
                driven, stripped, measured, decided, rebuilt and signed as any other, in records of
                practice alone.
              </p>
              <OnStages code={code} />
            </section>
          )}
          <NextThing {...{ todo, why }}>
            {isToRead && (
              <Button variant="secondary" onClick={() => goToBench(true)}>
                Read {own.corner} again
              </Button>
            )}
            {!state.isPumped && (
              <Button onClick={() => act({ kind: 'pedal' })}>
                Pump the pedal ({FIND_MINUTES.pedal} min)
              </Button>
            )}
            <Button
              variant={
                state.repairs.length > 0 && state.isPumped && !state.isShown
                  ? 'primary'
                  : 'outline-secondary'
              }
              onClick={() => act({ kind: 'drive' })}
            >
              Drive it ({FIND_MINUTES.drive} min)
            </Button>
            <Button
              variant="outline-secondary"
              aria-expanded={isChoosing}
              onClick={() => setChoosing(!isChoosing)}
            >
              Put something right …
            </Button>
          </NextThing>
          {isChoosing && (
            <Repairs
              {...{ own, state }}
              onSay={(cause) => act({ kind: 'repair', code: cause })}
              onLeave={() => setChoosing(false)}
            />
          )}
          <div className={styles.car}>
            <FoundSoFar {...{ own, state, units }} />
            <FindChecks
              {...{ own, state }}
              onDo={act}
              onBench={isToRead ? null : () => goToBench(true)}
            />
            <div className={styles.carNose}>
              <FindNose {...{ own, state }} onDo={act} />
              {state.repairs.length === 0 && (
                <parts.Corner
                  {...{ own, state }}
                  onLook={(look) => act({ kind: 'check', code: look })}
                />
              )}
              {state.found.some(({ code: found }) => found === 'recording') && (
                <parts.Recording {...{ own, units }} />
              )}
            </div>
          </div>
        </>
      )}
    </PracticeFrame>
  );
}
