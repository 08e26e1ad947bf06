'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { KNOWLEDGE } from '@/core/contracts';
import { isChoice } from '@/core/diagnosis';
import { findCaseOf, judgeFind, readCode, type FindAction, type FindCase } from '@/core/practice';
import type { WrittenOtherwise } from '@/core/practiceJob';
import type { UnitSystem } from '@/core/units';
import { FileLink } from '@/ui/Link';
import { AfterCase } from '../AfterCase';
import { FindDebrief } from '../find/FindDebrief';
import { sayShown } from '../find/say';
import { PracticeFrame } from '../PracticeFrame';
import { handInStages, type Worker } from '../run';

/** What was written down otherwise than it was, each with what it was. */
function Otherwise({
  own,
  otherwise,
  units,
}: {
  readonly own: FindCase;
  readonly otherwise: readonly WrittenOtherwise[];
  readonly units: UnitSystem;
}) {
  if (otherwise.length === 0) return null;
  return (
    <section className="zh-card mb-3" aria-labelledby="practice-otherwise">
      <h2 id="practice-otherwise">Written down otherwise than it was</h2>
      <ul className="mb-0">
        {otherwise.map(({ code, written }) => {
          const finding = own.knowledge.findings.find((each) => each.code === code)!;
          const label = isChoice(finding)
            ? (finding.values.find((each) => each.code === written)?.label ?? written)
            : written;
          return (
            <li key={code}>
              {finding.title}: written “{label}”, it was{' '}
              <strong>{sayShown(own, finding, units)}</strong>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

interface CarEndProps {
  /** Of its job in the records of practice. */
  readonly id: string;
  readonly code: string;
  readonly actions: readonly FindAction[];
  readonly saidCode: string | null;
  readonly otherwise: readonly WrittenOtherwise[];
  readonly left: NonNullable<Parameters<typeof FindDebrief>[0]['left']>;
  readonly isSigned: boolean;
  readonly isKept: boolean;
  /** Its job, where it is worked. */
  readonly back: string;
  readonly who: Worker | null;
  readonly units: UnitSystem;
}

/** The end of a car that was worked on the stages of a job: given back, and what was true of it. */
export function CarEnd({ id, code, actions, saidCode, who, units, ...car }: CarEndProps) {
  const own = useMemo(() => findCaseOf(readCode(code)!, KNOWLEDGE), [code]);
  const [isOver, setOver] = useState(car.isKept);
  const result = useMemo(() => {
    if (!isOver) return null;
    const judged = judgeFind(own, actions);
    const said = own.knowledge.causes.find((each) => each.code === saidCode) ?? judged.said;
    return { ...judged, said };
  }, [isOver, own, actions, saidCode]);
  const done = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (isOver && !car.isKept) done.current?.querySelector('h2')?.focus();
  }, [isOver, car.isKept]);
  const end = (): void => {
    setOver(true);
    if (who) void handInStages(id, code, who, { actions, result: judgeFind(own, actions) });
  };
  return (
    <PracticeFrame title={<span className="zh-figure">{code}</span>}>
      {result === null ? (
        <section className="zh-card mb-3">
          <p>
            {car.isSigned
              ? 'The job is signed. Give the car back, and see what was true of it.'
              : 'The job is not signed off: what was not done in it does not count. Give the car back all the same, or go on with it.'}
          </p>
          <div className="d-flex flex-wrap gap-2">
            <Button onClick={end}>Give it back</Button>
            <FileLink variant="outline-secondary" href={car.back}>
              Back to its job
            </FileLink>
          </div>
          {!who && (
            <p className="zh-muted mb-0 mt-2">
              Nobody said who is here: what comes of it is kept for nobody.
            </p>
          )}
        </section>
      ) : (
        <div ref={done}>
          <FindDebrief {...{ own, actions, result, units }} left={car.left} />
          <Otherwise {...{ own, units }} otherwise={car.otherwise} />
          <AfterCase own={readCode(code)!} code={code} />
        </div>
      )}
    </PracticeFrame>
  );
}
