'use client';

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

interface FindChecksProps {
  readonly own: FindCase;
  readonly state: FindState;
  readonly onDo: (action: FindAction) => void;
}

/** Everything that can still be asked, driven, looked at or read, with its minutes as the car stands. */
export function FindChecks({ own, state, onDo }: FindChecksProps) {
  const left = checksLeft(own, state);
  const button = (finding: Finding) => (
    <Button
      key={finding.code}
      variant="outline-secondary"
      onClick={() => onDo({ kind: 'check', code: finding.code })}
    >
      {finding.stage === 'complaint' ? finding.question : finding.title}{' '}
      <span className="zh-muted">{sayMinutes(checkMinutes(own, state, finding))}</span>
    </Button>
  );
  return PARTS.map(({ stage, title }, i) => {
    const own = left.filter((finding) => finding.stage === stage);
    return own.length === 0 ? null : (
      <details key={stage} className="zh-card mb-2" open={i === 0 || state.found.length > 0}>
        <summary className="zh-fold">
          {title}: <span className="zh-figure">{own.length}</span>
        </summary>
        <div className={styles.checks}>{own.map(button)}</div>
      </details>
    );
  });
}

/** What was found so far, the latest first. */
export function FoundSoFar({
  own,
  state,
  units,
}: Omit<FindChecksProps, 'onDo'> & { readonly units: UnitSystem }) {
  if (state.found.length === 0) return null;
  return (
    <section className="zh-card mb-3" aria-labelledby="practice-found">
      <h2 id="practice-found">What is known</h2>
      <ul className={styles.found} aria-live="polite">
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
    </section>
  );
}
