import { bisectRight, max, mean as average, median, min, quantileSorted } from 'd3-array';

/** Least, greatest, mean and median of a list that is not empty. Throws on an empty list. */
function known(value: number | undefined): number {
  if (value === undefined) throw new RangeError('A statistic was asked of an empty list');
  return value;
}
export const minimum = (values: Iterable<number>): number => known(min(values));
export const maximum = (values: Iterable<number>): number => known(max(values));
export const meanOf = (values: Iterable<number>): number => known(average(values));
export const medianOf = (values: Iterable<number>): number => known(median(values));
/** Quantile p (0 to 1) of values that already rise, straight between its neighbours. */
export const quantileOfSorted = (values: ArrayLike<number>, p: number): number =>
  // It reads by index only; its type asks for more than that.
  known(quantileSorted(values as unknown as number[], p));
/** How many of the values, which already rise, are at most `limit`. */
export const countUpTo = (values: Float64Array, limit: number): number =>
  bisectRight(values, limit);

/** The place of the greatest (sign 1) or least (sign -1) value; the first of equals. */
export function extremeIndex(values: readonly number[], sign: 1 | -1): number {
  let best = 0;
  values.forEach((value, index) => {
    if (sign * value > sign * (values[best] ?? value)) best = index;
  });
  return best;
}

/**
 * How many standard deviations the farthest of n independent normal values may lie off, so
 * that one set in a hundred passes it by chance: 3.02 of 4, 3.32 of 12, 3.81 of 72 (within
 * 0.03 of the exact quantile of the largest).
 */
export const farthestOf = (n: number): number => 2.64 + 0.273 * Math.log(n);

/** Share of a standard normal distribution up to z, within 2e-7. Source: Abramowitz and Stegun 7.1.26. */
export function normalShare(z: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const half = (tail * Math.exp(-(z * z) / 2)) / 2;
  return z >= 0 ? 1 - half : half;
}

/** Normal quantiles of the shares that are asked of a scatter. */
const NORMAL_QUANTILE = { 0.9: 1.2816, 0.95: 1.645, 0.995: 2.5758 } as const;

/**
 * The value that a sum of so many squared standard normal deviates stays under in that share of
 * cases: the chi-square quantile by Wilson and Hilferty, within 0.7 % from 2 degrees of freedom on.
 */
export function chiSquareQuantile(freedom: number, share: keyof typeof NORMAL_QUANTILE): number {
  const ninth = 2 / (9 * freedom);
  return freedom * (1 - ninth + NORMAL_QUANTILE[share] * Math.sqrt(ninth)) ** 3;
}
