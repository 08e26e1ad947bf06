/** Side of the square that the rotor is drawn in, and its centre. */
export const SIDE = 400;
const CENTRE = SIDE / 2;

/** Radii of the drawing. */
export const RADIUS = {
  label: 189,
  edge: 172,
  base: 138,
  swing: 28,
  friction: 100,
  hat: 84,
  arc: 92,
  spot: 96,
  spotWord: 73,
  hub: 62,
  studs: 46,
} as const;

/** Angle on the drawing, clockwise from the top in radians, of theta in degrees. */
export const drawnAngle = (theta: number, sense: 1 | -1): number => (sense * theta * Math.PI) / 180;

/** A place on the drawing at a radius and theta (degrees), rounded so that server and page agree. */
export function pointAt(radius: number, theta: number, sense: 1 | -1): { x: number; y: number } {
  const angle = drawnAngle(theta, sense);
  const round = (value: number): number => Math.round(value * 100) / 100;
  return {
    x: round(CENTRE + radius * Math.sin(angle)),
    y: round(CENTRE - radius * Math.cos(angle)),
  };
}

/** How readings (micrometres) become radii: the middle lies on the base circle. */
export interface Exaggeration {
  readonly middle: number;
  /** Micrometres that fill the swing to one side. */
  readonly half: number;
}

/** The exaggeration that shows all readings and at least the limit. */
export function exaggerationOf(values: readonly number[], limit: number): Exaggeration {
  if (values.length === 0) return { middle: 0, half: Math.max(limit / 2, 1) };
  const low = Math.min(...values);
  const high = Math.max(...values);
  return { middle: (low + high) / 2, half: Math.max((high - low) / 2, limit / 2, 1) };
}

export const radiusOf = (value: number, { middle, half }: Exaggeration): number =>
  RADIUS.base + (RADIUS.swing * (value - middle)) / half;

/** An arc along the theta sense from one angle to another by the given turn, in degrees. */
export function arcPath(radius: number, from: number, turn: number, sense: 1 | -1): string {
  const start = pointAt(radius, from, sense);
  const end = pointAt(radius, from + turn, sense);
  const large = Math.abs(turn) > 180 ? 1 : 0;
  const sweep = turn * sense > 0 ? 1 : 0;
  return `M${start.x} ${start.y}A${radius} ${radius} 0 ${large} ${sweep} ${end.x} ${end.y}`;
}
