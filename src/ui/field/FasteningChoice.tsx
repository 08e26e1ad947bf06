'use client';

import { PressRow } from './PressRow';

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
      <PressRow
        label="Wheel held on by"
        className="mb-2"
        choices={[
          { value: 'studs', label: 'Studs and nuts' },
          { value: 'bolts', label: 'Bolts' },
        ]}
        value={fastening}
        disabled={disabled}
        onPress={onFastening}
      />
      <PressRow
        label="How many"
        className="mb-2"
        choices={COUNTS.map((count) => ({ value: count, label: String(count) }))}
        value={studs ?? undefined}
        disabled={disabled}
        isFigure
        onPress={onStuds}
      />
    </>
  );
}
