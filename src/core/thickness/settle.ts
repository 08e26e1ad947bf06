import { GRID_POINTS, waveOnGrid } from '../harmonics';
import {
  extremeIndex,
  maximum,
  minimum,
  normalEquations,
  quadraticForm,
  solveNormal,
} from '../numeric';
import { evenAngles, RASTER, roundingVariance, type Gauge, type GaugeReach } from '../readings';
import { toRadians, wrapDegrees, type Degrees, type Micrometres } from '../units';
import { COVERAGE, type VerdictState } from '../verdict';
import { FIRST_PLACES } from './firstPlaces';

/** Readings of one place, its angle a multiple of 7.5°. */
export interface ReadPlace {
  readonly angleDeg: Degrees;
  readonly mean: Micrometres;
  readonly count: number;
  /** Its position in the laps; none where only single readings were taken. */
  readonly position?: number | null;
}

/** Thickness variation as far as it is settled. Source: handbook 8. */
export interface Settling {
  /** Variation over the curve and the places together. */
  readonly value: Micrometres;
  readonly uncertainty: Micrometres;
  /** What places differ from the curve by beyond the noise of a reading, one standard deviation. */
  readonly roughness: Micrometres;
  readonly readings: number;
  /** The two places to read next, highest first; null once settled, or where enough were read. */
  readonly next: readonly [Degrees, Degrees] | null;
}

/** Readings at most. Source: handbook 8. */
const MOST_READINGS = 16;
const FEWEST_TO_BE_WITHIN = 12;
/** Orders of the curve, and how large orders 2 and 3 are thought to be at most, one deviation. */
const ORDERS = [1, 2, 3] as const;
const RIDGE: Readonly<Record<(typeof ORDERS)[number], number>> = { 1: 0, 2: 6 ** -2, 3: 2 ** -2 };
const UNKNOWNS = 1 + 2 * ORDERS.length;

const rowAt = (angle: Degrees): number[] => {
  const theta = toRadians(angle);
  return [1, ...ORDERS.flatMap((k) => [Math.cos(k * theta), Math.sin(k * theta)])];
};

/** The state of a variation so far: within takes twelve readings and the places' own variation. */
function stateOf(
  value: Micrometres,
  uncertainty: Micrometres,
  asRead: Micrometres,
  readings: number,
  limit: Micrometres,
): VerdictState {
  const guard = COVERAGE * uncertainty;
  if (value - guard > limit) return 'beyond';
  const isWithin = Math.max(value, asRead) + guard <= limit && readings >= FEWEST_TO_BE_WITHIN;
  return isWithin ? 'within' : 'too-close';
}

/** Of the three raster places nearest to an angle the one read least, the nearest, the later in theta. */
function placeToRead(at: Degrees, places: readonly ReadPlace[]): Degrees {
  const nearest = Math.round(at / RASTER);
  const count = (angle: Degrees): number =>
    places.find((place) => isSamePlace(place.angleDeg, angle))?.count ?? 0;
  const [best] = [-2, -1, 0, 1, 2]
    .map((step) => ({
      angle: wrapDegrees((nearest + step) * RASTER, 360),
      away: Math.abs((nearest + step) * RASTER - at),
      step,
    }))
    .sort((p, q) => p.away - q.away || q.step - p.step)
    .slice(0, 3)
    .sort((p, q) => count(p.angle) - count(q.angle) || p.away - q.away || q.step - p.step);
  return best!.angle;
}

/** The curve of orders 0 to 3 through the places, held back by the ridge of the handbook, about `middle`. */
function ridgeFit(places: readonly ReadPlace[], variance: number, middle: Micrometres) {
  const rows = places.map(({ angleDeg }) => rowAt(angleDeg));
  const { gram, right } = normalEquations(
    rows,
    places.map(({ mean }) => mean - middle),
    places.map(({ count }) => count / variance),
  );
  ORDERS.forEach((order, i) => {
    for (const c of [1 + 2 * i, 2 + 2 * i]) gram[c]![c] = gram[c]![c]! + RIDGE[order];
  });
  const { coefficients, inverse } = solveNormal(gram, right);
  const fitted = rows.map(
    (row) => middle + row.reduce((sum, x, c) => sum + x * coefficients[c]!, 0),
  );
  const curve = Array.from(
    waveOnGrid(
      ORDERS.map((order, i) => ({
        order,
        z: { re: coefficients[1 + 2 * i]!, im: coefficients[2 + 2 * i]! },
      })),
    ),
    (value) => middle + coefficients[0]! + value,
  );
  return { inverse, fitted, curve };
}

/**
 * Thickness variation measured until it is settled: a curve of orders 1 to 3 through the places,
 * what the places keep of their own (roughness), and where to read next.
 *
 * `variance` of one reading in µm² (sigma_1²), lengths in micrometres, places in any order and on
 * the 7.5° raster. Source: handbook 8.
 */
export function settle(
  places: readonly ReadPlace[],
  variance: number,
  limit: Micrometres,
): { readonly settling: Settling; readonly state: VerdictState } {
  const means = places.map(({ mean }) => mean);
  const { inverse, fitted, curve } = ridgeFit(places, variance, means[0] ?? 0);
  const squares = places.reduce(
    (sum, { mean, count }, j) => sum + count * (mean - fitted[j]!) ** 2,
    0,
  );
  const tau2 =
    places.length <= UNKNOWNS ? 0 : Math.max(0, squares / (places.length - UNKNOWNS) - variance);
  const own = places.map(({ count }) => (tau2 === 0 ? 0 : tau2 / (tau2 + variance / count)));
  const shrunk = places.map(({ mean }, j) => fitted[j]! + own[j]! * (mean - fitted[j]!));
  const [high, low] = [extremeIndex(curve, 1), extremeIndex(curve, -1)];
  const [a, b] = [extremeIndex(shrunk, 1), extremeIndex(shrunk, -1)];
  const angleAt = (j: number): Degrees => j * (360 / GRID_POINTS);
  const g = rowAt(angleAt(high)).map((x, c) => x - rowAt(angleAt(low))[c]!);
  const ofPlace = (j: number): number => own[j]! ** 2 / places[j]!.count;
  const value = Math.max(curve[high]!, shrunk[a]!) - Math.min(curve[low]!, shrunk[b]!);
  const uncertainty = Math.sqrt(quadraticForm(g, inverse) + variance * (ofPlace(a) + ofPlace(b)));
  const readings = places.reduce((sum, { count }) => sum + count, 0);
  const asRead = maximum(means) - minimum(means);
  const state = stateOf(value, uncertainty, asRead, readings, limit);
  const mayGoOn = state === 'too-close' && readings <= MOST_READINGS - 2;
  return {
    state,
    settling: {
      value,
      uncertainty,
      roughness: Math.sqrt(tau2),
      readings,
      next: mayGoOn
        ? [placeToRead(angleAt(high), places), placeToRead(angleAt(low), places)]
        : null,
    },
  };
}

const isSamePlace = (p: Degrees, q: Degrees): boolean => {
  const apart = Math.abs(p - q) % 360;
  return Math.min(apart, 360 - apart) < 1e-6;
};

/** The places with one reading more: of a place that was read, or of a new one. */
export function withReading(
  places: readonly ReadPlace[],
  angleDeg: Degrees,
  value: Micrometres,
): ReadPlace[] {
  const own = places.find((place) => isSamePlace(place.angleDeg, angleDeg));
  if (!own) return [...places, { angleDeg, mean: value, count: 1 }];
  const count = own.count + 1;
  const joined = { ...own, mean: (own.mean * own.count + value) / count, count };
  return places.map((place) => (place === own ? joined : place));
}

/** Reads eight even places, and then those that are named, until it is settled. */
export function settleFrom(
  read: (angle: Degrees) => Micrometres,
  variance: number,
  limit: Micrometres,
): ReturnType<typeof settle> {
  let places: ReadPlace[] = evenAngles(FIRST_PLACES).map((angleDeg) => ({
    angleDeg,
    mean: read(angleDeg),
    count: 1,
  }));
  for (;;) {
    const answer = settle(places, variance, limit);
    if (!answer.settling.next) return answer;
    for (const angle of answer.settling.next) places = withReading(places, angle, read(angle));
  }
}

/** What a micrometer leaves undecided of a variation with as many readings as may be taken. */
export function reachOfMicrometer(gauge: Gauge): GaugeReach {
  const places = evenAngles(MOST_READINGS).map((angleDeg) => ({
    angleDeg,
    // Any wave of first order: where its extremes lie does not bear on how well they are known.
    mean: 10 * Math.cos(toRadians(angleDeg)),
    count: 1,
  }));
  const variance = gauge.repeatability ** 2 + roundingVariance(gauge);
  const { uncertainty } = settle(places, variance, 1).settling;
  return { band: COVERAGE * uncertainty, readings: MOST_READINGS };
}
