import { toRadians, type Degrees } from '../units';

/** Fewest and most positions of a reading set. */
export const MIN_POSITIONS = 4;
export const MAX_POSITIONS = 72;
/** Most places of a lap that was swept, and the fewest. */
export const MAX_SWEPT_POSITIONS = 720;
export const MIN_SWEPT_POSITIONS = 60;
/** Below this many positions thickness variation and second order cannot be trusted. */
export const TRUSTED_POSITIONS = 8;

/** Angles of n evenly spaced positions from 0°, in degrees in the theta sense. */
export const evenAngles = (n: number): Degrees[] =>
  Array.from({ length: n }, (_, j) => (360 * j) / n);

/** Whether the angles step evenly round one turn (from any start), to within 1e-9°. */
export function areEven(angles: readonly Degrees[]): boolean {
  const start = angles[0] ?? 0;
  const step = 360 / angles.length;
  return angles.every((angle, j) => Math.abs(angle - start - j * step) < 1e-9);
}

/** Why angles of positions, in degrees from the chalk mark, cannot be; null when they can. Source: handbook 3. */
export function angleProblem(angles: readonly Degrees[]): string | null {
  if (angles.length < MIN_POSITIONS || angles.length > MAX_POSITIONS) {
    return `Take ${MIN_POSITIONS} to ${MAX_POSITIONS} positions.`;
  }
  const first = angles[0] ?? NaN;
  const last = angles.at(-1) ?? NaN;
  const isRising = angles.every((angle, j) => j === 0 || angle > (angles[j - 1] ?? NaN));
  return isRising && first >= 0 && last <= 360 && last - first < 360
    ? null
    : 'Angles must rise, be distinct and lie within one turn.';
}

/** The angles in radians. */
export const inRadians = (angles: readonly Degrees[]): number[] => angles.map(toRadians);

/** Between the laps' places single ones may be read on this raster. Source: handbook 8. */
export const RASTER: Degrees = 7.5;

/** Whether an angle is a place of the raster. */
export const isOnRaster = (angle: Degrees): boolean =>
  Math.abs(angle / RASTER - Math.round(angle / RASTER)) < 1e-9;
