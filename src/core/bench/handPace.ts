import type { RandomSource } from '../numeric';

/**
 * How a hand turns a wheel once round: the share of the turn done at a share of its time, both 0 to 1 and
 * beyond. Its pace goes up and down by up to `most` of itself.
 */
export function handPace(most: number, random: RandomSource): (share: number) => number {
  const sway = most * random.uniform();
  const phase = 2 * Math.PI * random.uniform();
  return (share) =>
    share + (sway / (2 * Math.PI)) * (Math.sin(2 * Math.PI * share + phase) - Math.sin(phase));
}
