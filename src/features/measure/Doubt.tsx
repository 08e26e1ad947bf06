'use client';

import { Button } from 'react-bootstrap';
import { useEffect } from 'react';
import type { DoubtedReading } from './model';

const SLIP_NAME: Readonly<Record<DoubtedReading['slip']['kind'], string>> = {
  sign: 'the sign slipped',
  decimal: 'the decimal mark slipped',
  digits: 'two digits changed over',
  unit: 'another unit',
};

interface DoubtProps {
  readonly doubted: DoubtedReading;
  readonly onCorrect: (doubted: DoubtedReading) => void;
}

/** A reading that a slip of the hand would explain, and the correction by one key. */
export function Doubt({ doubted, onCorrect }: DoubtProps) {
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (event.key !== 'F2') return;
      event.preventDefault();
      onCorrect(doubted);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [doubted, onCorrect]);
  return (
    <p className="mb-0">
      Position {doubted.place.position + 1}: <span className="zh-figure">{doubted.typed}</span>{' '}
      stands far off. Meant <span className="zh-figure">{doubted.slip.text}</span>,{' '}
      {SLIP_NAME[doubted.slip.kind]}?{' '}
      <Button type="button" variant="outline-secondary" onClick={() => onCorrect(doubted)}>
        Change it (F2)
      </Button>
    </p>
  );
}
