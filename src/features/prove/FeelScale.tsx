'use client';

import { Button } from 'react-bootstrap';
import { FEEL_WORDS, type Feel } from '@/core/assessment';
import { useSend } from '@/ui/field';
import { keepCheck } from '@/ui/keeper';
import styles from './prove.module.css';

interface FeelScaleProps {
  readonly jobId: string;
  readonly when: 'before' | 'after';
  readonly feel: Feel | null;
  readonly stamp: string | null;
}

const PLACES = [
  ['wheel', 'Steering wheel'],
  ['pedal', 'Pedal'],
  ['seat', 'Seat or floor'],
] as const;
const NOTHING: Feel = { wheel: 0, pedal: 0, seat: 0 };

/** How strongly it is felt, and where: the same scale before and after. */
export function FeelScale({ jobId, when, feel, stamp }: FeelScaleProps) {
  const { send, busy, trouble } = useSend(keepCheck);
  const write = (value: Feel | null): void =>
    send([
      { jobId, kind: 'prove', place: '', item: `feel-${when}`, value, note: null, seen: stamp },
      'by-writer',
    ]);
  return (
    <fieldset className={styles.feel}>
      <legend className="fs-6 fw-bold mb-1">
        {when === 'before' ? 'Felt before the work' : 'Felt after the work, same road and speeds'}
      </legend>
      {PLACES.map(([place, name]) => (
        <div key={place} className={styles.feelRow} role="group" aria-label={`${name}, ${when}`}>
          <span>{name}</span>
          <span className="d-flex flex-wrap gap-1">
            {FEEL_WORDS.map((word, strength) => {
              const isOn = feel?.[place] === strength;
              return (
                <Button
                  key={word}
                  type="button"
                  variant={isOn ? 'dark' : 'outline-secondary'}
                  aria-pressed={isOn}
                  disabled={busy}
                  onClick={() => write({ ...(feel ?? NOTHING), [place]: strength })}
                >
                  {word}
                </Button>
              );
            })}
          </span>
        </div>
      ))}
      {feel ? (
        <Button
          type="button"
          variant="link"
          className="px-0"
          disabled={busy}
          onClick={() => write(null)}
        >
          Not said after all
        </Button>
      ) : (
        <Button
          type="button"
          variant="outline-secondary"
          disabled={busy}
          onClick={() => write(NOTHING)}
        >
          Nothing anywhere
        </Button>
      )}
      {trouble && (
        <p className="zh-error mb-0" role="alert">
          {trouble}
        </p>
      )}
    </fieldset>
  );
}
