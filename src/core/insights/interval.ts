/** A share of cases with the 95 % interval of what it may truly be. */
export interface Share {
  readonly count: number;
  readonly of: number;
  /** 0 to 1; null without any case. */
  readonly share: number | null;
  readonly low: number;
  readonly high: number;
  /** Too few cases to lean on. */
  readonly isFew: boolean;
}

/** With fewer cases than this a share is said as a count, with the word that it is few. */
export const FEW = 10;
const Z = 1.959964;

/**
 * A share with its 95 % interval by Wilson's score, which holds for small numbers and at 0 and 1.
 * Source: E. B. Wilson's interval for a binomial share.
 */
export function shareOf(count: number, of: number): Share {
  if (of === 0) return { count, of, share: null, low: 0, high: 1, isFew: true };
  const share = count / of;
  const spread = Z ** 2 / of;
  const centre = (share + spread / 2) / (1 + spread);
  const half = (Z * Math.sqrt((share * (1 - share)) / of + spread / (4 * of))) / (1 + spread);
  return {
    count,
    of,
    share,
    low: count === 0 ? 0 : centre - half,
    high: count === of ? 1 : centre + half,
    isFew: of < FEW,
  };
}

/** A mean of figures with the 95 % interval of the mean, in the figures' unit. */
export interface Mean {
  readonly of: number;
  readonly mean: number | null;
  /** Standard deviation of one figure; null with fewer than two. */
  readonly spread: number | null;
  readonly low: number | null;
  readonly high: number | null;
  readonly isFew: boolean;
}

/** The mean of figures from their count, sum and sum of squares. */
export function meanFrom(of: number, sum: number, squares: number): Mean {
  if (of === 0) return { of, mean: null, spread: null, low: null, high: null, isFew: true };
  const mean = sum / of;
  if (of < 2) return { of, mean, spread: null, low: null, high: null, isFew: true };
  const spread = Math.sqrt(Math.max(0, squares - sum * mean) / (of - 1));
  const half = (Z * spread) / Math.sqrt(of);
  return { of, mean, spread, low: mean - half, high: mean + half, isFew: of < FEW };
}
