'use client';

import { Form } from 'react-bootstrap';
import {
  isAssumed,
  POLICIES,
  POLICY_NAME,
  PROVING_FIGURES,
  type Policy,
  type ProvingFigure,
  type ProvingKey,
  type ProvingValues,
} from '@/core/bench';
import { sayMoney, type Shop } from '@/core/options';
import { formatIn, type UnitSystem } from '@/core/units';
import styles from './practice.module.css';

const NAME: Readonly<Record<ProvingKey, string>> = {
  hub: 'Hubs run out by up to',
  rotor: 'Rotors run out by up to',
  variation: 'Thickness varies by up to',
  thinnest: 'The thinnest rotor has left, of what there is to wear',
  limit: 'Runout limit',
  dtvLimit: 'Limit of thickness variation',
  hourly: 'An hour of work',
  comeback: 'A comeback costs the shop',
  rotorParts: 'A new rotor, the part',
  rotorMinutes: 'A new rotor, the work',
  benchMinutes: 'A cut on the bench lathe',
  indexMinutes: 'Moving the rotor and measuring again',
};

const GROUPS: readonly (readonly [ProvingFigure['of'], string])[] = [
  ['corners', 'The corners that come in'],
  ['limits', 'Limits'],
  ['prices', 'Prices and times'],
];

export interface ProvingChoice {
  readonly values: ProvingValues;
  readonly policies: readonly Policy[];
}

interface ProvingFormProps {
  readonly choice: ProvingChoice;
  readonly shop: Shop;
  readonly units: UnitSystem;
  readonly currency: string;
  readonly disabled: boolean;
  readonly onChange: (choice: ProvingChoice) => void;
}

/** A figure as it stands beside its slider. */
function say(figure: ProvingFigure, value: number, units: UnitSystem, currency: string): string {
  switch (figure.as) {
    case 'length':
      return formatIn(units, 'deviation', value);
    case 'share':
      return `${Math.round(100 * value)} %`;
    case 'money':
      return sayMoney(value, currency);
    case 'minutes':
      return `${value} min`;
  }
}

/** What is tried, by sliders in plain words: corners, limits, prices, and which ways of working. */
export function ProvingForm(props: ProvingFormProps) {
  const { choice, shop, units, currency, disabled, onChange } = props;
  const { values, policies } = choice;
  const put = (key: ProvingKey, value: number): void =>
    onChange({ ...choice, values: { ...values, [key]: value } });
  return (
    <div className={styles.proving}>
      {GROUPS.map(([group, title]) => (
        <fieldset key={group} className="zh-card" disabled={disabled}>
          <legend className={`fw-bold ${styles.sentence}`}>{title}</legend>
          {PROVING_FIGURES.filter(({ of }) => of === group).map((figure) => {
            const { key, from, to, step } = figure;
            const said = say(figure, values[key], units, currency);
            return (
              <div key={key} className="mb-2">
                <Form.Label htmlFor={`proving-${key}`} className="d-flex gap-2 mb-0">
                  <span>{NAME[key]}</span>
                  <span className="zh-figure ms-auto text-nowrap">{said}</span>
                </Form.Label>
                <Form.Range
                  id={`proving-${key}`}
                  className={styles.slider}
                  {...{ min: from, max: to, step, value: values[key] }}
                  aria-valuetext={said}
                  onChange={({ target }) => put(key, Number(target.value))}
                />
                {group === 'prices' && isAssumed(shop, key) && (
                  <div className="zh-muted">Assumed: the shop’s list does not say it.</div>
                )}
              </div>
            );
          })}
        </fieldset>
      ))}
      <fieldset className="zh-card" disabled={disabled}>
        <legend className={`fw-bold ${styles.sentence}`}>Ways of working</legend>
        {POLICIES.map((policy) => (
          <Form.Check
            key={policy}
            id={`proving-${policy}`}
            className={styles.policy}
            label={POLICY_NAME[policy]}
            checked={policies.includes(policy)}
            onChange={({ target }) =>
              onChange({
                ...choice,
                policies: POLICIES.filter((each) =>
                  each === policy ? target.checked : policies.includes(each),
                ),
              })
            }
          />
        ))}
      </fieldset>
    </div>
  );
}
