'use client';

import { Button } from 'react-bootstrap';
import { READING_MINUTES } from '@/core/practice';
import { CORNER_NAME } from '@/core/readings';
import { formatIn, type UnitSystem } from '@/core/units';
import type { ReplaySet } from '@/server/practice/replay';
import { RotorFace } from '@/ui/rotor';
import { VerdictMark } from '@/ui/verdict';
import { sayMinutes } from '../find/FindChecks';
import styles from '../practice.module.css';

const KIND = { runout: 'Runout', thickness: 'Thickness', hub: 'Hub face' } as const;

/** What a set is, in words. */
const setName = ({ corner, kind, seat, isAsFound, values }: ReplaySet): string =>
  [
    KIND[kind],
    CORNER_NAME[corner],
    ...(isAsFound ? ['as found'] : []),
    ...(kind === 'runout' ? [seat] : []),
    `${values.length} places`,
  ].join(', ');

/** A set that was given: its face and its figures as the record has them. */
function Given({ set, units }: { readonly set: ReplaySet; readonly units: UnitSystem }) {
  const { corner, studs, fastening, shift, angles, values, verdict, least } = set;
  return (
    <figure className="mb-0">
      <RotorFace
        {...{ corner, studs, fastening, shift, angles, values, limit: verdict.limit }}
        isPlain
        label={setName(set)}
      />
      <figcaption>
        {setName(set)}:{' '}
        {verdict.value !== null && (
          <strong className="zh-figure text-nowrap">
            {formatIn(units, 'deviation', verdict.value)}
          </strong>
        )}{' '}
        <VerdictMark state={verdict.state} size={16} />
        <div className="zh-muted">
          limit {formatIn(units, 'deviation', verdict.limit)}
          {least !== null && <>, thinnest {formatIn(units, 'size', least)}</>}
        </div>
      </figcaption>
    </figure>
  );
}

/** The readings of the job, given when they are asked for. */
export function GivenSets({
  sets,
  given,
  units,
  onAsk,
}: {
  readonly sets: readonly ReplaySet[];
  readonly given: readonly string[];
  readonly units: UnitSystem;
  /** Null once the job is answered. */
  readonly onAsk: ((set: ReplaySet) => void) | null;
}) {
  const left = sets.filter(({ id }) => !given.includes(id));
  return (
    <section className="zh-card mb-3" aria-labelledby="replay-readings">
      <h2 id="replay-readings">Readings</h2>
      {sets.length === 0 && <p className="zh-muted mb-0">Nothing was read in this job.</p>}
      {onAsk && (
        <div className={styles.checks}>
          {left.map((set) => (
            <Button key={set.id} variant="outline-secondary" onClick={() => onAsk(set)}>
              {setName(set)}{' '}
              <span className="fw-normal">{sayMinutes(READING_MINUTES * set.readings)}</span>
            </Button>
          ))}
        </div>
      )}
      <div className={styles.faces} aria-live="polite">
        {given.flatMap((id) => {
          const set = sets.find((each) => each.id === id);
          return set ? [<Given key={id} {...{ set, units }} />] : [];
        })}
      </div>
    </section>
  );
}
