'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { KNOWLEDGE } from '@/core/contracts';
import { findCaseOf, judgeFind, readCode, type FindAction, type FindResult } from '@/core/practice';
import type { WrittenOtherwise } from '@/core/practiceJob';
import type { UnitSystem } from '@/core/units';
import { FileLink } from '@/ui/Link';
import { AfterCase } from '../AfterCase';
import { FindDebrief } from '../find/FindDebrief';
import { Otherwise } from '../find/Otherwise';
import { PracticeFrame } from '../PracticeFrame';
import { handInStages, withSaid, type StagesLeft, type Worker } from '../run';

interface CarEndProps {
  /** Of its job in the records of practice. */
  readonly id: string;
  readonly code: string;
  readonly actions: readonly FindAction[];
  /** What it was signed with, by the code of its cause; null where it was not. */
  readonly saidCode: string | null;
  readonly otherwise: readonly WrittenOtherwise[];
  readonly left: StagesLeft['left'];
  readonly isSigned: boolean;
  /** Its job, where it is worked. */
  readonly back: string;
  readonly who: Worker | null;
  readonly units: UnitSystem;
}

/** The end of a car that was worked on the stages of a job: given back, and what was true of it. */
export function CarEnd({ id, code, actions, who, units, ...car }: CarEndProps) {
  const { left, otherwise, saidCode } = car;
  const own = useMemo(() => findCaseOf(readCode(code)!, KNOWLEDGE), [code]);
  const [result, setResult] = useState<FindResult | null>(null);
  const done = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (result) done.current?.querySelector('h2')?.focus();
  }, [result]);
  const end = (): void => {
    const judged = withSaid(own, judgeFind(own, actions), saidCode);
    setResult(judged);
    if (who) void handInStages(id, code, who, { actions, result: judged, left, otherwise });
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
          <FindDebrief {...{ own, actions, result, units, left }} />
          <Otherwise {...{ own, units, otherwise }} />
          <AfterCase own={readCode(code)!} code={code} />
        </div>
      )}
    </PracticeFrame>
  );
}
