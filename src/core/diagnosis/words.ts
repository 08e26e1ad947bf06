import { answersIn } from './several';
import { isChoice, type Finding } from './types';

/** A finding's value in words: the answers that were given, or the share of its limit. */
export function sayFound(finding: Finding | undefined, value: string | number): string {
  if (!finding) return String(value);
  if (isChoice(finding)) {
    return answersIn(value)
      .map((answer) => finding.values.find(({ code }) => code === answer)?.label ?? answer)
      .join(', ');
  }
  return `${Number(value).toFixed(Number(value) < 10 ? 2 : 0)} \u00d7 its limit`;
}

/** A probability as whole percent; the ends are never claimed. */
export function percent(probability: number): string {
  if (probability < 0.005) return 'under 1\u00a0%';
  if (probability > 0.99) return 'over 99\u00a0%';
  return `${Math.round(100 * probability)}\u00a0%`;
}

/** Decibans with their sign: ten of them make the odds ten times as high. */
export const signedDecibans = (decibans: number): string =>
  `${decibans < 0 ? '\u2212' : '+'}${Math.abs(decibans).toFixed(1)}`;
