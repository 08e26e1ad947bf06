import { outlinePath } from './outline';
import type { Exaggeration } from './rotorFace';

/** Places at which the outline of a drum is drawn: every fifteen degrees. */
const STEPS = 24;

/** The part of a drum's diameter at an angle that four diameters tell: oval and order 4. */
function shapeAt(degrees: number, diameters: readonly number[]): number {
  const [d1 = 0, d2 = 0, d3 = 0, d4 = 0] = diameters;
  const theta = (degrees * Math.PI) / 180;
  const oval = ((d1 - d3) / 2) * Math.cos(2 * theta) + ((d2 - d4) / 2) * Math.sin(2 * theta);
  return oval + ((d1 - d2 + d3 - d4) / 4) * Math.cos(4 * theta);
}

/**
 * The inside of a drum as four diameters (micrometres) tell it, exaggerated: half of what a
 * diameter differs stands on each side. `half` micrometres of a diameter fill the swing.
 */
export function drumOutline(diameters: readonly number[], half: number, sense: 1 | -1): string {
  const angles = Array.from({ length: STEPS }, (_, i) => (i * 360) / STEPS);
  const scale: Exaggeration = { middle: 0, half: Math.max(half, 1) };
  return outlinePath(
    angles.map((angle) => shapeAt(angle, diameters)),
    angles,
    sense,
    scale,
  );
}

/** Where the figures of the four diameters stand. */
export const DRUM_ANGLES = [0, 45, 90, 135] as const;
export const DRUM_LABEL_RADIUS = 82;
