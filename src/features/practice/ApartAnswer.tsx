'use client';

import { useEffect, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { SOURCES, type Source } from '@/core/practice';
import styles from './practice.module.css';

/** What runout can come from, in words. */
export const SOURCE_NAME: Readonly<Record<Source, string>> = {
  hub: 'the hub',
  rotor: 'the rotor',
  both: 'hub and rotor together',
  dirt: 'dirt under the hat',
  nuts: 'unevenly drawn nuts',
};

/** Asks where the runout comes from; the truth is shown once it is said. */
export function ApartAnswer({
  onSay,
  onLeave,
}: {
  readonly onSay: (source: Source) => void;
  readonly onLeave: () => void;
}) {
  const [said, setSaid] = useState<Source | null>(null);
  const first = useRef<HTMLInputElement>(null);
  useEffect(() => first.current?.focus(), []);
  return (
    <Form
      className="zh-card mb-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (said) onSay(said);
      }}
    >
      <fieldset>
        <legend className="fs-5 fw-bold">Where did the runout come from?</legend>
        <div className={styles.answers}>
          {SOURCES.map((source, i) => (
            <Form.Check
              key={source}
              ref={i === 0 ? first : undefined}
              type="radio"
              id={`practice-${source}`}
              name="practice-source"
              label={SOURCE_NAME[source]}
              checked={said === source}
              onChange={() => setSaid(source)}
            />
          ))}
        </div>
      </fieldset>
      <div className="d-flex flex-wrap gap-2">
        <Button type="submit" disabled={said === null}>
          Show the truth
        </Button>
        <Button variant="outline-secondary" onClick={onLeave}>
          Read on
        </Button>
      </div>
    </Form>
  );
}
