import { randomNormal, randomUniform } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Seeded random draws: the same seed gives the same draws on every machine. */
export interface RandomSource {
  /** Standard normal: mean 0, standard deviation 1. */
  readonly normal: () => number;
  /** Uniform in [0, 1). */
  readonly uniform: () => number;
}

/** A source of draws for a whole-number seed. */
export function seededRandom(seed: number): RandomSource {
  const generator = xoroshiro128plus(seed);
  const uniform = (): number => uniformFloat64(generator);
  return {
    normal: randomNormal.source(uniform)(0, 1),
    uniform: randomUniform.source(uniform)(0, 1),
  };
}

/** An odd number near 2³² over the golden ratio: neighbouring numbers times it lie far apart. */
const SPREAD = 0x9e37_79b1;
/** Draws after which neighbouring seeds have nothing to do with each other. */
const WARM_UP = 16;

/** A source of draws for one of many numbers: those of neighbouring numbers are as different as any two. */
export function numberedRandom(number: number): RandomSource {
  const random = seededRandom(Math.imul(number, SPREAD));
  for (let i = 0; i < WARM_UP; i += 1) random.uniform();
  return random;
}
