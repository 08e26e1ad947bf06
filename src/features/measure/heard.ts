import { beyondPlace } from '@/core/assessment';
import { formatIn } from '@/core/units';
import { VERDICT_WORD } from '@/core/verdict';
import {
  doubtedReading,
  isDialSet,
  type BenchCorner,
  type BenchReading,
  type BenchSet,
  type Cursor,
} from './model';
import { placeName } from './placeName';
import type { SetResult } from './result';

/** What a reading is heard as: taken, doubted, or the last of its lap. */
export type HeardAs = 'taken' | 'doubted' | 'end';

export interface Heard {
  readonly as: HeardAs;
  /** What is said aloud: the place and the figure, as short as can be. */
  readonly spoken: string;
  /** What a screen reader reads: the figure, and the place that is next or the verdict. */
  readonly told: string;
}

/** The figure as it is called at the dial, in its steps; a thickness by its last three digits. */
function figureOf(set: BenchSet, { valueUm }: BenchReading): string {
  if (isDialSet(set)) return String(Math.round(valueUm / set.resolutionUm));
  return String(Math.round(valueUm)).slice(-3);
}

function placeOf(set: BenchSet, position: number): string {
  const beyond = beyondPlace(set, position);
  if (beyond?.of === 'turn') return beyond.end === 'high' ? 'highest' : 'lowest';
  if (beyond) return `${beyond.angleDeg} degrees`;
  return position === set.positions ? '1 again' : String(position + 1);
}

/** A result in words: its verdict, its figure and the limit that it is held against. */
export function sayResult(result: SetResult, { units }: Pick<BenchCorner, 'units'>): string {
  const verdict = result.kind === 'runout' ? result.runout.verdict : result.figures.dtvVerdict;
  const inUnits = (value: number): string => formatIn(units, 'deviation', value);
  const figure = verdict.value === null ? '' : `, ${inUnits(verdict.value)}`;
  return `${VERDICT_WORD[verdict.state]}${figure}, limit ${inUnits(verdict.limit)}`;
}

/** The place and the figure that was taken there: "position 5 of 12, 0.03". */
function readAs(set: BenchSet, { position, text }: BenchReading): string {
  return beyondPlace(set, position) || position === set.positions
    ? `${placeOf(set, position)}, ${text}`
    : `position ${position + 1} of ${set.positions}, ${text}`;
}

/** Whether a reading is the last of its lap; what is asked for beyond the places comes after that. */
export function isLapRead(set: BenchSet, reading: BenchReading, next: Cursor | null): boolean {
  const isBeyond = ({ position }: Cursor): boolean => beyondPlace(set, position) !== null;
  return next === null || next.lap !== reading.lap || (isBeyond(next) && !isBeyond(reading));
}

/**
 * What is heard when a reading is taken: `set` as it stands after it, `next` the place that is read
 * after it (null at the end), `result` what the solvers say of the set now.
 */
export function heardOf(
  set: BenchSet,
  reading: BenchReading,
  next: Cursor | null,
  result: SetResult | null,
  corner: BenchCorner,
): Heard {
  const isEnd = isLapRead(set, reading, next);
  const doubted = doubtedReading(set, next, corner);
  const figure = figureOf(set, reading);
  const isSaid = isEnd && result !== null;
  const then = [
    isSaid ? `${sayResult(result, corner)}.` : next === null && 'The set is read.',
    next && `Next: ${placeName(set, next.position, corner)}.`,
  ].filter((each) => typeof each === 'string');
  return {
    as: doubted ? 'doubted' : isEnd ? 'end' : 'taken',
    spoken: `${placeOf(set, reading.position)}: ${figure.replace('-', 'minus ')}`,
    told: [
      `${readAs(set, reading)}${doubted ? `; it stands far off, F2 makes it ${doubted.slip.text}` : ''}.`,
      ...then,
    ].join(' '),
  };
}
