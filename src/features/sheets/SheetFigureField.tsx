'use client';

import { Form } from 'react-bootstrap';
import type { SheetForm } from '@/core/contracts';
import type { SheetKind } from '@/core/sheets';
import { fieldUnit, torqueUnit, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { SOURCE_CHOICES } from '@/core/assessment';
import { FormField } from '@/ui/field';
import { sayChoice } from './model';
import styles from './sheets.module.css';
import picks from '@/ui/shell/picks.module.css';

type Typed = NonNullable<SheetForm['figures'][SheetKind['code']]>;

interface SheetFigureFieldProps {
  readonly kind: SheetKind;
  readonly typed: Typed;
  readonly units: UnitSystem;
  readonly error: string | undefined;
  /** Who entered what stands, and when. */
  readonly entered: string | undefined;
  readonly onChange: (typed: Typed) => void;
}

function unitOf({ manner }: SheetKind, units: UnitSystem): string | null {
  if (manner.as === 'mass') return 'kg';
  if (manner.as === 'torque') return torqueUnit(units);
  return manner.as === 'length' ? UNIT_SIGN[fieldUnit(units, manner.role)] : null;
}

/** What else an axle has, ticked; "none" is said by hand, for nothing ticked says nothing. */
function Several({
  kind,
  text,
  choices,
  onText,
}: {
  readonly kind: SheetKind;
  readonly text: string;
  readonly choices: readonly string[];
  readonly onText: (text: string) => void;
}) {
  const words = text.split(' ').filter((word) => word !== '');
  const turn = (word: string, isOn: boolean): void =>
    onText(
      (isOn
        ? [...(word === 'none' ? [] : words.filter((each) => each !== 'none')), word]
        : words.filter((each) => each !== word)
      ).join(' '),
    );
  return (
    <fieldset className={`mb-3 ${styles.wholeRow}`}>
      <legend className="fs-6 fw-normal mb-0">{kind.name}</legend>
      <div className={picks.traits}>
        {[...choices, 'none'].map((word) => (
          <Form.Check
            key={word}
            id={`${kind.code}-${word}`}
            label={word === 'none' ? 'nothing of these' : sayChoice(word)}
            checked={words.includes(word)}
            onChange={({ target }) => turn(word, target.checked)}
          />
        ))}
      </div>
    </fieldset>
  );
}

/** One figure of a sheet with where it is from; empty where the sheet does not say it. */
export function SheetFigureField(props: SheetFigureFieldProps) {
  const { kind, typed, units, error, entered, onChange } = props;
  const { manner } = kind;
  const onText = (text: string): void => onChange({ ...typed, text });
  if (manner.as === 'several') {
    return <Several kind={kind} text={typed.text} choices={manner.choices} onText={onText} />;
  }
  const unit = unitOf(kind, units);
  return (
    <FormField
      label={unit ? `${kind.name} (${unit})` : kind.name}
      hint={entered}
      error={error}
      control={(ids) =>
        manner.as === 'choice' ? (
          <Form.Select {...ids} value={typed.text} onChange={({ target }) => onText(target.value)}>
            <option value="">not said</option>
            {manner.choices.map((word) => (
              <option key={word} value={word}>
                {sayChoice(word)}
              </option>
            ))}
          </Form.Select>
        ) : (
          <div className="d-flex gap-1">
            <Form.Control
              inputMode="decimal"
              autoComplete="off"
              {...ids}
              value={typed.text}
              onChange={({ target }) => onText(target.value)}
            />
            <Form.Select
              aria-label={`Source of ${kind.name.toLowerCase()}`}
              value={typed.source}
              onChange={({ target }) =>
                onChange({ ...typed, source: target.value as Typed['source'] })
              }
            >
              {SOURCE_CHOICES.map(({ value, label, title }) => (
                <option key={value} value={value} title={title}>
                  {label}
                </option>
              ))}
            </Form.Select>
          </div>
        )
      }
    />
  );
}
