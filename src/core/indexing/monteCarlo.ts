import { countUpTo, quantileOfSorted, seededRandom, type RandomSource } from '../numeric';
import { RADIANS_PER_DEGREE, type Micrometres } from '../units';
import type { SeparatedOrder } from './separate';

/** What the draws say of one shift: 95 % band of the true TIR and the chance to be within. */
export interface Band {
  readonly low: Micrometres;
  readonly high: Micrometres;
  readonly probabilityWithin: number;
}

/** Draws of a prediction. Source: handbook 6 asks for at least 2,000. */
export const DRAWS = 2000;
/** Points of the drawing grid for one turn of the highest order. */
const POINTS_PER_PERIOD = 8;
const MIN_POINTS = 24;

/** cos and sin of every grid point, order by order: [cos₀, sin₀, cos₁, sin₁, …] for the first, then for the next. */
interface Grid {
  readonly points: number;
  readonly table: Float64Array;
}

function gridFor(orders: readonly SeparatedOrder[], studs: number): Grid {
  const top = Math.max(1, ...orders.map(({ order }) => order));
  const wanted = Math.max(MIN_POINTS, POINTS_PER_PERIOD * top);
  // A whole number of points a stud, so that turning the rotor is a shift of its samples.
  const points = studs * Math.ceil(wanted / studs);
  const table = new Float64Array(points * orders.length * 2);
  let at = 0;
  for (const { order } of orders) {
    for (let j = 0; j < points; j += 1) {
      const angle = order * j * (360 / points) * RADIANS_PER_DEGREE;
      table[at] = Math.cos(angle);
      table[at + 1] = Math.sin(angle);
      at += 2;
    }
  }
  return { points, table };
}

/** Phasors of one draw, order by order: [hub re, hub im, rotor re, rotor im, ...]. */
function drawPhasors(
  orders: readonly SeparatedOrder[],
  random: RandomSource,
  phasors: Float64Array,
): void {
  for (let k = 0; k < orders.length; k += 1) {
    const { factor, alternatives, hub, rotor } = orders[k]!;
    const re1 = random.normal();
    const im1 = random.normal();
    const at = 4 * k;
    if (alternatives) {
      const onHub = random.uniform() < 0.5;
      const centre = onHub ? alternatives.hubOnly : alternatives.rotorOnly;
      const re = centre.re + factor.hub * re1;
      const im = centre.im + factor.hub * im1;
      phasors[at] = onHub ? re : 0;
      phasors[at + 1] = onHub ? im : 0;
      phasors[at + 2] = onHub ? 0 : re;
      phasors[at + 3] = onHub ? 0 : im;
      continue;
    }
    const { cross } = factor;
    phasors[at] = hub.re + factor.hub * re1;
    phasors[at + 1] = hub.im + factor.hub * im1;
    phasors[at + 2] = rotor.re + cross.re * re1 - cross.im * im1 + factor.rotor * random.normal();
    phasors[at + 3] = rotor.im + cross.re * im1 + cross.im * re1 + factor.rotor * random.normal();
  }
}

/**
 * Samples hub and rotor wave of one draw; the rotor's twice over (see `tirOf`). Order by order, so that the four
 * figures of one stay at hand while it goes round.
 */
function sampleWaves(
  phasors: Float64Array,
  { points, table }: Grid,
  hub: Float64Array,
  rotor: Float64Array,
): void {
  hub.fill(0);
  rotor.fill(0, 0, points);
  let at = 0;
  for (let p = 0; p < phasors.length; p += 4) {
    const hubRe = phasors[p]!;
    const hubIm = phasors[p + 1]!;
    const rotorRe = phasors[p + 2]!;
    const rotorIm = phasors[p + 3]!;
    for (let j = 0; j < points; j += 1) {
      const cos = table[at]!;
      const sin = table[at + 1]!;
      at += 2;
      hub[j]! += hubRe * cos + hubIm * sin;
      rotor[j]! += rotorRe * cos + rotorIm * sin;
    }
  }
  rotor.copyWithin(points, 0, points);
}

/** Height of a parabola's top through three neighbours, y1 being the extreme. */
function refined(y0: number, y1: number, y2: number): number {
  const bend = y0 - 2 * y1 + y2;
  return bend === 0 ? y1 : y1 - (y0 - y2) ** 2 / (8 * bend);
}

/** The extreme of hub plus turned rotor near sample j, between the samples. */
function extremeNear(hub: Float64Array, rotor: Float64Array, start: number, j: number): number {
  const points = hub.length;
  const before = j === 0 ? points - 1 : j - 1;
  const after = j === points - 1 ? 0 : j + 1;
  return refined(
    hub[before]! + rotor[start + before]!,
    hub[j]! + rotor[start + j]!,
    hub[after]! + rotor[start + after]!,
  );
}

/**
 * TIR of hub wave plus rotor wave, the rotor turned by `offset` samples. The rotor's wave is
 * given twice over, so that a turn is only a later start. Where only a TIR below `enough` is asked for, `enough` is
 * answered as soon as the samples are that far apart: between them lies more, never less.
 */
function tirOf(hub: Float64Array, rotor: Float64Array, offset: number, enough = Infinity): number {
  const points = hub.length;
  const start = offset === 0 ? 0 : points - offset;
  let high = 0;
  let low = 0;
  let highest = -Infinity;
  let lowest = Infinity;
  for (let j = 0; j < points; j += 1) {
    const value = hub[j]! + rotor[start + j]!;
    if (value > highest) {
      highest = value;
      high = j;
      if (highest - lowest >= enough) return enough;
    }
    if (value < lowest) {
      lowest = value;
      low = j;
      if (highest - lowest >= enough) return enough;
    }
  }
  return extremeNear(hub, rotor, start, high) - extremeNear(hub, rotor, start, low);
}

/**
 * Draws hub and rotor parts from their uncertainty and reads the TIR at every shift: for
 * each shift its TIRs in µm, rising. An order that cannot be told apart is hub-fixed in half of
 * the draws and rotor-fixed in the other half. The same seed gives the same draws, whatever
 * the shifts. Source: handbook 6.
 */
export function drawTirs(
  orders: readonly SeparatedOrder[],
  studs: number,
  shifts: readonly number[],
  seed: number,
  draws: number = DRAWS,
): Float64Array[] {
  const random = seededRandom(seed);
  const grid = gridFor(orders, studs);
  const perStud = grid.points / studs;
  const hub = new Float64Array(grid.points);
  const rotor = new Float64Array(2 * grid.points);
  const tirs = shifts.map(() => new Float64Array(draws));
  const phasors = new Float64Array(4 * orders.length);
  for (let d = 0; d < draws; d += 1) {
    drawPhasors(orders, random, phasors);
    sampleWaves(phasors, grid, hub, rotor);
    for (let i = 0; i < shifts.length; i += 1) {
      tirs[i]![d] = tirOf(hub, rotor, shifts[i]! * perStud);
    }
  }
  return tirs.map((values) => values.sort());
}

/** The 95 % band of draws that rise, and their share up to a limit. */
export const bandOf = (rising: Float64Array, limit: Micrometres): Band => ({
  low: quantileOfSorted(rising, 0.025),
  high: quantileOfSorted(rising, 0.975),
  probabilityWithin: countUpTo(rising, limit) / rising.length,
});

/** Band and chance to be within at every shift. Source: handbook 6. */
export const drawBands = (
  orders: readonly SeparatedOrder[],
  studs: number,
  shifts: readonly number[],
  limit: Micrometres,
  seed: number,
  draws?: number,
): Band[] => drawTirs(orders, studs, shifts, seed, draws).map((rising) => bandOf(rising, limit));

/** Parts that are replaced: each then is a first-order tilt of so much TIR in any direction. */
export interface Replaced {
  readonly hub?: Micrometres | undefined;
  readonly rotor?: Micrometres | undefined;
}

/** Puts a tilt of so much TIR, in a direction of its own, in the place of one part of every order. */
function putTilt(
  orders: readonly SeparatedOrder[],
  tir: Micrometres,
  part: 0 | 2,
  random: RandomSource,
  phasors: Float64Array,
): void {
  const direction = 360 * RADIANS_PER_DEGREE * random.uniform();
  orders.forEach(({ order }, k) => {
    const size = order === 1 ? tir / 2 : 0;
    phasors[4 * k + part] = size * Math.cos(direction);
    phasors[4 * k + part + 1] = size * Math.sin(direction);
  });
}

/**
 * TIRs, rising, after hub or rotor was replaced by a part that is known to its tolerance
 * only; of each draw the least among the shifts, as it is indexed afterwards (one shift:
 * as fitted). What is not replaced is drawn from its uncertainty. Source: handbook 9, 11.
 */
export function drawReplaced(
  orders: readonly SeparatedOrder[],
  studs: number,
  shifts: readonly number[],
  replaced: Replaced,
  seed: number,
  draws: number = DRAWS,
): Float64Array {
  const random = seededRandom(seed);
  const grid = gridFor(orders, studs);
  const perStud = grid.points / studs;
  const hub = new Float64Array(grid.points);
  const rotor = new Float64Array(2 * grid.points);
  const tirs = new Float64Array(draws);
  const phasors = new Float64Array(4 * orders.length);
  for (let d = 0; d < draws; d += 1) {
    drawPhasors(orders, random, phasors);
    if (replaced.hub !== undefined) putTilt(orders, replaced.hub, 0, random, phasors);
    if (replaced.rotor !== undefined) putTilt(orders, replaced.rotor, 2, random, phasors);
    sampleWaves(phasors, grid, hub, rotor);
    let least = Infinity;
    for (const shift of shifts) least = Math.min(least, tirOf(hub, rotor, shift * perStud, least));
    tirs[d] = least;
  }
  return tirs.sort();
}
