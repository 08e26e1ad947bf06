import type { VerdictState } from './judge';

/** A verdict's state in words, the same wherever it is said. */
export const VERDICT_WORD: Readonly<Record<VerdictState, string>> = {
  within: 'Within',
  'too-close': 'Too close to call',
  beyond: 'Beyond',
  'not-measured': 'Not measured',
  'not-valid': 'Not valid',
};
