'use client';

import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { LENGTH_KINDS, readTyped } from '@/core/readings';
import { fieldUnit, formatNumber, UNIT_SIGN, type LengthRole } from '@/core/units';
import { noteDetailsAction } from './actions';
import type { BenchCorner, BenchSet } from './model';

interface SetDetailsFormProps {
  readonly set: BenchSet;
  readonly corner: BenchCorner;
  readonly onChange: (set: BenchSet) => void;
}

type Detail = 'zeroErrorUm' | 'endPlayUm' | 'rotorCelsius' | 'radiusUm';

const KINDS = {
  zeroErrorUm: LENGTH_KINDS.zeroError,
  endPlayUm: LENGTH_KINDS.amount,
  radiusUm: LENGTH_KINDS.radius,
} as const;

const roleOfDetail = (detail: Detail): LengthRole => (detail === 'radiusUm' ? 'size' : 'deviation');

const HEADING: Readonly<Record<BenchSet['kind'], string>> = {
  runout: 'End play',
  thickness: 'Micrometer zero and rotor temperature',
  hub: 'Radius of the circle',
};

/** Reads the text of one detail: its value, null when empty, or why not. */
function readDetail(
  detail: Detail,
  text: string,
  units: BenchCorner['units'],
): { value: number | null } | { message: string } {
  if (text.trim() === '') return { value: null };
  if (detail === 'rotorCelsius') {
    const celsius = Number(text.trim().replace(',', '.'));
    const isMeant = Number.isFinite(celsius) && celsius >= -60 && celsius <= 900;
    return isMeant ? { value: celsius } : { message: 'Type the temperature in °C, like 24.' };
  }
  const read = readTyped(text, fieldUnit(units, roleOfDetail(detail)), KINDS[detail]);
  return read.ok ? { value: read.length.value as number } : { message: read.message };
}

function DetailField({
  set,
  corner,
  detail,
  label,
  onChange,
}: SetDetailsFormProps & { readonly detail: Detail; readonly label: string }) {
  const stored = set[detail];
  const unit = fieldUnit(corner.units, roleOfDetail(detail));
  const shown =
    stored === null
      ? ''
      : detail === 'rotorCelsius'
        ? String(stored)
        : formatNumber(stored, unit).replace('\u2212', '-');
  const [text, setText] = useState(shown);
  const [message, setMessage] = useState<string | null>(null);
  const leave = async (): Promise<void> => {
    if (text === shown) return;
    const read = readDetail(detail, text, corner.units);
    if ('message' in read) {
      setMessage(read.message);
      return;
    }
    const answer = await noteDetailsAction({ setId: set.id, [detail]: read.value });
    setMessage(answer.ok ? null : answer.message);
    if (answer.ok) onChange({ ...set, [detail]: read.value });
  };
  const id = `detail-${detail}`;
  return (
    <Form.Group controlId={id}>
      <Form.Label>
        {label} ({detail === 'rotorCelsius' ? '°C' : UNIT_SIGN[unit]})
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

/** Circumstances of a set that bear on its verdict. */
export function SetDetailsForm(props: SetDetailsFormProps) {
  return (
    <details className="mt-3">
      <summary className="py-2">{HEADING[props.set.kind]}</summary>
      <div className="zh-limits">
        {props.set.kind === 'runout' && (
          <DetailField {...props} detail="endPlayUm" label="Bearing end play, push and pull" />
        )}
        {props.set.kind === 'hub' && (
          <DetailField {...props} detail="radiusUm" label="Hub face read at radius" />
        )}
        {props.set.kind === 'thickness' && (
          <>
            <DetailField {...props} detail="zeroErrorUm" label="Micrometer shows at zero" />
            <DetailField {...props} detail="rotorCelsius" label="Rotor temperature" />
          </>
        )}
      </div>
    </details>
  );
}
