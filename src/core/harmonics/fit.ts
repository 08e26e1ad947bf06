import { leastSquares } from '../numeric';
import { areEven, inRadians } from '../readings';
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

export interface HarmonicFit {
  /** `mean-only` where the angles are too uneven for any order: there are none then. */
  readonly status: 'fitted' | 'mean-only';
  readonly mean: Micrometres;
  readonly orders: readonly FittedOrder[];
  readonly residuals: readonly Micrometres[];
  /** Diagonal of the hat matrix, one a position. */
  readonly leverages: readonly number[];
  readonly degreesOfFreedom: number;
  /** The larger of the readings' sigma and, from 3 degrees of freedom, the residual spread. */
  readonly sigmaFit: Micrometres;
}

/** Coefficients [mean, a1, b1, a2, b2 ...], the same order in the covariance. */
interface RawFit {
  readonly coefficients: readonly number[];
  /** Entry (row, column) of (XᵀX)⁻¹. */
  readonly unscaledCovariance: (row: number, column: number) => number;
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
    unscaledCovariance: (r, c) => (r === c ? share(c) : 0),
    leverages: new Array<number>(n).fill(columns / n),
  };
}

/** QR fit in the shape of the fast one. */
function fitUneven(design: readonly (readonly number[])[], values: readonly number[]): RawFit {
  const { coefficients, unscaledCovariance, leverages } = leastSquares(design, values);
  return {
    coefficients,
    unscaledCovariance: (r, c) => unscaledCovariance[r]?.[c] ?? NaN,
    leverages,
  };
}

/** Designs at evenly spaced angles from 0°, which nearly every set has. */
const evenDesigns = new Map<string, readonly (readonly number[])[]>();
const MOST_DESIGNS = 200;

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

function predict(row: readonly number[], coefficients: readonly number[]): number {
  let sum = 0;
  for (let c = 0; c < row.length; c += 1) sum += row[c]! * coefficients[c]!;
  return sum;
}

/**
 * Least squares fit of a wave to readings.
 *
 * `angles` in degrees (theta sense), `values` and `sigma` (standard uncertainty of one
 * value) in micrometres; `orders` defaults to those that the angles can carry. Where the
 * angles carry none, the status says so and the residuals are those from the mean.
 * Source: handbook 4.
 */
export function fitHarmonics(
  angles: readonly Degrees[],
  values: readonly Micrometres[],
  sigma: Micrometres,
  options: { readonly studs?: number | undefined; readonly orders?: readonly number[] } = {},
): HarmonicFit {
  const orders = options.orders ?? fittableOrders(angles, options.studs);
  const isEven = areEven(angles);
  const design = designFor(angles, orders, isEven);
  const raw = isEven ? fitEven(design, values) : fitUneven(design, values);
  const residuals = values.map((value, j) => value - predict(design[j] ?? [], raw.coefficients));
  const degreesOfFreedom = values.length - (1 + 2 * orders.length);
  const rss = residuals.reduce((sum, e) => sum + e * e, 0);
  const variance =
    degreesOfFreedom >= MIN_DOF_FOR_SPREAD
      ? Math.max(sigma * sigma, rss / degreesOfFreedom)
      : sigma * sigma;
  const cov = (r: number, c: number): number => variance * raw.unscaledCovariance(r, c);
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
    residuals,
    leverages: raw.leverages,
    degreesOfFreedom,
    sigmaFit: Math.sqrt(variance),
  };
}
