'use client';

import { useEffect, useRef } from 'react';
import { fieldUnit, formatNumber } from '@/core/units';
import { useRoving } from '@/ui/useRoving';
import {
  isDialSet,
  readingAt,
  roleOf,
  type BenchCorner,
  type BenchSet,
  type Cursor,
} from './model';
import styles from './measure.module.css';

interface ReadingLadderProps {
  readonly set: BenchSet;
  readonly lap: number;
  readonly cursor: Cursor | null;
  readonly corner: BenchCorner;
  readonly suspects: readonly number[];
  readonly onPick: (cursor: Cursor) => void;
}

/** The readings of one lap; each can be picked and typed again. */
export function ReadingLadder({ set, lap, cursor, corner, suspects, onPick }: ReadingLadderProps) {
  const list = useRef<HTMLOListElement>(null);
  const isHere = cursor?.lap === lap;
  const place = isHere ? cursor.position : null;
  // On a phone the ladder is one row: the reading that is next stays in sight.
  useEffect(() => {
    const row = list.current;
    if (row === null || place === null || row.scrollWidth <= row.clientWidth) return;
    const next = row.children[place];
    if (next instanceof HTMLElement) row.scrollLeft = next.offsetLeft - row.clientWidth / 2;
  }, [place]);
  const unit = fieldUnit(corner.units, roleOf(set));
  const places = Array.from(
    { length: isDialSet(set) ? set.positions + 1 : set.positions },
    (_, position) => position,
  );
  const rove = useRoving(places.length, place ?? 0, 'ol');
  return (
    <ol ref={list} className={`${styles.ladder} mt-2`} aria-label={`Readings of lap ${lap + 1}`}>
      {places.map((position) => {
        const reading = readingAt(set, { lap, position });
        const isActive = cursor?.lap === lap && cursor.position === position;
        const name = position === set.positions ? '1 again' : String(position + 1);
        return (
          <li key={position}>
            <button
              type="button"
              {...rove(position)}
              aria-label={`Position ${name}: ${reading ? formatNumber(reading.valueUm, unit) : 'not read'}`}
              className={suspects.includes(position) ? 'suspect' : ''}
              aria-current={isActive}
              title={reading ? `typed: ${reading.text}` : undefined}
              onClick={() => onPick({ lap, position })}
            >
              <span className={styles.place}>{name}</span>
              <span className="zh-figure">
                {reading ? formatNumber(reading.valueUm, unit) : '·'}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
