'use client';

import { Form } from 'react-bootstrap';
import type { Detail } from './detail';
import { DetailField } from './DetailField';
import type { BenchCorner, BenchSet } from './model';
import { writeDetails } from './writes';

interface SetDetailsFormProps {
  readonly set: BenchSet;
  readonly corner: BenchCorner;
  readonly onChange: (set: BenchSet) => void;
}

interface Noted {
  readonly heading: string;
  readonly fields: readonly (readonly [Detail, string])[];
}

const NOTED: Readonly<Record<BenchSet['kind'], Noted>> = {
  runout: {
    heading: 'End play and torque',
    fields: [
      ['endPlayUm', 'Bearing end play, push and pull'],
      ['torqueNm', 'Drawn up to'],
    ],
  },
  thickness: {
    heading: 'Micrometer zero and rotor temperature',
    fields: [
      ['zeroErrorUm', 'Micrometer shows at zero'],
      ['rotorCelsius', 'Rotor temperature'],
    ],
  },
  hub: {
    heading: 'Radius of the circle and end play',
    fields: [
      ['radiusUm', 'Hub face read at radius'],
      ['endPlayUm', 'Bearing end play, push and pull'],
    ],
  },
};

/** Circumstances of a set that bear on its verdict. */
export function SetDetailsForm({ set, corner, onChange }: SetDetailsFormProps) {
  const { heading, fields } = NOTED[set.kind];
  const keep = async (detail: Detail, value: number | null): Promise<string | null> => {
    onChange({ ...set, [detail]: value });
    const answer = await writeDetails(corner.jobId, { setId: set.id, [detail]: value });
    return answer.ok || answer.isDropped ? null : answer.message;
  };
  return (
    <details className="mt-3">
      <summary className="py-2">{heading}</summary>
      <div className="zh-limits">
        {fields.map(([detail, label]) => (
          <DetailField
            key={detail}
            detail={detail}
            label={label}
            value={set[detail]}
            units={corner.units}
            onLeave={(value) => keep(detail, value)}
          />
        ))}
      </div>
      {set.kind === 'runout' && (
        <Form.Check
          id={`pressed-${set.id}`}
          className="mt-2"
          label="The wheel was pressed inboard at each reading"
          checked={set.pressed ?? false}
          onChange={(event) => {
            const pressed = event.target.checked;
            onChange({ ...set, pressed });
            void writeDetails(corner.jobId, { setId: set.id, pressed });
          }}
        />
      )}
    </details>
  );
}
