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

function verdictOf(result: SetResult | null, { units }: BenchCorner): string {
  if (!result) return 'The set is read.';
  const verdict = result.kind === 'runout' ? result.runout.verdict : result.figures.dtvVerdict;
  const figure = verdict.value === null ? '' : `, ${formatIn(units, 'deviation', verdict.value)}`;
  return `${VERDICT_WORD[verdict.state]}${figure}.`;
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
  const isEnd = next === null || next.lap !== reading.lap;
  const isDoubted = doubtedReading(set, next, corner) !== null;
  const figure = figureOf(set, reading);
  const then = next ? `Next: ${placeName(set, next.position, corner)}` : verdictOf(result, corner);
  return {
    as: isDoubted ? 'doubted' : isEnd ? 'end' : 'taken',
    spoken: `${placeOf(set, reading.position)}: ${figure.replace('-', 'minus ')}`,
    told: `${reading.text} ${reading.unit} taken${isDoubted ? ', doubted' : ''}. ${then}`,
  };
}
