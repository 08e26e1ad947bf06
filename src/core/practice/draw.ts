import type { BenchFaults } from '../bench';
import type { RandomSource } from '../numeric';
import type { Micrometres } from '../units';
import type { BenchFault } from './benchWork';

/** A rotor as new, and its discard thickness: of every case the same. */
export const NOMINAL: Micrometres = 28_000;
export const DISCARD: Micrometres = 26_000;

export const between = (random: RandomSource, low: number, high: number): number =>
  low + (high - low) * random.uniform();

/** Each fault of a size that matters: more than the gauge, and seen by who looks. */
export const SIZE: Readonly<Record<BenchFault, (random: RandomSource) => BenchFaults>> = {
  'loose-base': (random) => ({ looseBase: between(random, 25, 60) }),
  'end-play': (random) => ({ endPlay: between(random, 50, 80) }),
  'other-face': () => ({ isOtherFace: true }),
  slot: (random) => ({
    slot: { at: 30 * (1 + Math.floor(11 * random.uniform())), depth: between(random, 50, 120) },
  }),
  dirt: (random) => ({
    dirt: { shift: 0, amplitude: between(random, 26, 36), at: between(random, 0, 360) },
  }),
  hot: () => ({ celsius: 120 }),
  zero: (random) => ({ zeroError: between(random, 25, 60) * (random.uniform() < 0.7 ? 1 : -1) }),
  lip: (random) => ({ lip: between(random, 90, 250) }),
  nuts: (random) => ({
    nuts: { amplitude: between(random, 26, 36), at: between(random, 0, 360) },
  }),
};
