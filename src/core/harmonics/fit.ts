import { inverseOf, leastSquares, normalEquations, quadraticForm } from '../numeric';
import { areEven, inRadians, lapTimes } from '../readings';
import type { Degrees, Micrometres } from '../units';
import { designMatrix, fittableOrders } from './design';

/** Covariance of (a, b) of one order, in µm². */
export interface PairCovariance {
  readonly aa: number;
  readonly ab: number;
  readonly bb: number;
}

/** One order of a wave: r = a cos k theta + b sin k theta, in micrometres. */
export interface FittedOrder {
  readonly order: number;
  readonly a: Micrometres;
  readonly b: Micrometres;
  readonly covariance: PairCovariance;
}

/** The closing readings of a set whose laps all closed. */
export interface ClosingReadings {
  /** Their mean, in micrometres. */
  readonly mean: Micrometres;
  readonly laps: number;
  /** What is known of drifts before: the standard deviation of one lap's. */
  readonly expected: Micrometres;
}

/** What a set's closing readings say of its drift, in micrometres a lap. */
export interface Drift {
  readonly perLap: Micrometres;
  readonly uncertainty: Micrometres;
}

export interface HarmonicFit {
  /** `mean-only` where the angles are too uneven for any order: there are none then. */
  readonly status: 'fitted' | 'mean-only';
  readonly mean: Micrometres;
  readonly orders: readonly FittedOrder[];
  /** Null where no closing readings were fitted. */
  readonly drift: Drift | null;
  readonly residuals: readonly Micrometres[];
  /** Sum of squares over all rows, those of the closing reading and of the drift's prior included. */
  readonly squares: number;
  /** Wave part of (XᵀX)⁻¹: rows and columns a1, b1, a2, b2 ... */
  readonly waveInverse: readonly (readonly number[])[];
  /** Diagonal of the hat matrix, one a position. */
  readonly leverages: readonly number[];
  readonly degreesOfFreedom: number;
  /** The larger of the readings' sigma and, from 3 degrees of freedom, the residual spread. */
  readonly sigmaFit: Micrometres;
}

/** Coefficients [mean, a1, b1, a2, b2 ... drift], the same order in the inverse. */
interface RawFit {
  readonly coefficients: readonly number[];
  /** (XᵀX)⁻¹. */
  readonly inverse: readonly (readonly number[])[];
  readonly leverages: readonly number[];
}

/** Degrees of freedom from which the residuals tell a spread of their own. */
const MIN_DOF_FOR_SPREAD = 3;

/**
 * Fast path for even spacing: the columns are orthogonal, so the fit is the discrete
 * Fourier transform at the wanted orders. Agrees with the QR path (tested side by side).
 */
export function fitEven(design: readonly (readonly number[])[], values: readonly number[]): RawFit {
  const n = values.length;
  const columns = design[0]?.length ?? 0;
  const coefficients = new Array<number>(columns).fill(0);
  for (let j = 0; j < n; j += 1) {
    const row = design[j]!;
    const value = values[j]!;
    for (let c = 0; c < columns; c += 1) coefficients[c] = coefficients[c]! + row[c]! * value;
  }
  const share = (c: number): number => (c === 0 ? 1 / n : 2 / n);
  return {
    coefficients: coefficients.map((sum, c) => sum * share(c)),
    inverse: coefficients.map((_, r) => coefficients.map((__, c) => (r === c ? share(c) : 0))),
    leverages: new Array<number>(n).fill(columns / n),
  };
}

/** QR fit in the shape of the fast one. */
function fitUneven(design: readonly (readonly number[])[], values: readonly number[]): RawFit {
  const { coefficients, unscaledCovariance, leverages } = leastSquares(design, values);
  return { coefficients, inverse: unscaledCovariance, leverages };
}

/** What a design with a drift column makes of any readings: it depends on spacing and weight only. */
interface DriftSolver {
  readonly design: readonly (readonly number[])[];
  readonly inverse: readonly (readonly number[])[];
  readonly leverages: readonly number[];
}

function driftSolver(
  places: readonly (readonly number[])[],
  angles: readonly Degrees[],
  weight: number,
): DriftSolver {
  const design = withDrift(places, angles, weight);
  const { gram } = normalEquations(
    design,
    design.map(() => 0),
  );
  const inverse = inverseOf(gram);
  return { design, inverse, leverages: design.map((row) => quadraticForm(row, inverse)) };
}

/** Evenly spaced places with a drift column: few columns, well conditioned. */
function fitDrifting(
  { design, inverse, leverages }: DriftSolver,
  values: readonly number[],
): RawFit {
  const right = new Array<number>(inverse.length).fill(0);
  design.forEach((row, j) => {
    const value = values[j]!;
    for (let c = 0; c < row.length; c += 1) right[c] = right[c]! + row[c]! * value;
  });
  return { coefficients: inverse.map((row) => predict(row, right)), inverse, leverages };
}

/** Designs at evenly spaced angles from 0°, which nearly every set has. */
const evenDesigns = new Map<string, readonly (readonly number[])[]>();
const driftSolvers = new Map<string, DriftSolver>();
const MOST_DESIGNS = 200;

/** The solver for even places from 0°, kept: a gauge’s sets ask for the same one again and again. */
function knownDriftSolver(
  places: readonly (readonly number[])[],
  angles: readonly Degrees[],
  orders: readonly number[],
  weight: number,
): DriftSolver {
  if (angles[0] !== 0) return driftSolver(places, angles, weight);
  const key = `${angles.length}:${orders.join()}:${weight}`;
  const known = driftSolvers.get(key);
  if (known) return known;
  const made = driftSolver(places, angles, weight);
  if (driftSolvers.size >= MOST_DESIGNS) driftSolvers.clear();
  driftSolvers.set(key, made);
  return made;
}

function designFor(
  angles: readonly Degrees[],
  orders: readonly number[],
  isEven: boolean,
): readonly (readonly number[])[] {
  if (!isEven || angles[0] !== 0) return designMatrix(inRadians(angles), orders);
  const key = `${angles.length}:${orders.join()}`;
  const known = evenDesigns.get(key);
  if (known) return known;
  const design = designMatrix(inRadians(angles), orders);
  if (evenDesigns.size < MOST_DESIGNS) evenDesigns.set(key, design);
  return design;
}

/**
 * The design with the drift's column t: the places, the mean closing reading (the first place
 * again at t = 1), and what is known of drifts before. Source: handbook 4.
 */
function withDrift(
  design: readonly (readonly number[])[],
  angles: readonly Degrees[],
  weight: number,
): number[][] {
  const t = lapTimes(angles);
  const first = design[0] ?? [];
  return [
    ...design.map((row, j) => [...row, t[j]!]),
    [...first, 1],
    [...first.map(() => 0), weight],
  ];
}

function predict(row: readonly number[], coefficients: readonly number[]): number {
  let sum = 0;
  for (let c = 0; c < row.length; c += 1) sum += row[c]! * coefficients[c]!;
  return sum;
}

/**
 * Least squares fit of a wave to lap averages, and of the drift of the laps where they closed.
 *
 * `angles` in degrees (theta sense), `values` and `sigma` (standard uncertainty of one value) in
 * micrometres; `orders` defaults to those that the angles can carry. With `closing` drift is one
 * more column, known before to `expected`: residuals are those from wave and drift together.
 * Where the angles carry no order, the status says so and the residuals are those from the mean.
 * Source: handbook 4.
 */
export function fitHarmonics(
  angles: readonly Degrees[],
  values: readonly Micrometres[],
  sigma: Micrometres,
  options: {
    readonly studs?: number | undefined;
    readonly orders?: readonly number[];
    readonly closing?: ClosingReadings | undefined;
  } = {},
): HarmonicFit {
  const { closing } = options;
  const orders = options.orders ?? fittableOrders(angles, options.studs);
  const isEven = areEven(angles);
  const places = designFor(angles, orders, isEven);
  const known = closing && (sigma * Math.sqrt(closing.laps)) / closing.expected;
  const rows = closing ? [...values, closing.mean, 0] : values;
  const solver =
    known !== undefined && isEven ? knownDriftSolver(places, angles, orders, known) : null;
  const design =
    solver?.design ?? (known === undefined ? places : withDrift(places, angles, known));
  const raw = solver ? fitDrifting(solver, rows) : (isEven ? fitEven : fitUneven)(design, rows);
  const misses = rows.map((value, j) => value - predict(design[j] ?? [], raw.coefficients));
  const columns = raw.coefficients.length;
  const degreesOfFreedom = rows.length - columns;
  const squares = misses.reduce((sum, e) => sum + e * e, 0);
  const variance =
    degreesOfFreedom >= MIN_DOF_FOR_SPREAD
      ? Math.max(sigma * sigma, squares / degreesOfFreedom)
      : sigma * sigma;
  const cov = (r: number, c: number): number => variance * (raw.inverse[r]?.[c] ?? NaN);
  const wave = 1 + 2 * orders.length;
  return {
    status: orders.length > 0 ? 'fitted' : 'mean-only',
    mean: raw.coefficients[0] ?? NaN,
    orders: orders.map((order, i) => ({
      order,
      a: raw.coefficients[1 + 2 * i] ?? NaN,
      b: raw.coefficients[2 + 2 * i] ?? NaN,
      covariance: {
        aa: cov(1 + 2 * i, 1 + 2 * i),
        ab: cov(1 + 2 * i, 2 + 2 * i),
        bb: cov(2 + 2 * i, 2 + 2 * i),
      },
    })),
    drift: closing
      ? {
          perLap: raw.coefficients[columns - 1] ?? NaN,
          uncertainty: Math.sqrt(cov(columns - 1, columns - 1)),
        }
      : null,
    residuals: misses.slice(0, values.length),
    squares,
    waveInverse: raw.inverse.slice(1, wave).map((row) => row.slice(1, wave)),
    leverages: raw.leverages.slice(0, values.length),
    degreesOfFreedom,
    sigmaFit: Math.sqrt(variance),
  };
}
