import type { Micrometres } from '../units';

/** The pistons of one caliper that are pushed back, lengths in micrometres. */
export interface PushedCaliper {
  readonly pistons: number;
  readonly diameter: Micrometres;
  readonly travel: Micrometres;
}

const UM3_PER_ML = 1e12;

/**
 * How much fluid goes back into the reservoir, in millilitres: the sum of piston area times
 * travel over all calipers. Source: handbook 14.
 */
export const reservoirRise = (calipers: readonly PushedCaliper[]): number =>
  calipers.reduce(
    (sum, { pistons, diameter, travel }) =>
      sum + (pistons * Math.PI * (diameter / 2) ** 2 * travel) / UM3_PER_ML,
    0,
  );
