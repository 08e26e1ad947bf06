import type { OrderReport } from '../harmonics';
import { toRadians, type Degrees } from '../units';
import type { ThicknessFigures } from './measureThickness';

/** Where a rotor is thinnest by its fit, and how surely. */
export interface ThinSpot {
  readonly angleDeg: Degrees;
  /** Standard uncertainty of the angle. */
  readonly uncertaintyDeg: Degrees;
  /** It is as thin again half a turn on. */
  readonly isTwice: boolean;
}

const STEP: Degrees = 0.5;

/**
 * The thin place of the fit, from its orders 1 and 2 as far as they are clear; null where neither
 * is. Its uncertainty is that of the larger one’s direction. Source: handbook 8.
 */
export function thinSpot({ orders }: Pick<ThicknessFigures, 'orders'>): ThinSpot | null {
  const clear = orders.filter(({ order, clear: isClear }) => order <= 2 && isClear);
  const [largest] = [...clear].sort((p, q) => q.amplitude - p.amplitude);
  if (!largest) return null;
  const at = (angle: Degrees): number => clear.reduce((sum, wave) => sum + waveAt(wave, angle), 0);
  let angleDeg: Degrees = 0;
  for (let angle = 0; angle < 360; angle += STEP) if (at(angle) < at(angleDeg)) angleDeg = angle;
  return { angleDeg, uncertaintyDeg: largest.uHighSpotDeg, isTwice: largest.order === 2 };
}

const waveAt = ({ order, amplitude, highSpotDeg }: OrderReport, angle: Degrees): number =>
  amplitude * Math.cos(order * toRadians(angle - highSpotDeg));
