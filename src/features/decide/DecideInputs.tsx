'use client';

import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { EXTRAS, ITEM_NAME, type Extra } from '@/core/options';
import type { Corner } from '@/core/readings';
import { fieldUnit, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { PAD_FAMILIES, type PadFamily } from '@/core/wear';
import { TextField } from '@/ui/field';
import { keepCheck, useRefresh } from '@/ui/keeper';
import styles from './decide.module.css';

/** A figure as it stands, with the stamp of its row. */
export interface Entered {
  readonly text: string;
  readonly stamp: string | null;
}

export interface DecideInputsProps {
  readonly jobId: string;
  readonly corner: Corner;
  readonly units: UnitSystem;
  readonly extras: readonly Extra[];
  readonly withMetal: readonly Extra[];
  readonly isChosen: boolean;
  readonly extrasStamp: string | null;
  readonly padFamily: PadFamily;
  readonly familyStamp: string | null;
  readonly figures: Readonly<Record<'score-outboard' | 'score-inboard' | 'clean-up', Entered>>;
}

const FIGURES = [
  { item: 'score-outboard', label: 'Deepest score or pit, outboard' },
  { item: 'score-inboard', label: 'Deepest score or pit, inboard' },
  { item: 'clean-up', label: 'Clean-up allowance a side' },
] as const;

/** What the options rest on beside the readings: repairs and parts, scores, the pads' family. */
export function DecideInputs(props: DecideInputsProps) {
  const { jobId, corner, units, extras, withMetal } = props;
  const { refresh, isLoading } = useRefresh();
  const [underWay, setUnderWay] = useState(0);
  const [trouble, setTrouble] = useState<Readonly<Record<string, string>>>({});
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const unit = fieldUnit(units, 'deviation');
  const busy = isLoading || underWay > 0;
  const write = (item: string, value: unknown, seen: string | null): void => {
    setUnderWay((count) => count + 1);
    const input = { jobId, kind: 'decide', place: corner, item, value, note: null, seen };
    void keepCheck(input, 'by-writer').then((answer) => {
      setUnderWay((count) => count - 1);
      if (!answer.ok && answer.isDropped) return;
      const message = answer.ok ? null : answer.message;
      setTrouble(({ [item]: _old, ...rest }) => (message ? { ...rest, [item]: message } : rest));
      if (message) return;
      setTexts(({ [item]: _typed, ...rest }) => rest);
      refresh();
    });
  };
  const toggle = (extra: Extra): void =>
    write(
      'extras',
      extras.includes(extra) ? extras.filter((each) => each !== extra) : [...extras, extra],
      props.extrasStamp,
    );
  return (
    <div className={styles.inputs}>
      <fieldset disabled={busy}>
        <legend className="fs-6 fw-bold">
          Done beside the rotor{!props.isChosen && ' (from what was found)'}
        </legend>
        {EXTRAS.map((extra) => (
          <Form.Check
            key={extra}
            id={`${corner}-${extra}`}
            label={`${ITEM_NAME[extra]}${withMetal.includes(extra) && !extras.includes(extra) ? ' – with cut or new rotors by house rule' : ''}`}
            checked={extras.includes(extra)}
            onChange={() => toggle(extra)}
          />
        ))}
        {trouble.extras && <div className="zh-error">{trouble.extras}</div>}
      </fieldset>
      <div>
        {FIGURES.map(({ item, label }) => (
          <form
            key={item}
            onSubmit={(event) => {
              event.preventDefault();
              const text = (texts[item] ?? props.figures[item].text).trim();
              write(item, text === '' ? null : { text, unit }, props.figures[item].stamp);
            }}
            onBlur={() => {
              const text = texts[item]?.trim();
              if (text === undefined || text === props.figures[item].text) return;
              write(item, text === '' ? null : { text, unit }, props.figures[item].stamp);
            }}
          >
            <TextField
              label={`${label} (${UNIT_SIGN[unit]})`}
              isFigure
              value={texts[item] ?? props.figures[item].text}
              error={trouble[item]}
              onChange={(text) => setTexts({ ...texts, [item]: text })}
            />
          </form>
        ))}
        <Form.Group controlId={`${corner}-family`}>
          <Form.Label>Pads that wear this rotor</Form.Label>
          <Form.Select
            value={props.padFamily}
            disabled={busy}
            onChange={({ target }) => write('pad-family', target.value, props.familyStamp)}
          >
            {PAD_FAMILIES.map((family) => (
              <option key={family}>{family}</option>
            ))}
          </Form.Select>
        </Form.Group>
        <p className="zh-muted mb-0">
          Scores are taken as lying at the lowest place, which is safe. An empty allowance is the
          workshop default.
        </p>
      </div>
    </div>
  );
}
