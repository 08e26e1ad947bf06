'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { measuredSet } from '@/core/assessment';
import {
  cornerCase,
  faultsLeft,
  isRead,
  judgeCase,
  outcomeIn,
  type CaseResult,
  type CaseWork,
  type PracticeCase,
} from '@/core/practice';
import type { UnitSystem } from '@/core/units';
import { withHeld } from '@/features/measure/held';
import { MeasureBench } from '@/features/measure/MeasureBench';
import type { BenchCorner } from '@/features/measure/model';
import {
  actionsOf,
  AfterCase,
  ApartAnswer,
  ApartDebrief,
  BenchLooks,
  CaseWay,
  Debrief,
  DecideAnswer,
  DecideDebrief,
  LookedAtBand,
  PracticeFrame,
  readingsOf,
  sayLimits,
  useTime,
  writeAction,
  writeOutcome,
  type HeldCase,
  type Worker,
} from '@/features/practice';
import { practiceId, usePracticeWrites } from '@/ui/keeper';
import { NextThing } from '@/ui/shell';

interface CaseRoomProps {
  readonly code: string;
  readonly who: Worker | null;
  readonly units: UnitSystem;
  /** A case that somebody handed in: it is looked at, and nothing is done in it. */
  readonly held: HeldCase | null;
}

const READ_TASK: Readonly<Record<PracticeCase['subject'], string>> = {
  dial: 'Read the runout of this corner so that the figure can be trusted.',
  micrometer: 'Read the thickness of this corner so that the figures can be trusted.',
  both: 'Read runout and thickness of this corner so that the figures can be trusted.',
};

const READ_ONLY: Readonly<Record<PracticeCase['subject'], BenchCorner['only']>> = {
  dial: 'runout',
  micrometer: 'thickness',
  both: undefined,
};

interface Task {
  readonly todo: string;
  readonly why: string;
  readonly only: BenchCorner['only'];
  /** What ends it: an answer is asked first, or the truth is shown. */
  readonly button: string;
}

/** What a case asks for, and which readings its bench offers. */
function taskOf({ level, subject, limits }: PracticeCase, units: UnitSystem): Task {
  switch (level) {
    case 'apart':
      return {
        todo: 'Runout is beyond here: find out where it comes from, and leave the rotor where it sits best.',
        why: 'What stays with the rotor when it is moved on is the rotor’s; what stays with the studs is the hub’s.',
        only: 'runout',
        button: 'Done: say where it comes from',
      };
    case 'decide':
      return {
        todo: 'Read runout and thickness, then decide what is done about this rotor.',
        why: `${sayLimits(limits, units)}. What can be cut, what a part costs and what comes back settle it; the gauges are sound.`,
        only: undefined,
        button: 'Done: decide',
      };
    case 'read':
      return {
        todo: READ_TASK[subject],
        why: 'Something at the bench may be wrong, or nothing: looking costs minutes, not looking costs the figure.',
        only: READ_ONLY[subject],
        button: 'Done: show the truth',
      };
  }
}

/** What was answered at the end of a case. */
type Answer = Pick<CaseWork, 'said' | 'way'>;
const NO_ANSWER: Answer = { said: null, way: null };

/** What came of a case, by its level. */
function Came({
  own,
  result,
  units,
}: {
  own: PracticeCase;
  result: CaseResult;
  units: UnitSystem;
}) {
  switch (result.level) {
    case 'apart':
      return <ApartDebrief {...{ own, result, units }} />;
    case 'decide':
      return <DecideDebrief {...{ own, result, units }} />;
    case 'read':
      return <Debrief {...{ own, result, units }} />;
  }
}

/** A case as it stands on this device: its bench as it was put right so far, and what would come of it now. */
function useCase(code: string, units: UnitSystem, held: HeldCase | null) {
  const own = useMemo(() => cornerCase(code), [code]);
  const id = practiceId(code, useTime(code));
  const here = usePracticeWrites(id);
  const writes = held?.writes ?? here;
  const actions = useMemo(() => actionsOf(writes), [writes]);
  const sets = useMemo(() => withHeld([], writes), [writes]);
  const faults = JSON.stringify(faultsLeft(own.faults, actions));
  const corner = useMemo<BenchCorner>(
    () => ({
      ...{ jobId: id, whose: `Practice ${code}`, corner: own.corner, phase: 'before' },
      ...{ fastening: 'studs', studs: own.studs, allowedShifts: null, limits: own.limits },
      ...{ isCheck: true, units, gauges: [] },
      only: taskOf(own, units).only,
      isSeatFixed: own.level === 'read',
      isAnswered: own.level === 'decide',
      // What was put right changes what the gauges show, and nothing else does.
      practice: { corner: own.virtual, faults: JSON.parse(faults) as object },
    }),
    [id, code, own, units, faults],
  );
  const measured = useMemo(
    () => sets.filter(({ isAside }) => !isAside).flatMap((set) => measuredSet(set) ?? []),
    [sets],
  );
  const outcome = outcomeIn(writes);
  const readings = readingsOf(writes);
  const judge = useCallback(
    (answer: Answer) => judgeCase(own, { sets: measured, actions, readings, ...answer }),
    [own, measured, actions, readings],
  );
  const { said, way } = outcome ?? NO_ANSWER;
  const result = useMemo(() => judge({ said, way }), [judge, said, way]);
  return { own, id, writes, actions, sets, corner, judge, result, outcome };
}

/** A case, worked on the bench that real corners are read on; what is written stays on this device. */
export function CaseRoom({ code, who, units, held }: CaseRoomProps) {
  const room = useCase(code, units, held);
  const { own, id, writes, actions, sets, corner, judge, result, outcome } = room;
  const [isAnswering, setAnswering] = useState(false);
  const end = (answer: Partial<Answer>): void => {
    setAnswering(false);
    void writeOutcome(id, code, who, judge({ ...NO_ANSWER, ...answer }));
  };
  const isAsked = own.level !== 'read';
  const task = taskOf(own, units);
  const done = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (outcome) done.current?.querySelector('h2')?.focus();
  }, [outcome]);
  return (
    <PracticeFrame
      title={<span className="zh-figure">{code}</span>}
      aside={
        <>
          <span className="zh-figure">{result.minutes.toFixed(0)} min</span>{' '}
          {!outcome && (
            <Button
              variant="secondary"
              disabled={!isRead(result)}
              aria-expanded={isAsked ? isAnswering : undefined}
              onClick={() => (isAsked ? setAnswering(true) : end({}))}
            >
              {task.button}
            </Button>
          )}
        </>
      }
    >
      {held && <LookedAtBand held={held} />}
      {outcome && (
        <div ref={done}>
          <Came {...{ own, result, units }} />
          <CaseWay {...{ own, writes, units }} title={held ? `${held.person}’s way` : 'Your way'} />
          {!held && <AfterCase {...{ own, code }} />}
        </div>
      )}
      {!outcome && isAnswering && own.level === 'apart' && (
        <ApartAnswer onSay={(said) => end({ said })} onLeave={() => setAnswering(false)} />
      )}
      {!outcome && isAnswering && own.level === 'decide' && (
        <DecideAnswer
          {...{ units }}
          limits={own.limits}
          onSay={(way) => end({ way })}
          onLeave={() => setAnswering(false)}
        />
      )}
      {!outcome && sets.length === 0 && <NextThing todo={task.todo} why={task.why} />}
      <BenchLooks
        {...{ own, actions }}
        // While readings are taken it is folded up above them.
        isFolded={outcome !== null || sets.length > 0}
        isOver={outcome !== null}
        onDo={(action) => void writeAction(id, action)}
      />
      {!outcome && (
        <MeasureBench
          key={id}
          {...{ corner, sets }}
          lead={null}
          scent={null}
          expectedShift={null}
          wanted={task.only ?? 'runout'}
          nextHref="/practice"
          nextLabel="All cases"
        />
      )}
    </PracticeFrame>
  );
}
