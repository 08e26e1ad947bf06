'use client';

import { Button, FormControl } from 'react-bootstrap';
import { useEffect, useRef, useSyncExternalStore, type KeyboardEvent, type RefObject } from 'react';
import { isFree } from '@/ui/keys';
import { asMinus, flipSign } from '@/core/readings';
import { UNIT_SIGN } from '@/core/units';
import { Doubt } from './Doubt';
import {
  doubtedReading,
  isDialSet,
  openPlaces,
  readingAt,
  unitOf,
  writtenOut,
  type BenchCorner,
  type BenchSet,
  type BenchState,
  type Cursor,
  type DoubtedReading,
} from './model';
import { NumberPad } from './NumberPad';
import { placeName } from './placeName';
import { useQuickDigits, useTwoDigits } from './quickDigits';
import styles from './measure.module.css';

interface ReadingEntryProps {
  readonly set: BenchSet;
  readonly state: BenchState;
  readonly corner: BenchCorner;
  readonly onType: (text: string) => void;
  /** Takes what is in the field, or the text given. */
  readonly onEnter: (text?: string) => void;
  /** Leaves out what is asked for; an open gauge’s figure is not taken for it. */
  readonly onSkip: () => void;
  readonly onStep: (by: 1 | -1) => void;
  readonly onCorrect: (doubted: DoubtedReading) => void;
  /** Takes what an open gauge shows now; null while none is open. */
  readonly onShown?: (() => void) | null;
}

const COARSE = '(pointer: coarse)';

/** Whether the screen is worked by thumbs: then the pad of our own stands in for the phone’s. */
const useThumbs = (): boolean =>
  useSyncExternalStore(
    (tell) => {
      const query = window.matchMedia?.(COARSE);
      query?.addEventListener('change', tell);
      return () => query?.removeEventListener('change', tell);
    },
    () => window.matchMedia?.(COARSE).matches ?? false,
    () => false,
  );

/** What a short entry means here, in this gauge’s own steps. */
function hint(set: BenchSet, cursor: Cursor, corner: BenchCorner, isQuick: boolean): string {
  if (!isDialSet(set)) {
    return isQuick
      ? 'After the first, its last two digits take it; Backspace goes back to it.'
      : 'After the first, its last two digits are enough.';
  }
  const twelve = writtenOut(set, cursor, '12', corner);
  const steps =
    twelve === '12' ? '' : `Without a mark 12 is ${twelve} ${UNIT_SIGN[unitOf(set, corner)]}; `;
  return `${steps}12 and then − takes it as minus.`;
}

/** A figure that is typed while something else has the focus goes to the reading that is next. */
function useFigureKeys(input: RefObject<HTMLInputElement | null>): void {
  useEffect(() => {
    const listen = (event: globalThis.KeyboardEvent): void => {
      if (!/^[-+.,0-9]$/.test(event.key) || !isFree(event)) return;
      if (document.querySelector('dialog[open]')) return;
      const field = input.current;
      field?.focus();
      field?.setSelectionRange(field.value.length, field.value.length);
    };
    // After everybody who takes figures where the focus is.
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [input]);
}

/** The field in which a reading is typed: a number, Enter, next. */
export function ReadingEntry(props: ReadingEntryProps) {
  const { set, state, corner, onType, onEnter, onSkip, onStep, onCorrect, onShown } = props;
  const input = useRef<HTMLInputElement>(null);
  const hasThumbs = useThumbs();
  const { cursor, draft, error } = state;
  const place = cursor ? `${cursor.lap}.${cursor.position}` : '';
  const isRead = cursor !== null && readingAt(set, cursor) !== undefined;
  useEffect(() => {
    input.current?.focus();
    // A figure that stands is typed over; one that was begun goes on.
    if (isRead) input.current?.select();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a place is come to once, whatever is read of it then
  }, [place, set.id]);
  useFigureKeys(input);
  const doubted = doubtedReading(set, cursor, corner);
  const isDial = isDialSet(set);
  // The last place open is entered: with it the field goes, and a third digit would be nobody’s.
  const hasMore = openPlaces(set) > 1;
  const isWanted = useQuickDigits() && !isDial && hasMore;
  const two = useTwoDigits(set.id, isWanted, (text) =>
    cursor ? writtenOut(set, cursor, text, corner) : text,
  );
  if (!cursor) return null;
  const unit = unitOf(set, corner);
  const whole = writtenOut(set, cursor, draft, corner);
  const type = (text: string): void => {
    const heeded = two.heed(text);
    if (heeded?.as === 'more') onStep(-1);
    onType(heeded?.text ?? text);
    if (heeded?.as === 'taken') onEnter(heeded.text);
  };
  const keys = (event: KeyboardEvent<HTMLInputElement>): void => {
    const { selectionStart, selectionEnd } = event.currentTarget;
    const isEnd = selectionEnd === draft.length;
    const steps: Record<string, 1 | -1> = { ArrowDown: 1, ArrowUp: -1 };
    if (event.key === 'ArrowRight' && isEnd) steps.ArrowRight = 1;
    if (event.key === 'ArrowLeft' && selectionStart === 0) steps.ArrowLeft = -1;
    const by = steps[event.key];
    const signs = isDial && /\d\s*$/.test(draft) && isEnd && selectionStart === selectionEnd;
    if (by !== undefined) {
      event.preventDefault();
      onStep(by);
    } else if (event.key === 'Backspace' && two.isQuick && draft === '') {
      // What was taken by itself is there again to be typed over.
      event.preventDefault();
      onStep(-1);
    } else if (event.key === ' ' && onShown) {
      event.preventDefault();
      onShown();
    } else if (signs && (event.key === '-' || event.key === '+')) {
      event.preventDefault();
      onEnter(event.key === '-' ? asMinus(draft) : draft);
    }
  };
  const canSkip = cursor.position >= set.positions;
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        two.learn(draft);
        onEnter();
      }}
    >
      <label htmlFor="reading" className="fs-5">
        {set.laps > 1 && `Lap ${cursor.lap + 1} · `}
        {placeName(set, cursor.position, corner)}
      </label>
      <div className="d-flex gap-2 align-items-center">
        {isDial && (
          <Button
            type="button"
            variant="outline-secondary"
            className={`fs-4 ${styles.sign}`}
            title="Plus or minus"
            onClick={() => {
              onType(flipSign(draft));
              input.current?.focus();
            }}
          >
            ±<span className="visually-hidden">change the sign</span>
          </Button>
        )}
        <FormControl
          id="reading"
          ref={input}
          className={styles.entryInput}
          isInvalid={error !== null}
          inputMode={hasThumbs ? 'none' : 'decimal'}
          autoComplete="off"
          enterKeyHint="next"
          aria-describedby="reading-note"
          aria-invalid={error !== null}
          value={draft}
          onChange={(event) => type(event.target.value)}
          onKeyDown={keys}
        />
        <span className="zh-muted fs-5">{UNIT_SIGN[unit]}</span>
        {canSkip && draft.trim() === '' ? (
          <Button variant="primary" onClick={onSkip}>
            Skip
          </Button>
        ) : (
          <Button type="submit" variant="primary">
            Next
          </Button>
        )}
      </div>
      <div className={styles.meant}>
        {draft.trim() !== '' && whole !== draft ? (
          <>
            = <span className="zh-figure">{whole}</span> {UNIT_SIGN[unit]}
          </>
        ) : (
          <span className="zh-muted">{hint(set, cursor, corner, two.isQuick)}</span>
        )}
      </div>
      <div id="reading-note" role="alert">
        {error && <span className="zh-error">{error}</span>}
      </div>
      {/* A virtual gauge has its own key, and its wheel needs the room. */}
      {hasThumbs && !set.isVirtual && !corner.practice && (
        <NumberPad
          draft={draft}
          isSigned={isDial}
          canSkip={canSkip}
          // A thumb presses Take each time: what comes under it when the pad goes must not be pressed by habit.
          onType={onType}
          onTake={onEnter}
          onSkip={onSkip}
        />
      )}
      {doubted && (
        <Doubt
          doubted={doubted}
          onCorrect={(each) => {
            onCorrect(each);
            input.current?.focus();
          }}
        />
      )}
    </form>
  );
}
