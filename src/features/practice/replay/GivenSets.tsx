'use client';

import { Button } from 'react-bootstrap';
import { READING_MINUTES } from '@/core/practice';
import { CORNER_NAME } from '@/core/readings';
import { formatIn, type UnitSystem } from '@/core/units';
import type { ReplaySet } from '@/server/practice/replay';
import { RotorFace } from '@/ui/rotor';
import { sayMinutes } from '../find/FindChecks';
import styles from '../practice.module.css';

const KIND = { runout: 'Runout', thickness: 'Thickness', hub: 'Hub face' } as const;

/** What a set is, in words. */
function setName({ corner, kind, shift, isAsFound, values }: ReplaySet): string {
  const moved = shift === 0 ? 'as first marked' : `moved on by ${shift}`;
  const where = kind === 'runout' ? `, ${isAsFound ? 'as found' : moved}` : '';
  return `${KIND[kind]}, ${CORNER_NAME[corner]}${where}, ${values.length} places`;
}

/** A set that was given: its face and its figures as they were read. */
function Given({ set, units }: { readonly set: ReplaySet; readonly units: UnitSystem }) {
  const { corner, studs, fastening, angles, values, limit, least, most, kind } = set;
  return (
    <figure className="mb-0">
      <RotorFace
        {...{ corner, studs, fastening, angles, values, limit }}
        isPlain
        label={setName(set)}
      />
      <figcaption>
        {setName(set)}:{' '}
        <strong className="zh-figure">{formatIn(units, 'deviation', most - least)}</strong> from
        lowest to highest
        {kind === 'thickness' && (
          <>
            , thinnest <strong className="zh-figure">{formatIn(units, 'size', least)}</strong>
          </>
        )}
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
