import type { SweepRecord } from '@/core/assessment';
import type { LengthUnit, Micrometres } from '@/core/units';

/** Places of the curve that is drawn while the wheel turns. */
const DRAWN = 120;

/** A turn that is under way: what came, in milliseconds since the mark left. */
export interface Turn {
  /** By the clock of the page. */
  readonly begun: number;
  readonly times: number[];
  readonly values: Micrometres[];
  readonly marks: number[];
  unit: LengthUnit;
  drawnAt: number;
}

export const beginTurn = (begun: number): Turn => ({
  ...{ begun, times: [], values: [], marks: [0], unit: 'um', drawnAt: 0 },
});

/** A turn as it is kept. */
export const recordOf = ({ unit, times, values, marks }: Turn): SweepRecord => ({
  ...{ unit, times, values, marks },
});

/** How many stretches between marks the wheel had turned at a time: on from the last at the pace before it. */
function turnedAt(time: number, { times, marks }: Turn): number {
  const passed = marks.length - 1;
  const last = marks.at(-1)!;
  if (time < last) {
    const at = Math.max(
      0,
      marks.findLastIndex((mark) => mark <= time),
    );
    return at + (time - marks[at]!) / (marks[at + 1]! - marks[at]!);
  }
  // Before the first stud nobody knows the pace: what came fills half of the stretch.
  const pace = passed > 0 ? (last - marks[0]!) / passed : 2 * Math.max(times.at(-1) ?? 0, 1);
  return passed + Math.min(0.99, (time - last) / pace);
}

/** What came so far as a curve round the rotor, null where the wheel has not been. */
export function curveSoFar(turn: Turn, studs: number): (number | null)[] {
  const curve = new Array<number | null>(DRAWN).fill(null);
  turn.times.forEach((time, i) => {
    const place = Math.round((DRAWN * turnedAt(time, turn)) / studs);
    if (place < DRAWN) curve[place] = turn.values[i]!;
  });
  return curve;
}
