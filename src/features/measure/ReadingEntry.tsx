'use client';

import { useEffect, useRef, type KeyboardEvent } from 'react';
import { fastenerName } from '@/core/readings';
import { UNIT_SIGN } from '@/core/units';
import {
  doubtedReading,
  isDialSet,
  unitOf,
  type BenchCorner,
  type BenchSet,
  type BenchState,
  type DoubtedReading,
} from './model';

interface ReadingEntryProps {
  readonly set: BenchSet;
  readonly state: BenchState;
  readonly corner: BenchCorner;
  readonly onType: (text: string) => void;
  readonly onEnter: () => void;
  readonly onStep: (by: 1 | -1) => void;
  readonly onCorrect: (doubted: DoubtedReading) => void;
}

const SLIP_NAME: Readonly<Record<DoubtedReading['slip']['kind'], string>> = {
  sign: 'the sign slipped',
  decimal: 'the decimal mark slipped',
  digits: 'two digits changed over',
  unit: 'another unit',
};

const flipSign = (text: string): string =>
  /^\s*[-\u2212]/.test(text) ? text.replace(/^\s*[-\u2212]/, '') : `-${text.trim()}`;

function placeName(set: BenchSet, position: number, corner: BenchCorner): string {
  if (position === set.positions) return 'Position 1 again, to close the lap';
  const chalk = position === 0 ? ` (chalk mark, ${fastenerName(corner.fastening)} 1)` : '';
  return `Position ${position + 1} of ${set.positions}${chalk}`;
}

/** The field in which a reading is typed: a number, Enter, next. */
export function ReadingEntry(props: ReadingEntryProps) {
  const { set, state, corner, onType, onEnter, onStep, onCorrect } = props;
  const input = useRef<HTMLInputElement>(null);
  const { cursor, draft, error } = state;
  const place = cursor ? `${cursor.lap}.${cursor.position}` : '';
  useEffect(() => {
    input.current?.focus();
    input.current?.select();
  }, [place, set.id]);
  const doubted = doubtedReading(set, cursor, corner.units);
  if (!cursor) return null;
  const keys = (event: KeyboardEvent<HTMLInputElement>): void => {
    const steps: Record<string, 1 | -1> = { ArrowDown: 1, ArrowUp: -1 };
    const isWhole = event.currentTarget.selectionEnd === draft.length;
    const isStart = event.currentTarget.selectionStart === 0;
    if (event.key === 'ArrowRight' && isWhole) steps.ArrowRight = 1;
    if (event.key === 'ArrowLeft' && isStart) steps.ArrowLeft = -1;
    if (event.key === 'F2' && doubted) {
      event.preventDefault();
      onCorrect(doubted);
    }
    const by = steps[event.key];
    if (by !== undefined) {
      event.preventDefault();
      onStep(by);
    }
  };
  const name = placeName(set, cursor.position, corner);
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onEnter();
      }}
    >
      <label htmlFor="reading" className="fw-bold">
        {set.laps > 1 && `Lap ${cursor.lap + 1} · `}
        {name}
      </label>
      <div className="d-flex gap-2 align-items-center">
        {isDialSet(set) && (
          <button
            type="button"
            className="btn btn-outline-secondary fs-4"
            title="Plus or minus"
            onClick={() => {
              onType(flipSign(draft));
              input.current?.focus();
            }}
          >
            ±<span className="visually-hidden">change the sign</span>
          </button>
        )}
        <input
          id="reading"
          ref={input}
          className={`form-control zh-entry-input ${error ? 'is-invalid' : ''}`}
          inputMode="decimal"
          autoComplete="off"
          enterKeyHint="next"
          aria-describedby="reading-note"
          aria-invalid={error !== null}
          value={draft}
          onChange={(event) => onType(event.target.value)}
          onKeyDown={keys}
        />
        <span className="zh-muted fs-5">{UNIT_SIGN[unitOf(set, corner.units)]}</span>
        <button className="btn btn-primary">
          {cursor.position === set.positions && draft.trim() === '' ? 'Skip' : 'Next'}
        </button>
      </div>
      <div id="reading-note" className="mt-1" role="alert">
        {error && <span className="zh-error">{error}</span>}
      </div>
      {doubted && (
        <p className="mb-0" role="status">
          Position {doubted.place.position + 1}: <span className="zh-figure">{doubted.typed}</span>{' '}
          stands far off. Meant <span className="zh-figure">{doubted.slip.text}</span>,{' '}
          {SLIP_NAME[doubted.slip.kind]}?{' '}
          <button
            type="button"
            className="btn btn-outline-secondary"
            onClick={() => {
              onCorrect(doubted);
              input.current?.focus();
            }}
          >
            Change it (F2)
          </button>
        </p>
      )}
    </form>
  );
}
