/** A probability as whole percent; the ends are never claimed. */
export function percent(probability: number): string {
  if (probability < 0.005) return 'under 1\u00a0%';
  if (probability > 0.99) return 'over 99\u00a0%';
  return `${Math.round(100 * probability)}\u00a0%`;
}

/** Decibans with their sign: ten of them make the odds ten times as high. */
export const signedDecibans = (decibans: number): string =>
  `${decibans < 0 ? '\u2212' : '+'}${Math.abs(decibans).toFixed(1)}`;
