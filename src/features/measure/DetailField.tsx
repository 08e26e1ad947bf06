'use client';

import { useId, useState } from 'react';
import { Form } from 'react-bootstrap';
import { LENGTH_KINDS, readTyped } from '@/core/readings';
import { fieldUnit, formatNumber, UNIT_SIGN, type LengthRole, type UnitSystem } from '@/core/units';

/** A figure that is noted of a set beside its readings. */
export type Detail = 'zeroErrorUm' | 'endPlayUm' | 'rotorCelsius' | 'radiusUm' | 'torqueNm';

const KINDS = {
  zeroErrorUm: LENGTH_KINDS.zeroError,
  endPlayUm: LENGTH_KINDS.amount,
  radiusUm: LENGTH_KINDS.radius,
} as const;

const PLAIN = {
  rotorCelsius: {
    low: -60,
    high: 900,
    sign: '°C',
    message: 'Type the temperature in °C, like 24.',
  },
  torqueNm: { low: 1, high: 1000, sign: 'N·m', message: 'Type the torque in N·m, like 110.' },
} as const;

const isPlain = (detail: Detail): detail is keyof typeof PLAIN => detail in PLAIN;
const roleOf = (detail: Detail): LengthRole => (detail === 'radiusUm' ? 'size' : 'deviation');

/** Reads the text of one detail: its value, null when empty, or why not. */
export function readDetail(
  detail: Detail,
  text: string,
  units: UnitSystem,
): { value: number | null } | { message: string } {
  if (text.trim() === '') return { value: null };
  if (isPlain(detail)) {
    const { low, high, message } = PLAIN[detail];
    const value = Number(text.trim().replace(',', '.'));
    return Number.isFinite(value) && value >= low && value <= high ? { value } : { message };
  }
  const read = readTyped(text, fieldUnit(units, roleOf(detail)), KINDS[detail]);
  return read.ok ? { value: read.length.value as number } : { message: read.message };
}

interface DetailFieldProps {
  readonly detail: Detail;
  readonly label: string;
  readonly value: number | null;
  readonly units: UnitSystem;
  /** Keeps the figure; answers what is wrong with it, if anything. */
  readonly onLeave: (value: number | null) => Promise<string | null> | string | null;
}

/** One figure of a set’s circumstances; kept when the field is left. */
export function DetailField({ detail, label, value, units, onLeave }: DetailFieldProps) {
  const unit = fieldUnit(units, roleOf(detail));
  const shown =
    value === null
      ? ''
      : isPlain(detail)
        ? String(value)
        : formatNumber(value, unit).replace('\u2212', '-');
  const [text, setText] = useState(shown);
  const [message, setMessage] = useState<string | null>(null);
  const leave = async (): Promise<void> => {
    if (text === shown) return;
    const read = readDetail(detail, text, units);
    setMessage('message' in read ? read.message : await onLeave(read.value));
  };
  return (
    <Form.Group controlId={`${useId()}-${detail}`}>
      <Form.Label>
        {label} ({isPlain(detail) ? PLAIN[detail].sign : UNIT_SIGN[unit]})
      </Form.Label>
      <Form.Control
        inputMode="decimal"
        autoComplete="off"
        value={text}
        isInvalid={message !== null}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => void leave()}
      />
      {message && <div className="zh-error">{message}</div>}
    </Form.Group>
  );
}
