import { waveAt, type OrderPhasor } from '../harmonics';
import { add, multiply, polar, type Complex } from '../numeric';
import { turnOf } from '../indexing';
import { toRadians, type Degrees, type Micrometres, type Radians } from '../units';

/** One order of hidden truth: amplitude in micrometres, first high spot in degrees. */
export interface TrueOrder {
  readonly order: number;
  readonly amplitude: Micrometres;
  readonly highSpotDeg: Degrees;
}

/** A corner whose truth is known: what the hub and the rotor really do. */
export interface VirtualCorner {
  readonly studs: number;
  readonly hub: readonly TrueOrder[];
  /** Rotor's own runout at shift 0. */
  readonly rotor: readonly TrueOrder[];
  readonly meanThickness: Micrometres;
  /** Thickness wave at shift 0. */
  readonly thickness: readonly TrueOrder[];
}

/** A true order as a phasor. */
export const truePhasor = ({ order, amplitude, highSpotDeg }: TrueOrder): OrderPhasor => ({
  order,
  z: polar(amplitude, order * toRadians(highSpotDeg)),
});

const turned = (orders: readonly TrueOrder[], shift: number, studs: number): OrderPhasor[] =>
  orders.map(truePhasor).map(({ order, z }) => ({
    order,
    z: multiply(z, turnOf(order, shift, studs)),
  }));

/** The true runout wave with the rotor at an index shift, outboard-positive. */
export function trueRunout(corner: VirtualCorner, shift: number): OrderPhasor[] {
  const sums = new Map<number, Complex>();
  const parts = [...corner.hub.map(truePhasor), ...turned(corner.rotor, shift, corner.studs)];
  for (const { order, z } of parts) sums.set(order, add(sums.get(order) ?? { re: 0, im: 0 }, z));
  return [...sums].map(([order, z]) => ({ order, z }));
}

/** The true thickness at an angle in radians, the rotor at an index shift. */
export const trueThicknessAt = (
  corner: VirtualCorner,
  shift: number,
  angle: Radians,
): Micrometres =>
  corner.meanThickness + waveAt(turned(corner.thickness, shift, corner.studs), angle);
