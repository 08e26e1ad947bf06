'use client';

import { useState } from 'react';
import { LENGTH_KINDS, readTyped, type LengthKind } from '@/core/readings';
import { reservoirRise, type PlannedStep } from '@/core/procedure';
import { fieldUnit, formatNumber, UNIT_SIGN, type UnitSystem } from '@/core/units';
import { TextField } from '@/ui/field';
import { Cautions, ContactTable } from '@/ui/procedure';
import { checkAt, type CheckChange, type CheckView } from './model';
import picks from '@/ui/shell/picks.module.css';

/** What is known of the calipers whose pistons go back. */
export interface Pistons {
  readonly count: number | null;
  readonly diameterUm: number | null;
  /** Calipers of the job. */
  readonly calipers: number;
}

interface ReservoirProps {
  readonly pistons: Pistons;
  readonly units: UnitSystem;
}

/** How far the reservoir rises when the pistons go back. */
export function ReservoirRise({ pistons, units }: ReservoirProps) {
  const unit = fieldUnit(units, 'size');
  const [texts, setTexts] = useState({
    diameter:
      pistons.diameterUm === null
        ? ''
        : formatNumber(pistons.diameterUm, unit).replace(/\.?0+$/, ''),
    count: String(pistons.count ?? ''),
    calipers: String(pistons.calipers),
    travel: '',
  });
  const length = (text: string, kind: LengthKind) =>
    text.trim() === '' ? null : readTyped(text, unit, kind);
  const diameter = length(texts.diameter, LENGTH_KINDS.piston);
  const travel = length(texts.travel, LENGTH_KINDS.travel);
  const whole = (text: string): number | null =>
    /^[1-9]$/.test(text.trim()) ? Number(text) : null;
  const [count, calipers] = [whole(texts.count), whole(texts.calipers)];
  const rise =
    diameter?.ok && travel?.ok && count !== null && calipers !== null
      ? calipers *
        reservoirRise([
          { pistons: count, diameter: diameter.length.value, travel: travel.length.value },
        ])
      : null;
  const set = (name: keyof typeof texts) => (text: string) => setTexts({ ...texts, [name]: text });
  return (
    <div>
      <div className="zh-limits">
        <TextField
          label={`Piston diameter (${UNIT_SIGN[unit]})`}
          value={texts.diameter}
          onChange={set('diameter')}
          error={diameter?.ok === false ? diameter.message : undefined}
          isFigure
        />
        <TextField
          label="Pistons in a caliper"
          value={texts.count}
          onChange={set('count')}
          isFigure
        />
        <TextField
          label="Calipers pushed back"
          value={texts.calipers}
          onChange={set('calipers')}
          isFigure
        />
        <TextField
          label={`Travel of a piston (${UNIT_SIGN[unit]})`}
          value={texts.travel}
          onChange={set('travel')}
          hint="What the new pads are thicker by; in a floating caliper both pads together."
          error={travel?.ok === false ? travel.message : undefined}
          isFigure
        />
      </div>
      <p role="status">
        {rise === null ? (
          'Fill in the four figures to see how much fluid goes back.'
        ) : (
          <>
            <span className="zh-figure fs-4">{rise.toFixed(1)} ml</span> go back into the reservoir.
            If it is topped up, draw that much off first.
          </>
        )}
      </p>
    </div>
  );
}

interface RetractionsProps {
  readonly corner: string;
  readonly step: PlannedStep;
  readonly checks: readonly CheckView[];
  readonly onWrite: (change: CheckChange) => void;
}

/** The ways to push pistons back that this vehicle allows, each with its harms. */
export function Retractions({ corner, step, checks, onWrite }: RetractionsProps) {
  const key = { kind: 'method', place: corner, item: 'retraction' } as const;
  const chosen = checkAt(checks, key)?.value;
  return (
    <fieldset className="mb-2">
      <legend className="fs-6 fw-bold mb-1">How the pistons go back</legend>
      {step.retractions.map(({ code, name, how, harms }) => (
        <label key={code} className={picks.choice}>
          <input
            type="radio"
            name={`method-${corner}`}
            checked={chosen === code}
            onChange={() => onWrite({ ...key, value: code, note: null })}
          />
          <span>
            <strong>{name}.</strong> {how} <span className="zh-muted">{harms.join(' ')}</span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}

/** Ladders and contact points where they are needed, folded away. */
export function Helps({ step }: { readonly step: PlannedStep }) {
  const { ladders, contacts } = step.atHand;
  return (
    <>
      {ladders.map(({ code, name, steps, condemns, cautions }) => (
        <details key={code}>
          <summary className="zh-fold">{name}: what to try, in order</summary>
          <Cautions cautions={cautions} />
          <ol className="mb-1">
            {steps.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ol>
          <p className="mb-2">
            <strong>Condemns:</strong> {condemns}
          </p>
        </details>
      ))}
      {contacts.length > 0 && (
        <details>
          <summary className="zh-fold">What goes where</summary>
          <ContactTable contacts={contacts} />
        </details>
      )}
    </>
  );
}
