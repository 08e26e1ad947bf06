'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef } from 'react';
import { Button } from 'react-bootstrap';
import { measuredSet } from '@/core/assessment';
import {
  faultsLeft,
  judgeRead,
  newCode,
  caseOf,
  readCode,
  type PracticeCase,
} from '@/core/practice';
import type { UnitSystem } from '@/core/units';
import { withHeld } from '@/features/measure/held';
import { MeasureBench } from '@/features/measure/MeasureBench';
import type { BenchCorner } from '@/features/measure/model';
import {
  actionsOf,
  AllCases,
  BenchLooks,
  Debrief,
  outcomeOf,
  PracticeFrame,
  readingsOf,
  useTime,
  useWrites,
  writeAction,
  writeOutcome,
} from '@/features/practice';
import { practiceAgain, practiceId } from '@/ui/keeper';
import { NextThing } from '@/ui/shell';

interface CaseRoomProps {
  readonly code: string;
  readonly who: string | null;
  readonly units: UnitSystem;
}

const TASK: Readonly<Record<PracticeCase['subject'], string>> = {
  dial: 'Read the runout of this corner so that the figure can be trusted.',
  micrometer: 'Read the thickness of this corner so that the figures can be trusted.',
  both: 'Read runout and thickness of this corner so that the figures can be trusted.',
};

const ONLY: Readonly<Record<PracticeCase['subject'], BenchCorner['only']>> = {
  dial: 'runout',
  micrometer: 'thickness',
  both: undefined,
};

/** What follows a case: the next one of its subject, made when it is asked for. */
function After({ own }: { readonly own: PracticeCase }) {
  const router = useRouter();
  return (
    <p className="d-flex flex-wrap gap-2">
      <Button onClick={() => router.push(`/practice/${newCode(own, Math.random())}`)}>
        Next case
      </Button>
      <Button variant="outline-secondary" onClick={() => practiceAgain(own.code)}>
        Work it again
      </Button>
      <AllCases />
    </p>
  );
}

/** A case as it stands on this device: its bench as it was put right so far, and what would come of it now. */
function useCase(code: string, units: UnitSystem) {
  const own = useMemo(() => caseOf(readCode(code)!), [code]);
  const id = practiceId(code, useTime(code));
  const writes = useWrites(id);
  const actions = useMemo(() => actionsOf(writes), [writes]);
  const sets = useMemo(() => withHeld([], writes), [writes]);
  const faults = JSON.stringify(faultsLeft(own.faults, actions));
  const corner = useMemo<BenchCorner>(
    () => ({
      ...{ jobId: id, whose: `Practice ${code}`, corner: own.corner, phase: 'before' },
      ...{ fastening: 'studs', studs: own.studs, allowedShifts: null, limits: own.limits },
      ...{ isCheck: true, units, gauges: [] },
      only: ONLY[own.subject],
      // What was put right changes what the gauges show, and nothing else does.
      practice: { corner: own.virtual, faults: JSON.parse(faults) as object },
    }),
    [id, code, own, units, faults],
  );
  const result = useMemo(() => {
    const counted = sets.filter(({ isAside }) => !isAside);
    const measured = counted.flatMap((set) => measuredSet(set) ?? []);
    return judgeRead(own, measured, actions, readingsOf(writes));
  }, [own, sets, actions, writes]);
  return { own, id, actions, sets, corner, result, outcome: outcomeOf(writes) };
}

/** A case, worked on the bench that real corners are read on; what is written stays on this device. */
export function CaseRoom({ code, who, units }: CaseRoomProps) {
  const { own, id, actions, sets, corner, result, outcome } = useCase(code, units);
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
              disabled={result.figures.every(({ found }) => found === null)}
              onClick={() => void writeOutcome(id, code, who, result)}
            >
              Done: show the truth
            </Button>
          )}
        </>
      }
    >
      {outcome && (
        <div ref={done}>
          <Debrief {...{ own, result, units }} />
          <After own={own} />
        </div>
      )}
      {!outcome && sets.length === 0 && (
        <NextThing
          todo={TASK[own.subject]}
          why="Something at the bench may be wrong, or nothing: looking costs minutes, not looking costs the figure."
        />
      )}
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
          wanted={own.subject === 'micrometer' ? 'thickness' : 'runout'}
          nextHref="/practice"
          nextLabel="All cases"
        />
      )}
    </PracticeFrame>
  );
}
