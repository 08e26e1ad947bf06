'use client';

import { useState, type KeyboardEvent } from 'react';
import { Form } from 'react-bootstrap';
import { readFigure, type FigureItem, type PadMeaning } from '@/core/procedure';
import {
  fieldUnit,
  formatIn,
  formatNumber,
  lengthUnitOf,
  UNIT_SIGN,
  type UnitSystem,
} from '@/core/units';
import { checkAt, type CheckChange, type CheckView } from './model';

interface FigureFieldsProps {
  readonly corner: string;
  readonly figures: readonly FigureItem[];
  readonly checks: readonly CheckView[];
  readonly units: UnitSystem;
  readonly meanings: readonly PadMeaning[];
  readonly onWrite: (change: CheckChange) => void;
}

const roleOf = ({ of }: FigureItem): 'size' | 'deviation' =>
  of === 'pad' || of === 'thickness' ? 'size' : 'deviation';

/** A figure as it was typed where it was typed in the shop\u2019s unit, else converted. */
function shownFigure(item: FigureItem, check: CheckView | undefined, units: UnitSystem): string {
  const stored = readFigure(check?.value);
  if (!stored) return '';
  const unit = fieldUnit(units, roleOf(item));
  return lengthUnitOf(stored.unit) === unit ? stored.text : formatNumber(stored.um, unit);
}

/** Enter goes on to the next field of the group, as a gauge that types does. */
function stepOn(event: KeyboardEvent<HTMLInputElement>): void {
  if (event.key !== 'Enter') return;
  event.preventDefault();
  const fields = [...document.querySelectorAll<HTMLInputElement>('[data-figure]')];
  const next = fields[fields.indexOf(event.currentTarget) + 1];
  if (next) next.focus();
  else event.currentTarget.blur();
}

/** Measured figures of a corner, each kept as it is left; what the pads say stands below. */
export function FigureFields(props: FigureFieldsProps) {
  const { corner, figures, checks, units, meanings, onWrite } = props;
  const [messages, setMessages] = useState<Readonly<Record<string, string>>>({});
  const leave = (item: FigureItem, text: string, before: string): void => {
    if (text.trim() === before) return;
    const unit = fieldUnit(units, roleOf(item));
    const value = text.trim() === '' ? null : { text, unit };
    setMessages({ ...messages, [item.code]: '' });
    onWrite({ kind: 'figure', place: corner, item: item.code, value, note: null });
  };
  return (
    <>
      <div className="zh-figures">
        {figures.map((item) => {
          const check = checkAt(checks, { kind: 'figure', place: corner, item: item.code });
          const shown = shownFigure(item, check, units);
          return (
            <Form.Group key={`${item.code} ${check?.stamp ?? ''}`} controlId={`zh-${item.code}`}>
              <Form.Label className="mb-0">
                {item.name} ({UNIT_SIGN[fieldUnit(units, roleOf(item))]})
              </Form.Label>
              <Form.Control
                className="zh-number"
                inputMode="decimal"
                autoComplete="off"
                data-figure={item.code}
                defaultValue={shown}
                onKeyDown={stepOn}
                onBlur={({ target }) => leave(item, target.value, shown)}
              />
            </Form.Group>
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
