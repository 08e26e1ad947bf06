'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { KNOWLEDGE } from '@/core/contracts';
import { sayFound, type Finding } from '@/core/diagnosis';
import {
  checkMinutes,
  judgeReplay,
  recordedOf,
  replayChecksLeft,
  replayState,
  type ReplayAction,
  type ReplayCase,
} from '@/core/practice';
import { CORNER_NAME } from '@/core/readings';
import type { UnitSystem } from '@/core/units';
import type { Replay } from '@/server/practice/replay';
import { practiceAgain, practiceId, usePracticeWrites } from '@/ui/keeper';
import { NextThing } from '@/ui/shell';
import { AnswerForm } from '../AnswerForm';
import { Checks, Known, sayMinutes } from '../find/FindChecks';
import { AllCases, PracticeFrame } from '../PracticeFrame';
import { replayActionsOf, useTime, writeReplayAction } from '../run';
import { GivenSets } from './GivenSets';
import { ReplayDebrief } from './ReplayDebrief';
import styles from '../practice.module.css';

/** What was recorded of a finding, in words. */
function sayRecorded(own: ReplayCase, finding: Finding): string {
  const all = recordedOf(own, finding.code);
  if (all.length === 0) return 'nobody wrote that down';
  return all
    .map(({ value, corner }) =>
      corner ? `${sayFound(finding, value)} (${CORNER_NAME[corner]})` : sayFound(finding, value),
    )
    .join('; ');
}

/** A job as it is worked again on this device. */
function useReplay({ number, axle, found, causes }: Replay) {
  const name = `job ${number}`;
  const own = useMemo(
    (): ReplayCase => ({ number, axle, found, causes, knowledge: KNOWLEDGE }),
    [number, axle, found, causes],
  );
  const id = practiceId(name, useTime(name));
  const writes = usePracticeWrites(id);
  const actions = useMemo(() => replayActionsOf(writes), [writes]);
  const state = useMemo(() => replayState(own, actions), [own, actions]);
  const result = useMemo(
    () => (state.answer === null ? null : judgeReplay(own, actions)),
    [own, actions, state.answer],
  );
  const act = (action: ReplayAction): void => void writeReplayAction(id, action, actions.length);
  return { name, own, state, result, act };
}

/** A signed job of this shop, worked again: what was found in it is given when it is asked for. */
export function ReplayRoom({
  replay,
  units,
}: {
  readonly replay: Replay;
  readonly units: UnitSystem;
}) {
  const { name, own, state, result, act } = useReplay(replay);
  const [isAnswering, setAnswering] = useState(false);
  const done = useRef<HTMLDivElement>(null);
  const isOver = result !== null;
  useEffect(() => {
    if (isOver) done.current?.querySelector('h2')?.focus();
  }, [isOver]);
  const findingOf = (code: string): Finding =>
    own.knowledge.findings.find((each) => each.code === code)!;
  return (
    <PracticeFrame
      title={`job ${own.number}, worked again`}
      say="The job is signed: nothing that you do here is on its record."
      aside={<span className="zh-figure">{sayMinutes(state.minutes)}</span>}
    >
      {result && state.answer !== null ? (
        <div ref={done}>
          <ReplayDebrief {...{ own, result }} answer={state.answer} told={replay.told} />
          <p className="d-flex flex-wrap gap-2">
            <Button variant="outline-secondary" onClick={() => practiceAgain(name)}>
              Work it again
            </Button>
            <AllCases />
          </p>
        </div>
      ) : (
        <NextThing
          todo="Say what is wrong with it, before you see what it was signed with."
          why={`${replay.vehicle}: “${replay.complaint}” What was written down is given when you ask for it.`}
        >
          <Button
            variant="outline-secondary"
            aria-expanded={isAnswering}
            onClick={() => setAnswering(!isAnswering)}
          >
            Say what is wrong …
          </Button>
        </NextThing>
      )}
      {!isOver && isAnswering && (
        <AnswerForm
          asked="What is wrong with it?"
          answers={own.knowledge.causes
            .filter(({ axle }) => axle === null || axle === own.axle)
            .map((cause) => ({ value: cause.code, name: cause.name }))}
          button="Show what it was signed with"
          leave="Look on"
          onSay={(code) => {
            setAnswering(false);
            act({ kind: 'answer', code });
          }}
          onLeave={() => setAnswering(false)}
        />
      )}
      <div className={styles.car}>
        <Known
          lines={state.asked.map((code) => {
            const finding = findingOf(code);
            return { title: finding.title, say: sayRecorded(own, finding) };
          })}
        />
        <GivenSets
          sets={replay.sets}
          given={state.sets}
          units={units}
          onAsk={isOver ? null : ({ id, readings }) => act({ kind: 'set', id, readings })}
        />
        {!isOver && (
          <Checks
            left={replayChecksLeft(own, state)}
            minutesOf={(finding) => checkMinutes(own, state, finding)}
            done={state.asked.length}
            onAsk={(code) => act({ kind: 'check', code })}
          />
        )}
      </div>
    </PracticeFrame>
  );
}
