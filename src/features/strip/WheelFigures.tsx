'use client';

import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { CORNER_NAME, CORNERS, type Corner } from '@/core/readings';
import { readFigures, unitOf, type WheelItem } from '@/core/wheels';
import { FormField } from '@/ui/field';
import { Conflicts } from './Conflicts';
import { stepOn } from './FigureFields';
import { checkAt, type CheckChange, type CheckView } from './model';
import { useChecks } from './useChecks';
import styles from './wheelFigures.module.css';

interface WheelFiguresProps {
  readonly jobId: string;
  readonly items: readonly WheelItem[];
  readonly checks: readonly CheckView[];
  /** Inches, pounds and degrees Fahrenheit. */
  readonly isInches: boolean;
  /** What the figures say, by item and place. */
  readonly says: Readonly<Record<string, string>>;
  readonly isClosed: boolean;
}

/** Figures as they were typed; empty where none are there. */
const textOf = (value: unknown): string =>
  typeof value === 'object' && value !== null && 'text' in value ? String(value.text) : '';
const typedUnit = (value: unknown): string =>
  typeof value === 'object' && value !== null && 'unit' in value ? String(value.unit) : '';

interface WheelFieldProps {
  readonly item: WheelItem;
  readonly place: Corner | '';
  readonly unit: string;
  readonly check: CheckView | undefined;
  readonly says: string;
  readonly isClosed: boolean;
  readonly onWrite: (change: CheckChange) => void;
}

/** One wheel's figures, kept as they are left; what cannot be stays in the field with what is wrong. */
function WheelField({ item, place, unit, check, says, isClosed, onWrite }: WheelFieldProps) {
  const [message, setMessage] = useState<string>();
  const own = typedUnit(check?.value);
  const typed = textOf(check?.value);
  // What was typed in another unit says so.
  const shown = typed === '' || own === unit ? typed : `${typed} ${own}`;
  const leave = (text: string): void => {
    setMessage(undefined);
    if (text.trim() === shown) return;
    const read = text.trim() === '' ? null : readFigures(text, item.quantity, unit, item.count);
    if (read?.ok === false) return setMessage(read.message);
    const value = read && { text: read.text, unit: read.unit };
    onWrite({ kind: 'figure', place, item: item.code, value, note: null });
  };
  return (
    <FormField
      label={place === '' ? `${item.name} (${unit})` : `${place}`}
      error={message}
      hint={says}
      control={(ids) => (
        <Form.Control
          inputMode={item.count[1] === 1 ? 'decimal' : 'text'}
          autoComplete="off"
          className="zh-figure"
          data-figure={`${item.code} ${place}`}
          aria-label={place === '' ? undefined : `${item.name}, ${CORNER_NAME[place]} (${unit})`}
          disabled={isClosed}
          defaultValue={shown}
          onKeyDown={stepOn}
          onBlur={({ target }) => leave(target.value)}
          {...ids}
        />
      )}
    />
  );
}

/** What is measured at the wheels beside the rotor; under each figure what it says. */
export function WheelFigures(props: WheelFiguresProps) {
  const { jobId, items, checks, isInches, says, isClosed } = props;
  const codes = items.map(({ code }) => code as string);
  const store = useChecks(
    jobId,
    checks,
    ({ kind, item }) => kind === 'figure' && codes.includes(item),
  );
  return (
    <>
      {items.map((item) => {
        const unit = unitOf(item.quantity, isInches);
        const places = item.code === 'water' ? ([''] as const) : CORNERS;
        return (
          <fieldset key={item.code} className={styles.item}>
            {places.length > 1 && (
              <legend>
                {item.name} ({unit})
              </legend>
            )}
            <p className="zh-muted mb-1">{item.hint}</p>
            <div className={styles.wheels}>
              {places.map((place) => {
                const check = checkAt(store.checks, { kind: 'figure', place, item: item.code });
                return (
                  <WheelField
                    key={`${place} ${check?.stamp ?? ''}`}
                    {...{ item, place, unit, check, isClosed }}
                    says={check ? (says[`${item.code} ${place}`] ?? '') : ''}
                    onWrite={store.write}
                  />
                );
              })}
            </div>
          </fieldset>
        );
      })}
      <Conflicts {...store} say={(_, value) => `${textOf(value)} ${typedUnit(value)}`.trim()} />
    </>
  );
}
