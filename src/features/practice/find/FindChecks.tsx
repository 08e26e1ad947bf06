'use client';

import { useEffect, useRef } from 'react';
import { Button } from 'react-bootstrap';
import type { FindingStage } from '@/core/diagnosis';
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

interface FindChecksProps {
  readonly own: FindCase;
  readonly state: FindState;
  readonly onDo: (action: FindAction) => void;
}

/** Everything that can still be asked, driven, looked at or read, with its minutes as the car stands. */
export function FindChecks({ own, state, onDo }: FindChecksProps) {
  const left = checksLeft(own, state);
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
  }, [state.found.length]);
  return (
    <div ref={parts} className={styles.carChecks}>
      {PARTS.map(({ stage, title }) => {
        const of = left.filter((finding) => finding.stage === stage);
        return of.length === 0 ? null : (
          <details key={stage} className="zh-card mb-2" data-stage={stage} open>
            <summary className="zh-fold">{`${title} (${of.length})`}</summary>
            <div className={styles.checks}>
              {of.map((finding, at) => (
                <Button
                  key={finding.code}
                  variant="outline-secondary"
                  onClick={() => {
                    pressed.current = { stage, at };
                    onDo({ kind: 'check', code: finding.code });
                  }}
                >
                  {finding.stage === 'complaint' ? finding.question : finding.title}{' '}
                  <span className="fw-normal">{sayMinutes(checkMinutes(own, state, finding))}</span>
                </Button>
              ))}
            </div>
          </details>
        );
      })}
    </div>
  );
}

/** What was found so far, the latest first. */
export function FoundSoFar({
  own,
  state,
  units,
}: Omit<FindChecksProps, 'onDo'> & { readonly units: UnitSystem }) {
  return (
    <section className={`zh-card ${styles.carKnown}`} aria-labelledby="practice-found">
      <h2 id="practice-found">What is known</h2>
      {state.found.length === 0 && <p className="zh-muted mb-0">Nothing yet: ask first.</p>}
      <div aria-live="polite">
        {state.found.length > 0 && (
          <div className={styles.found} tabIndex={0} role="region" aria-label="The latest first">
            <ul className="list-unstyled mb-0">
              {[...state.found].reverse().map(({ code }) => {
                const finding = own.knowledge.findings.find((each) => each.code === code)!;
                return (
                  <li key={code}>
                    <span className="zh-muted">{finding.title}:</span>{' '}
                    <strong>{sayShown(own, finding, units)}</strong>
                  </li>
                );
              })}
            </ul>
          </div>
        )}
      </div>
    </section>
  );
}
