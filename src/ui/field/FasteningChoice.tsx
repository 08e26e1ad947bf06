'use client';

import { Button } from 'react-bootstrap';

const COUNTS = [3, 4, 5, 6, 7, 8, 9, 10] as const;

/** Studs with nuts, or bolts. */
export type FasteningKind = 'studs' | 'bolts';

interface FasteningChoiceProps {
  readonly fastening: FasteningKind;
  /** How many are chosen; null where a press gives the answer at once. */
  readonly studs: number | null;
  readonly disabled: boolean;
  readonly onFastening: (fastening: FasteningKind) => void;
  readonly onStuds: (studs: number) => void;
}

/** How a wheel is held on, and by how many: two rows of buttons, nothing chosen unseen. */
export function FasteningChoice(props: FasteningChoiceProps) {
  const { fastening, studs, disabled, onFastening, onStuds } = props;
  return (
    <>
      <div className="zh-tabs mb-2" role="group" aria-label="Wheel held on by">
        {(['studs', 'bolts'] as const).map((each) => (
          <Button
            key={each}
            variant="outline-secondary"
            disabled={disabled}
            aria-pressed={fastening === each}
            onClick={() => onFastening(each)}
          >
            {each === 'studs' ? 'Studs and nuts' : 'Bolts'}
          </Button>
        ))}
      </div>
      <div className="zh-tabs mb-2" role="group" aria-label="How many">
        {COUNTS.map((count) => (
          <Button
            key={count}
            variant="outline-secondary"
            className="zh-figure"
            disabled={disabled}
            aria-pressed={studs === null ? undefined : studs === count}
            onClick={() => onStuds(count)}
          >
            {count}
          </Button>
        ))}
      </div>
    </>
  );
}
