'use client';

import { Button } from 'react-bootstrap';
import { percent } from '@/core/diagnosis';
import {
  FIND_MINUTES,
  noseAt,
  type FindAction,
  type FindCase,
  type FindState,
} from '@/core/practice';

/** Causes that are told. */
const TOLD = 3;

/** The nose: off until it is asked, once for its price or from now on. */
export function FindNose({
  own,
  state,
  onDo,
}: {
  readonly own: FindCase;
  readonly state: FindState;
  readonly onDo: (action: FindAction) => void;
}) {
  if (state.nose === 'off') {
    return (
      <section className="zh-card" aria-labelledby="practice-nose">
        <h2 id="practice-nose">The nose</h2>
        <p className="zh-muted mb-1">
          Off: what is found is weighed by you. Asked once it tells how the car stands now.
        </p>
        <div className="d-flex flex-wrap gap-2">
          <Button variant="outline-secondary" onClick={() => onDo({ kind: 'nose', how: 'once' })}>
            Ask it once <span className="fw-normal">{FIND_MINUTES.nose} min</span>
          </Button>
          <Button variant="outline-secondary" onClick={() => onDo({ kind: 'nose', how: 'on' })}>
            Leave it on, to learn
          </Button>
        </div>
      </section>
    );
  }
  const { causes, nextChecks, settled } = noseAt(own, state);
  const [next] = nextChecks;
  return (
    <section className="zh-card" aria-labelledby="practice-nose">
      <h2 id="practice-nose">The nose</h2>
      <ol className="mb-2">
        {causes.slice(0, TOLD).map(({ code, name, probability }) => (
          <li key={code}>
            {name} <span className="zh-figure">{percent(probability)}</span>
          </li>
        ))}
      </ol>
      <p className="mb-0">
        {settled || !next ? (
          <strong>Nothing left would change much: put the first one right.</strong>
        ) : (
          <>
            Next: <strong>{next.title}</strong>. {next.question}
          </>
        )}
      </p>
    </section>
  );
}
