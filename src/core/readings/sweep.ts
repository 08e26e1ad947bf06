import { maximum, meanOf, minimum } from '../numeric';
import type { Degrees, Micrometres } from '../units';

/** What a gauge on a cable sent while the wheel was turned slowly once round. */
export interface Sweep {
  /** When each reading came, in milliseconds, rising. */
  readonly times: readonly number[];
  /** What the dial showed then, in micrometres. */
  readonly values: readonly Micrometres[];
  /**
   * When the chalk mark left the probe, when each further stud passed it and when the mark was back;
   * or the first and the last of them alone, for a turn of even speed.
   */
  readonly marks: readonly number[];
}

/** How a sweep was turned, as its marks tell it. */
export interface SweepPace {
  readonly seconds: number;
  /** Whether each stud was marked; by its ends alone a turn is taken as even. */
  readonly isMarked: boolean;
  /** The slowest stretch, counted from 1 at the chalk mark, and how much slower than the fastest; null by the ends alone. */
  readonly slowest: { readonly stretch: number; readonly ratio: number } | null;
}

/** A sweep as a lap of evenly spaced places. */
export interface SweptLap {
  readonly positions: number;
  /** One a place, in micrometres: the mean of the readings that came there. */
  readonly values: readonly Micrometres[];
  /** The mark again at the end of the turn. */
  readonly closing: Micrometres;
  /** Readings of the gauge that it was made of. */
  readonly readings: number;
  readonly pace: SweepPace;
  /** Where nothing came for so long that a spot could lie there. */
  readonly gaps: readonly SweepGap[];
}

export type ReadSweep =
  | { readonly ok: true; readonly lap: SweptLap }
  | { readonly ok: false; readonly message: string };

/** Places that a sweep is thinned to, the most first; each has those of the ones after it. */
export const SWEEP_PLACES = [240, 120, 60] as const;
/** A turn takes no less and no longer, in seconds. */
const SHORTEST = 3;
const LONGEST = 180;
/** Most readings that one turn may have. */
export const MOST_SWEPT = 6000;
/** The beginning and the end of a turn are read off a line through what came so near to them. */
const EDGE: Degrees = 4;
/** Where the face is even, so near. */
export const EDGE_EVEN: Degrees = 12;
/** They lie no farther off a line there than so many times their scatter. */
const EVEN = 1.25;
const FEWEST_AT_EDGE = 3;
/** Of the places so many may have no reading of their own, and nothing may be missing for longer. */
const MOST_EMPTY = 0.1;
const LONGEST_GAP: Degrees = 12;
/** What lies in a gap from here on is worth a word. */
const TOLD_GAP: Degrees = 6;
const AGAIN = 'Turn more slowly and evenly, or let the gauge send more often.';

/** A stretch so much slower than the fastest is worth a word. */
export const UNEVEN_PACE = 2;

/** Why the marks of a turn cannot be; null where they can. */
function marksProblem(marks: readonly number[], studs: number): string | null {
  if (marks.length !== 2 && marks.length !== studs + 1) {
    const passed = Math.max(0, marks.length - 2);
    return `${passed} of ${studs - 1} studs were marked as they passed: mark each, or the beginning and the end alone.`;
  }
  const isRising = marks.every((mark, i) => i === 0 || mark > marks[i - 1]!);
  if (!isRising) return 'The marks of the turn are not in order.';
  const seconds = (marks.at(-1)! - marks[0]!) / 1000;
  if (seconds < SHORTEST)
    return `The turn took ${seconds.toFixed(1)} s: turn slowly, in some 15 s.`;
  return seconds > LONGEST
    ? `The turn took ${Math.round(seconds)} s: take it again in one go.`
    : null;
}

/** Where the wheel stood at a time: even between two marks. */
function angleAt(time: number, marks: readonly number[]): Degrees {
  const stretches = marks.length - 1;
  let i = 0;
  while (i < stretches - 1 && time > marks[i + 1]!) i += 1;
  const share = (time - marks[i]!) / (marks[i + 1]! - marks[i]!);
  return (360 * (i + share)) / stretches;
}

interface Placed {
  readonly angle: Degrees;
  readonly value: Micrometres;
}

/** A line through readings: what it says at an angle, and how far they lie off it. */
function lineThrough(
  own: readonly Placed[],
  angle: Degrees,
): { readonly value: Micrometres; readonly spread: Micrometres } {
  const middle = meanOf(own.map((each) => each.angle));
  const mean = meanOf(own.map(({ value }) => value));
  let [across, along, off] = [0, 0, 0];
  for (const each of own) {
    across += (each.angle - middle) ** 2;
    along += (each.angle - middle) * (each.value - mean);
    off += (each.value - mean) ** 2;
  }
  const slope = across > 0 ? along / across : 0;
  const freedom = Math.max(1, own.length - 2);
  return {
    value: mean + slope * (angle - middle),
    spread: Math.sqrt(Math.max(0, off - slope * along) / freedom),
  };
}

/** Scatter of single readings, from how each lies between its neighbours. */
function scatterOf(sorted: readonly Placed[]): Micrometres {
  let sum = 0;
  for (let i = 1; i < sorted.length - 1; i += 1) {
    sum += (sorted[i - 1]!.value - 2 * sorted[i]!.value + sorted[i + 1]!.value) ** 2;
  }
  return Math.sqrt(sum / (6 * Math.max(1, sorted.length - 2)));
}

/**
 * What stands at an end of the turn: a line through the readings beside it, through more of them where
 * the face is even there.
 */
function atEdge(sorted: readonly Placed[], edge: 0 | 360, scatter: Micrometres): Micrometres {
  const near = (within: Degrees): readonly Placed[] => {
    const own = sorted.filter(({ angle }) => Math.abs(angle - edge) <= within);
    if (own.length >= FEWEST_AT_EDGE) return own;
    return edge === 0 ? sorted.slice(0, FEWEST_AT_EDGE) : sorted.slice(-FEWEST_AT_EDGE);
  };
  const wide = lineThrough(near(EDGE_EVEN), edge);
  return wide.spread <= EVEN * scatter ? wide.value : lineThrough(near(EDGE), edge).value;
}

/** A stretch of the turn in which nothing came, in degrees. */
export interface SweepGap {
  readonly from: Degrees;
  readonly to: Degrees;
}

interface FilledPlaces {
  /** One a place, and the closing reading. */
  readonly places: readonly Micrometres[];
  readonly gaps: readonly SweepGap[];
}

/** The stretches without a reading, in places: first and last of each. */
function emptyRuns(counts: readonly number[]): (readonly [number, number])[] {
  const runs: [number, number][] = [];
  counts.forEach((count, j) => {
    if (count > 0) return;
    const last = runs.at(-1);
    if (last?.[1] === j - 1) last[1] = j;
    else runs.push([j, j]);
  });
  return runs;
}

/**
 * The means of the readings at so many even places; null where too many of them have none. A place without one lies on the line between its neighbours.
 */
function placesOf(sorted: readonly Placed[], n: number): FilledPlaces | null {
  const step = 360 / n;
  const sums = Array.from({ length: n + 1 }, () => ({ count: 0, angle: 0, value: 0 }));
  for (const { angle, value } of sorted) {
    const sum = sums[Math.min(n, Math.max(0, Math.round(angle / step)))]!;
    sum.count += 1;
    sum.angle += angle;
    sum.value += value;
  }
  // The first place and its closing reading come from the edges.
  const counts = sums.map(({ count }, j) => (j === 0 || j === n ? 1 : count));
  const runs = emptyRuns(counts);
  const empty = runs.reduce((sum, [from, to]) => sum + to - from + 1, 0);
  if (empty > MOST_EMPTY * n) return null;
  const means: Placed[] = sums.map(({ count, angle, value }, j) => ({
    angle: count > 0 ? angle / count : j * step,
    value: value / count,
  }));
  const scatter = scatterOf(sorted);
  means[0] = { angle: 0, value: atEdge(sorted, 0, scatter) };
  means[n] = { angle: 360, value: atEdge(sorted, 360, scatter) };
  for (const [from, to] of runs) {
    const [before, after] = [means[from - 1]!, means[to + 1]!];
    for (let j = from; j <= to; j += 1) {
      const share = (j * step - before.angle) / (after.angle - before.angle);
      means[j] = { angle: j * step, value: before.value + share * (after.value - before.value) };
    }
  }
  // The readings of a place do not lie evenly about it: what the face slopes there is taken out.
  const places = means.map(({ angle, value }, j) => {
    const [before, after] = [means[j - 1], means[j + 1]];
    if (!before || !after) return value;
    const slope = (after.value - before.value) / (after.angle - before.angle);
    return value + slope * (j * step - angle);
  });
  const gaps = runs
    .map(([from, to]) => ({ from: (from - 0.5) * step, to: (to + 0.5) * step }))
    .filter(({ from, to }) => to - from >= TOLD_GAP);
  return { places, gaps };
}

/** The longest stretch in which nothing came. */
function longestGap(sorted: readonly Placed[]): SweepGap {
  const angles = [0, ...sorted.map(({ angle }) => angle), 360];
  let widest: SweepGap = { from: 0, to: 0 };
  angles.forEach((to, i) => {
    const from = angles[i - 1] ?? 0;
    if (to - from > widest.to - widest.from) widest = { from, to };
  });
  return widest;
}

function paceOf(marks: readonly number[]): SweepPace {
  const stretches = marks.slice(1).map((mark, i) => mark - marks[i]!);
  const longest = maximum(stretches);
  return {
    seconds: (marks.at(-1)! - marks[0]!) / 1000,
    isMarked: stretches.length > 1,
    slowest:
      stretches.length > 1
        ? { stretch: stretches.indexOf(longest) + 1, ratio: longest / minimum(stretches) }
        : null,
  };
}

/**
 * A sweep as a lap of even places, in the theta sense from the chalk mark: as many of
 * `SWEEP_PLACES` as have a reading each, nearly, or exactly `wanted` of them. Between two marks the wheel
 * is taken to turn evenly. Says in words why a turn cannot be taken. Lengths in micrometres, times
 * in milliseconds.
 */
export function readSweep(sweep: Sweep, studs: number, wanted?: number): ReadSweep {
  const { times, values, marks } = sweep;
  const problem = marksProblem(marks, studs);
  if (problem !== null) return { ok: false, message: problem };
  const [begin, end] = [marks[0]!, marks.at(-1)!];
  const placed = times.flatMap((time, i): Placed[] =>
    time < begin || time > end ? [] : [{ angle: angleAt(time, marks), value: values[i]! }],
  );
  const gap = longestGap(placed);
  if (gap.to - gap.from > LONGEST_GAP) {
    const [from, to] = [Math.round(gap.from), Math.round(gap.to)];
    return { ok: false, message: `From ${from}° to ${to}° of the turn no reading came. ${AGAIN}` };
  }
  const counts = wanted === undefined ? SWEEP_PLACES : [wanted];
  for (const n of counts) {
    const filled = placed.length < n ? null : placesOf(placed, n);
    if (!filled) continue;
    const { places, gaps } = filled;
    const lap = {
      positions: n,
      values: places.slice(0, n),
      closing: places[n]!,
      readings: placed.length,
      pace: paceOf(marks),
      gaps,
    };
    return { ok: true, lap };
  }
  const fewest = counts.at(-1)!;
  const message = `${placed.length} readings came in this turn, and ${fewest} places round the rotor want one each. ${AGAIN}`;
  return { ok: false, message };
}

/**
 * Evenly spaced values round a turn as they are at other places: the mean over so many of its
 * own steps as one of the others takes (`across`, degrees), centred there.
 */
export function thinnedAt(
  values: readonly Micrometres[],
  angles: readonly Degrees[],
  across: Degrees,
): Micrometres[] {
  const n = values.length;
  const step = 360 / n;
  const half = Math.max(across / step / 2, 0.5);
  return angles.map((angle) => {
    const middle = angle / step;
    let [sum, weights] = [0, 0];
    for (let j = Math.ceil(middle - half - 0.5); j <= Math.floor(middle + half + 0.5); j += 1) {
      // What of a step lies outside counts by what lies inside.
      const weight = Math.min(1, half + 0.5 - Math.abs(j - middle));
      if (weight <= 0) continue;
      sum += weight * values[((j % n) + n) % n]!;
      weights += weight;
    }
    return sum / weights;
  });
}
