'use client';

import { asMinus } from '@/core/readings';
import styles from './measure.module.css';

interface NumberPadProps {
  readonly draft: string;
  /** A dial reading may be negative: the pad then has a key that takes it so. */
  readonly isSigned: boolean;
  /** What Take does with an empty field: skips, or says what is missing. */
  readonly canSkip: boolean;
  readonly onType: (text: string) => void;
  readonly onTake: (text: string) => void;
}

const ROWS = [
  ['7', '8', '9'],
  ['4', '5', '6'],
  ['1', '2', '3'],
] as const;

/** A pad for thumbs in gloves: figures, and one key that takes the reading. */
export function NumberPad({ draft, isSigned, canSkip, onType, onTake }: NumberPadProps) {
  const key = (label: string, name: string, press: () => void, kind = '') => (
    <button
      key={name}
      type="button"
      className={`btn ${kind || 'btn-outline-secondary'}`}
      aria-label={name}
      onClick={press}
    >
      {label}
    </button>
  );
  const type = (text: string) => key(text, text, () => onType(draft + text));
  const isEmpty = draft.trim() === '';
  return (
    <div
      className={`${styles.pad} mt-2 ${isSigned ? styles.padSigned : ''}`}
      role="group"
      aria-label="Number pad"
    >
      {ROWS.flat().map(type)}
      {type('.')}
      {key('0', '0', () => onType(`${draft}0`), `btn-outline-secondary ${styles.padZero}`)}
      {key(
        '⌫',
        'Delete the last figure',
        () => onType(draft.slice(0, -1)),
        `btn-outline-secondary ${styles.padDelete}`,
      )}
      {isSigned &&
        key(
          '− Take',
          'Take as minus',
          () => onTake(isEmpty ? '' : asMinus(draft)),
          `btn-primary ${styles.padMinus}`,
        )}
      {key(
        isEmpty && canSkip ? 'Skip' : isSigned ? '+ Take' : 'Take',
        isEmpty && canSkip ? 'Skip' : 'Take',
        () => onTake(draft),
        `btn-primary ${styles.padTake}`,
      )}
    </div>
  );
}
