'use client';

import { Button } from 'react-bootstrap';
import { useState } from 'react';
import { TextField } from '@/ui/field';
import { Conflicts } from './Conflicts';
import { checkAt, type CheckView } from './model';
import { useChecks } from './useChecks';

const KEY = { kind: 'waiting', place: '', item: 'waiting' } as const;

const FIELDS = [
  ['missing', 'What is missing or wrong'],
  ['off', 'What is off the vehicle'],
  ['tagged', 'Where the parts are, and how they are tagged'],
] as const;
type Texts = Record<(typeof FIELDS)[number][0], string>;

interface WaitingCardProps {
  readonly jobId: string;
  readonly checks: readonly CheckView[];
  /** What is in the trays, offered as what is off. */
  readonly off: string;
}

/** The safe waiting state: what is off, tagged where, and the vehicle blocked from moving. */
export function WaitingCard({ jobId, checks: stored, off }: WaitingCardProps) {
  const store = useChecks(jobId, stored, ({ kind }) => kind === 'waiting');
  const [texts, setTexts] = useState<Texts | null>(null);
  const waiting = checkAt(store.checks, KEY);
  const isFilled = texts !== null && Object.values(texts).every((text) => text.trim() !== '');
  return (
    <>
      <Conflicts {...store} say={(_, value) => (value === null ? 'not waiting' : 'waiting')} />
      {waiting && (
        <Button
          type="button"
          variant="primary"
          onClick={() => store.write({ ...KEY, value: null, note: null })}
        >
          The parts are here: end the wait
        </Button>
      )}
      {!waiting && texts === null && (
        <Button
          type="button"
          variant="outline-secondary"
          onClick={() => setTexts({ missing: '', off: off || 'Nothing', tagged: '' })}
        >
          Wait for parts …
        </Button>
      )}
      {!waiting && texts !== null && (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (isFilled) store.write({ ...KEY, value: texts, note: null });
          }}
        >
          {FIELDS.map(([name, label]) => (
            <TextField
              key={name}
              label={label}
              value={texts[name]}
              onChange={(text) => setTexts({ ...texts, [name]: text })}
            />
          ))}
          <Button type="submit" variant="primary" disabled={!isFilled}>
            Wait, and block the vehicle from moving
          </Button>{' '}
          <Button type="button" variant="link" onClick={() => setTexts(null)}>
            Not now
          </Button>
        </form>
      )}
    </>
  );
}
