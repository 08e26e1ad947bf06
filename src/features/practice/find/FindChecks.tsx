'use client';

import { useEffect, useRef, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import type { Finding, FindingStage } from '@/core/diagnosis';
import {
  checkMinutes,
  checksLeft,
  type FindAction,
  type FindCase,
  type FindState,
} from '@/core/practice';
import type { UnitSystem } from '@/core/units';
import { sayShown } from './say';
import styles from '../practice.module.css';

const PARTS: readonly { readonly stage: FindingStage; readonly title: string }[] = [
  { stage: 'complaint', title: 'Ask the customer' },
  { stage: 'road-test', title: 'Drive' },
  { stage: 'inspect', title: 'Look, rock, spin' },
  { stage: 'measure', title: 'Measure' },
];

/** Minutes as a button says them. */
export const sayMinutes = (minutes: number): string =>
  `${minutes < 1 ? minutes.toFixed(1) : Math.round(minutes)} min`;

interface ChecksProps {
  /** What can still be asked, driven, looked at or read. */
  readonly left: readonly Finding[];
  readonly minutesOf: (finding: Finding) => number;
  /** How much was asked so far. */
  readonly done: number;
  readonly onAsk: (code: string) => void;
  /** What else can be done to measure, before what is told. */
  readonly toMeasure?: ReactNode;
}

/** Everything that can still be asked, driven, looked at or read, with its minutes as the car stands. */
export function Checks({ left, minutesOf, done, onAsk, toMeasure }: ChecksProps) {
  const pressed = useRef<{ readonly stage: FindingStage; readonly at: number } | null>(null);
  const parts = useRef<HTMLDivElement>(null);
  // What was pressed is gone: what stands in its place now has the focus.
  useEffect(() => {
    const last = pressed.current;
    if (!last) return;
    pressed.current = null;
    const buttons = parts.current?.querySelectorAll<HTMLElement>(
      `[data-stage="${last.stage}"] button`,
    );
    buttons?.[Math.min(last.at, buttons.length - 1)]?.focus();
  }, [done]);
  return (
    <div ref={parts} className={styles.carChecks}>
      {PARTS.map(({ stage, title }) => {
        const of = left.filter((finding) => finding.stage === stage);
        return of.length === 0 ? null : (
          <details key={stage} className="zh-card mb-2" data-stage={stage} open>
            <summary className="zh-fold">{`${title} (${of.length})`}</summary>
            {stage === 'measure' && toMeasure}
            <div className={styles.checks}>
              {of.map((finding, at) => (
                <Button
                  key={finding.code}
                  variant="outline-secondary"
                  onClick={() => {
                    pressed.current = { stage, at };
                    onAsk(finding.code);
                  }}
                >
                  {finding.stage === 'complaint' ? finding.question : finding.title}{' '}
                  <span className="fw-normal">{sayMinutes(minutesOf(finding))}</span>
                </Button>
              ))}
            </div>
          </details>
        );
      })}
    </div>
  );
}

interface FindChecksProps {
  readonly own: FindCase;
  readonly state: FindState;
  readonly onDo: (action: FindAction) => void;
}

/** The checks of a car; what gauges tell is read at its bench, or told as another reads it. */
export const FindChecks = ({
  own,
  state,
  onDo,
  onBench,
}: FindChecksProps & {
  /** Goes to the bench of the corner; null where that is offered elsewhere. */
  readonly onBench: (() => void) | null;
}) => (
  <Checks
    toMeasure={
      onBench && (
        <p className="mb-2">
          <Button variant="secondary" onClick={onBench}>
            {state.repairs.length > 0 ? `Read ${own.corner} again` : `Take gauges to ${own.corner}`}
          </Button>{' '}
          {state.repairs.length === 0 && (
            <span className="zh-muted">or have somebody else read it:</span>
          )}
        </p>
      )
    }
    left={checksLeft(own, state)}
    minutesOf={(finding) => checkMinutes(own, state, finding)}
    done={state.found.length}
    onAsk={(code) => onDo({ kind: 'check', code })}
  />
);

/** What is known so far, the latest first. */
export const Known = ({
  lines,
}: {
  readonly lines: readonly { readonly title: string; readonly say: string }[];
}) => (
  <section className={`zh-card ${styles.carKnown}`} aria-labelledby="practice-found">
    <h2 id="practice-found">What is known</h2>
    {lines.length === 0 && <p className="zh-muted mb-0">Nothing yet: ask first.</p>}
    <div aria-live="polite">
      {lines.length > 0 && (
        <div className={styles.found} tabIndex={0} role="region" aria-label="The latest first">
          <ul className="list-unstyled mb-0">
            {[...lines].reverse().map(({ title, say }) => (
              <li key={title}>
                <span className="zh-muted">{title}:</span> <strong>{say}</strong>
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  </section>
);

/** What was found at a car so far. */
export const FoundSoFar = ({
  own,
  state,
  units,
}: Omit<FindChecksProps, 'onDo'> & { readonly units: UnitSystem }) => (
  <Known
    lines={[...state.found, ...state.readAfter].map(({ code, value }, i) => {
      const finding = own.knowledge.findings.find((each) => each.code === code)!;
      const title = i < state.found.length ? finding.title : `${finding.title}, after it`;
      return { title, say: sayShown(own, finding, units, value) };
    })}
  />
);
