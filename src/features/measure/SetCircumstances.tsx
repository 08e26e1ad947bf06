'use client';

import { Form } from 'react-bootstrap';
import { DetailField, type Detail } from './DetailField';
import type { BenchCorner } from './model';
import type { SetPlan } from './plan';

interface SetCircumstancesProps {
  readonly plan: SetPlan;
  readonly corner: BenchCorner;
  readonly angles: string;
  readonly anglesMessage: string | undefined;
  readonly onAngles: (text: string) => void;
  readonly onChange: (change: Partial<SetPlan>) => void;
}

const FIELDS: Readonly<Record<SetPlan['kind'], readonly (readonly [Detail, string])[]>> = {
  runout: [
    ['torqueNm', 'Drawn up to'],
    ['endPlayUm', 'End play, push and pull'],
  ],
  thickness: [
    ['zeroErrorUm', 'Micrometer shows at zero'],
    ['rotorCelsius', 'Rotor temperature'],
  ],
  hub: [['endPlayUm', 'End play, push and pull']],
};

/** Figures, gauge and angles that a set begins with; all may stay empty. */
export function SetCircumstances(props: SetCircumstancesProps) {
  const { plan, corner, angles, anglesMessage, onAngles, onChange } = props;
  const kind = plan.kind === 'thickness' ? 'micrometer' : 'dial';
  const gauges = corner.gauges.filter((gauge) => gauge.kind === kind);
  const usual = gauges.find(({ isUsual }) => isUsual)?.name ?? 'workshop default';
  return (
    <details className="mt-2">
      <summary className="py-2">Torque, end play, temperature, gauge, own angles</summary>
      <div className="zh-pair">
        {FIELDS[plan.kind].map(([detail, label]) => (
          <DetailField
            key={detail}
            detail={detail}
            label={label}
            value={(plan[detail as keyof SetPlan] as number | null | undefined) ?? null}
            units={corner.units}
            onLeave={(value) => {
              onChange({ [detail]: value });
              return null;
            }}
          />
        ))}
        <Form.Group controlId="set-gauge">
          <Form.Label>{kind === 'dial' ? 'Dial indicator' : 'Micrometer'}</Form.Label>
          <Form.Select
            value={plan.gaugeId ?? ''}
            onChange={(event) => onChange({ gaugeId: event.target.value || null })}
          >
            <option value="">the usual one ({usual})</option>
            {gauges.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Check
          id="set-virtual"
          className="align-self-end"
          label="Practice: a virtual gauge reads"
          checked={plan.isVirtual ?? false}
          onChange={(event) => onChange({ isVirtual: event.target.checked })}
        />
        <Form.Group controlId="set-angles" className="zh-whole-row">
          <Form.Label>Own angles in degrees from the chalk mark (empty: evenly spaced)</Form.Label>
          <Form.Control
            value={angles}
            autoComplete="off"
            placeholder="0 31 58 90 121 …"
            isInvalid={anglesMessage !== undefined}
            onChange={(event) => onAngles(event.target.value)}
          />
          {anglesMessage && <div className="zh-error">{anglesMessage}</div>}
        </Form.Group>
      </div>
    </details>
  );
}
