'use client';

import { asMinus } from '@/core/readings';
import { Button } from 'react-bootstrap';
import styles from './measure.module.css';

interface NumberPadProps {
  readonly draft: string;
  /** A dial reading may be negative: the pad then has a key that takes it so. */
  readonly isSigned: boolean;
  /** What Take does with an empty field: skips, or says what is missing. */
  readonly canSkip: boolean;
  readonly onType: (text: string) => void;
  readonly onTake: (text: string) => void;
  readonly onSkip: () => void;
}

const ROWS = [
  ['7', '8', '9'],
  ['4', '5', '6'],
  ['1', '2', '3'],
] as const;

/** A pad for thumbs in gloves: figures, and one key that takes the reading. */
export function NumberPad(props: NumberPadProps) {
  const { draft, isSigned, canSkip, onType, onTake, onSkip } = props;
  const key = (label: string, name: string, press: () => void, place?: string, isTake = false) => (
    <Button
      key={name}
      variant={isTake ? 'primary' : 'outline-secondary'}
      className={place}
      aria-label={name}
      onClick={press}
    >
      {label}
    </Button>
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
      {key('0', '0', () => onType(`${draft}0`), styles.padZero)}
      {key('⌫', 'Delete the last figure', () => onType(draft.slice(0, -1)), styles.padDelete)}
      {isSigned &&
        key(
          '− Take',
          'Take as minus',
          () => onTake(isEmpty ? '' : asMinus(draft)),
          styles.padMinus,
          true,
        )}
      {key(
        isEmpty && canSkip ? 'Skip' : isSigned ? '+ Take' : 'Take',
        isEmpty && canSkip ? 'Skip' : 'Take',
        () => (isEmpty && canSkip ? onSkip() : onTake(draft)),
        styles.padTake,
        true,
      )}
    </div>
  );
}
