import { toDegrees, wrapDegrees, type Degrees, type Micrometres } from '../units';
import type { FittedOrder, HarmonicFit } from './fit';

/** What is told of one order: sizes in micrometres, angles in degrees in the theta sense. */
export interface OrderReport {
  readonly order: number;
  readonly amplitude: Micrometres;
  readonly peakToPeak: Micrometres;
  /** Angle of the first high spot, in [0, 360/order). */
  readonly highSpotDeg: Degrees;
  readonly uAmplitude: Micrometres;
  readonly uHighSpotDeg: Degrees;
  /** False when noise alone could make it (amplitude below 2.45 u, 5 % of the time). */
  readonly clear: boolean;
}

/** Amplitude over its uncertainty from which a high spot is clear. Source: handbook 4. */
const CLEAR_RATIO = 2.45;

/** Angle of the first high spot of an order, in degrees in [0, 360/order). */
export function firstHighSpot(order: number, a: number, b: number): Degrees {
  if (a === 0 && b === 0) return 0;
  return wrapDegrees(toDegrees(Math.atan2(b, a)) / order, 360 / order);
}

/** Standard uncertainty along the phasor and across it, in micrometres. */
function spread(fitted: FittedOrder): { along: number; across: number } {
  const { a, b, covariance: c } = fitted;
  const square = a * a + b * b;
  if (square === 0) {
    const round = Math.sqrt((c.aa + c.bb) / 2);
    return { along: round, across: round };
  }
  const along = (a * a * c.aa + 2 * a * b * c.ab + b * b * c.bb) / square;
  const across = (b * b * c.aa - 2 * a * b * c.ab + a * a * c.bb) / square;
  return { along: Math.sqrt(Math.max(0, along)), across: Math.sqrt(Math.max(0, across)) };
}

/** One order in figures. The direction of nothing is told as half its period. Source: handbook 4. */
export function describeOrder(fitted: FittedOrder): OrderReport {
  const amplitude = Math.hypot(fitted.a, fitted.b);
  const { along, across } = spread(fitted);
  const turn = amplitude > 0 ? toDegrees(across / amplitude) / fitted.order : 180 / fitted.order;
  return {
    order: fitted.order,
    amplitude,
    peakToPeak: 2 * amplitude,
    highSpotDeg: firstHighSpot(fitted.order, fitted.a, fitted.b),
    uAmplitude: along,
    uHighSpotDeg: turn,
    clear: amplitude > 0 && amplitude >= CLEAR_RATIO * along,
  };
}

export const describeOrders = (fit: HarmonicFit): OrderReport[] => fit.orders.map(describeOrder);
