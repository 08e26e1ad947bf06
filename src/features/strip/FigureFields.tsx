'use client';

import { useState, type KeyboardEvent } from 'react';
import { Form } from 'react-bootstrap';
import { FIGURE_KINDS, readFigure, type FigureItem, type PadMeaning } from '@/core/procedure';
import { readTyped } from '@/core/readings';
import {
  fieldUnit,
  formatIn,
  formatNumber,
  lengthUnitOf,
  UNIT_SIGN,
  type UnitSystem,
} from '@/core/units';
import { FormField } from '@/ui/field';
import { checkAt, type CheckChange, type CheckView } from './model';
import { Refusal, refusedOf } from './Refusal';
import type { RefusedCheck } from './useChecks';
import asking from '@/ui/shell/asking.module.css';
import styles from './strip.module.css';

interface FigureFieldsProps {
  readonly corner: string;
  readonly figures: readonly FigureItem[];
  readonly checks: readonly CheckView[];
  readonly units: UnitSystem;
  readonly meanings: readonly PadMeaning[];
  readonly onWrite: (change: CheckChange) => void;
  /** What was refused, where it is told at its field. */
  readonly refused?: RefusedCheck | null;
}

const roleOf = ({ of }: FigureItem): 'size' | 'deviation' =>
  of === 'pad' || of === 'thickness' || of === 'drum' ? 'size' : 'deviation';

/** A figure as it was typed where it was typed in the shop\u2019s unit, else converted. */
function shownFigure(item: FigureItem, check: CheckView | undefined, units: UnitSystem): string {
  const stored = readFigure(check?.value);
  if (!stored) return '';
  const unit = fieldUnit(units, roleOf(item));
  return lengthUnitOf(stored.unit) === unit ? stored.text : formatNumber(stored.um, unit);
}

/** Enter goes on to the next field of the group, as a gauge that types does. */
export function stepOn(event: KeyboardEvent<HTMLInputElement>): void {
  if (event.key !== 'Enter') return;
  event.preventDefault();
  const fields = [...document.querySelectorAll<HTMLInputElement>('[data-figure]')];
  const next = fields[fields.indexOf(event.currentTarget) + 1];
  if (next) next.focus();
  else event.currentTarget.blur();
}

interface FigureFieldProps extends Pick<FigureFieldsProps, 'corner' | 'units' | 'onWrite'> {
  readonly item: FigureItem;
  readonly check: CheckView | undefined;
}

/** One figure, kept as it is left; what cannot be stays in the field with what is wrong. */
function FigureField({ corner, item, check, units, onWrite }: FigureFieldProps) {
  const [message, setMessage] = useState<string>();
  const unit = fieldUnit(units, roleOf(item));
  const shown = shownFigure(item, check, units);
  const leave = (text: string): void => {
    setMessage(undefined);
    if (text.trim() === shown) return;
    const read = text.trim() === '' ? null : readTyped(text, unit, FIGURE_KINDS[item.of]);
    if (read?.ok === false) {
      setMessage(read.message);
      return;
    }
    const value = read && { text, unit };
    onWrite({ kind: 'figure', place: corner, item: item.code, value, note: null });
  };
  return (
    <FormField
      label={`${item.name} (${UNIT_SIGN[unit]})`}
      error={message}
      control={(ids) => (
        <Form.Control
          className={asking.number}
          inputMode="decimal"
          autoComplete="off"
          data-figure={item.code}
          defaultValue={shown}
          onKeyDown={stepOn}
          onBlur={({ target }) => leave(target.value)}
          {...ids}
        />
      )}
    />
  );
}

/** Measured figures of a corner; what the pads say stands below. */
export function FigureFields(props: FigureFieldsProps) {
  const { corner, figures, checks, units, meanings, onWrite, refused } = props;
  return (
    <>
      <div className={styles.figures} data-fields>
        {figures.map((item) => {
          const check = checkAt(checks, { kind: 'figure', place: corner, item: item.code });
          const key = `${item.code} ${check?.stamp ?? ''}`;
          const refusal = refusedOf(refused, item.code);
          return (
            <div key={item.code}>
              <FigureField key={key} {...{ corner, item, check, units, onWrite }} />
              {refusal && <Refusal {...refusal} />}
            </div>
          );
        })}
      </div>
      {meanings.map(({ say, by, means }) => (
        <p key={say} className="mb-1">
          <strong>
            {say}, by {formatIn(units, 'size', by)}.
          </strong>{' '}
          {means}
        </p>
      ))}
    </>
  );
}
