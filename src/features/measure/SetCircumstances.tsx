'use client';

import { Form } from 'react-bootstrap';
import { FormField, TextField } from '@/ui/field';
import { detailSign, type Detail } from './detail';
import type { BenchCorner } from './model';
import type { SetPlan } from './plan';
import lists from '@/ui/shell/lists.module.css';

/** What is typed before a set begins; it is read when the set is started. */
export type StarterTexts = Readonly<Partial<Record<Detail | 'angles', string>>>;

interface SetCircumstancesProps {
  readonly plan: SetPlan;
  readonly corner: BenchCorner;
  readonly texts: StarterTexts;
  /** What is wrong with a text, by its field. */
  readonly messages: StarterTexts;
  readonly onType: (field: Detail | 'angles', text: string) => void;
  readonly onChange: (change: Partial<SetPlan>) => void;
}

/** The figures that are noted of a kind of set before it is read. */
export const DETAILS: Readonly<
  Record<SetPlan['kind'], readonly (readonly [Exclude<Detail, 'radiusUm'>, string])[]>
> = {
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

/** The torque stands beside what says that it was applied. */
const foldedOf = (kind: SetPlan['kind']) =>
  DETAILS[kind].filter(([detail]) => detail !== 'torqueNm');

/** Figures, gauge and angles that a set begins with; all may stay empty. */
export function SetCircumstances(props: SetCircumstancesProps) {
  const { plan, corner, texts, messages, onType, onChange } = props;
  const kind = plan.kind === 'thickness' ? 'micrometer' : 'dial';
  const gauges = corner.gauges.filter((each) => each.kind === kind && each.retiredAt === null);
  const usual = gauges.find(({ isUsual }) => isUsual)?.name ?? 'workshop default';
  const isWrong = ['angles' as const, ...foldedOf(plan.kind).map(([detail]) => detail)].some(
    (field) => messages[field] !== undefined,
  );
  const text = (field: Detail | 'angles', label: string, hint?: string) => (
    <TextField
      key={field}
      label={label}
      value={texts[field] ?? ''}
      error={messages[field]}
      isFigure={field !== 'angles'}
      onChange={(typed) => onType(field, typed)}
      {...(hint === undefined ? {} : { hint })}
    />
  );
  return (
    <details className="mt-2" open={isWrong || undefined}>
      <summary className="py-2">End play, temperature, gauge, own angles</summary>
      <div className={lists.pair}>
        {foldedOf(plan.kind).map(([detail, label]) =>
          text(detail, `${label} (${detailSign(detail, corner.units)})`),
        )}
        <FormField
          label={kind === 'dial' ? 'Dial indicator' : 'Micrometer'}
          control={(ids) => (
            <Form.Select
              {...ids}
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
          )}
        />
        <Form.Check
          id="set-virtual"
          className="align-self-end mb-3"
          label="Practice: a virtual gauge reads"
          checked={plan.isVirtual ?? false}
          onChange={(event) => onChange({ isVirtual: event.target.checked })}
        />
      </div>
      {!plan.sweep &&
        text(
          'angles',
          'Own angles in degrees from the chalk mark',
          'Like 0 31 58 90; empty: evenly spaced.',
        )}
    </details>
  );
}
