import { extremeIndex, medianOf } from '../numeric';
import type { Degrees, Micrometres } from '../units';

/** A sweep's own runout: highest less lowest of its curve, with its standard uncertainty. */
export interface SweptRunout {
  readonly value: Micrometres;
  readonly uncertainty: Micrometres;
  /** Scatter of one place about the curve, as its finest orders show it. */
  readonly scatter: Micrometres;
  /** Where the curve is highest and lowest. */
  readonly highDeg: Degrees;
  readonly lowDeg: Degrees;
}

/** Orders that a face has whatever it is like: wobble, saddle, nuts. They stand as they are. */
const SURE_ORDERS = 3;
/** A rust spot or a bump is some degrees wide: it has no finer orders than this. */
const TOP_ORDER = 60;
/** Of the orders that the places carry the last quarter shows the scatter alone. */
const NOISE_FROM = 0.75;
/** So many of them tell it as well as all. */
const NOISE_ORDERS = 40;
/** A bump stands at one place and not in all of the turn: what it hides is that much larger. */
const SHAPE_FACTOR = 2;
const GRID = 720;

/** cos of whole parts of a turn; the sine is a quarter of the turn behind. */
const tables = new Map<number, Float64Array>();
function cosines(parts: number): Float64Array {
  const known = tables.get(parts);
  if (known) return known;
  const made = Float64Array.from({ length: parts }, (_, j) => Math.cos((2 * Math.PI * j) / parts));
  tables.set(parts, made);
  return made;
}

/** Cosine and sine amplitude of some orders, by their number; the others are nothing. */
interface Spectrum {
  readonly a: Float64Array;
  readonly b: Float64Array;
}

function spectrumOf(values: readonly number[], orders: readonly number[]): Spectrum {
  const n = values.length;
  const turn = 4 * n;
  const cos = cosines(turn);
  const size = 1 + Math.max(...orders);
  const [a, b] = [new Float64Array(size), new Float64Array(size)];
  for (const k of orders) {
    let [along, across, at] = [0, 0, 0];
    for (let j = 0; j < n; j += 1) {
      along += values[j]! * cos[at]!;
      across += values[j]! * cos[at < n ? at + 3 * n : at - n]!;
      at += 4 * k;
      if (at >= turn) at -= turn;
    }
    a[k] = (2 * along) / n;
    b[k] = (2 * across) / n;
  }
  return { a, b };
}

/** Mean power of one amplitude over some orders. */
const powerOf = ({ a, b }: Spectrum, orders: readonly number[]): number =>
  orders.reduce((sum, k) => sum + a[k]! ** 2 + b[k]! ** 2, 0) / (2 * orders.length);

/** Whole numbers from one to another, both among them, every so many. */
const ordersFrom = (from: number, to: number, every = 1): number[] =>
  Array.from({ length: Math.floor((to - from) / every) + 1 }, (_, i) => from + every * i);

/** How much of each order is the face and not scatter (0 to 1), from its power and its neighbours’. */
function sharesOf(spectrum: Spectrum, noise: number, top: number): Float64Array {
  const shares = new Float64Array(top + 1);
  for (let k = 1; k <= top; k += 1) {
    if (k <= SURE_ORDERS) {
      shares[k] = 1;
      continue;
    }
    const beside = Math.max(2, Math.round(k / 4));
    const from = Math.max(SURE_ORDERS + 1, k - beside);
    const power = powerOf(spectrum, ordersFrom(from, Math.min(top, k + beside)));
    shares[k] = power > 0 ? Math.max(0, 1 - noise / power) : 0;
  }
  return shares;
}

/** The curve of the orders by their shares, on a grid of the turn. */
function curveOf({ a, b }: Spectrum, shares: Float64Array): Float64Array {
  const cos = cosines(GRID);
  const curve = new Float64Array(GRID);
  for (let k = 1; k < shares.length; k += 1) {
    const share = shares[k]!;
    if (share === 0) continue;
    const [along, across] = [share * a[k]!, share * b[k]!];
    for (let j = 0; j < GRID; j += 1) {
      const at = (k * j) % GRID;
      curve[j] = curve[j]! + along * cos[at]! + across * cos[(at + (3 * GRID) / 4) % GRID]!;
    }
  }
  return curve;
}

/**
 * The runout that a sweep shows: highest less lowest of the curve through its places, each order of
 * it taken by as much as it stands out of the scatter (a Wiener filter of the places’ own power). `values`
 * are even places of one turn, `sigma` the standard uncertainty of one by its gauge; the scatter
 * counts where it is larger; `uDrift` the uncertainty of the drift that was taken out of them. Micrometres; at least 60 places. Source: a study of simulated faces, `bench/measure.ts`.
 */
export function sweptRunout(
  values: readonly Micrometres[],
  sigma: Micrometres,
  uDrift: Micrometres = 0,
): SweptRunout {
  const n = values.length;
  const carried = Math.floor((n - 1) / 2);
  const noiseFrom = Math.floor(carried * NOISE_FROM);
  const top = Math.min(noiseFrom - 1, TOP_ORDER);
  const every = Math.ceil((carried - noiseFrom + 1) / NOISE_ORDERS);
  const finest = ordersFrom(noiseFrom, carried, every);
  const spectrum = spectrumOf(values, [...ordersFrom(1, top), ...finest]);
  const fine = powerOf(spectrum, finest);
  const noise = Math.max(fine, (2 / n) * sigma ** 2);
  const shares = sharesOf(spectrum, noise, top);
  const counted = shares.reduce(
    (sum, share, k) => sum + (k <= SURE_ORDERS ? share : SHAPE_FACTOR * share),
    0,
  );
  const curve = Array.from(curveOf(spectrum, shares));
  const [high, low] = [extremeIndex(curve, 1), extremeIndex(curve, -1)];
  // Drift tilts the turn: it bears on the swing by how far apart its ends were read.
  const apart = (high - low) / GRID;
  return {
    value: curve[high]! - curve[low]!,
    uncertainty: Math.sqrt(2 * noise * counted + (uDrift * apart) ** 2),
    scatter: Math.sqrt((fine * n) / 2),
    highDeg: (360 * high) / GRID,
    lowDeg: (360 * low) / GRID,
  };
}

/** A place that stands out of a sweep. */
export interface SweptSpot {
  readonly angleDeg: Degrees;
  readonly residual: Micrometres;
}

/** What lies so many robust deviations off the wave, and so far, is no roughness. */
const SPOT_DEVIATIONS = 8;
const SPOT_LEAST: Micrometres = 20;
/** The median of the size of a normal deviate. */
const MEDIAN_SIZE = 0.6745;

/** The farthest place of each stretch that stands out of the wave: a slot, a hole, dirt, a wrong reading. */
export function sweptSpots(
  residuals: readonly Micrometres[],
  angles: readonly Degrees[],
): SweptSpot[] {
  const typical = medianOf(residuals.map(Math.abs)) / MEDIAN_SIZE;
  const least = Math.max(SPOT_LEAST, SPOT_DEVIATIONS * typical);
  const spots: SweptSpot[] = [];
  let isIn = false;
  residuals.forEach((residual, j) => {
    const isOut = Math.abs(residual) > least;
    const last = spots.at(-1);
    if (isOut && (!isIn || !last)) spots.push({ angleDeg: angles[j]!, residual });
    else if (isOut && last && Math.abs(residual) > Math.abs(last.residual)) {
      spots[spots.length - 1] = { angleDeg: angles[j]!, residual };
    }
    isIn = isOut;
  });
  return spots;
}
