/** Corners as seen from the driver's seat. */
export const CORNERS = ['FL', 'FR', 'RL', 'RR'] as const;
export type Corner = (typeof CORNERS)[number];

export const CORNER_NAME: Readonly<Record<Corner, string>> = {
  FL: 'front left',
  FR: 'front right',
  RL: 'rear left',
  RR: 'rear right',
};

export const AXLE_POSITIONS = ['front', 'rear'] as const;
export type AxlePosition = (typeof AXLE_POSITIONS)[number];
export const axleOf = (corner: Corner): AxlePosition => (corner.startsWith('F') ? 'front' : 'rear');

/**
 * The sense in which theta grows as you face the outboard side, with the wheel turned
 * forward: clockwise (1) on a left wheel, counter-clockwise (-1) on a right one.
 * Source: handbook 2.
 */
export const facingSense = (corner: Corner): 1 | -1 => (corner.endsWith('L') ? 1 : -1);

export type Fastening = 'studs' | 'bolts';

/** What carries the wheel, in words: one of them. */
export const fastenerName = (fastening: Fastening): 'stud' | 'hole' =>
  fastening === 'studs' ? 'stud' : 'hole';

/** The corner on the other side of the axle. */
export const otherSide = (corner: Corner): Corner =>
  ({ FL: 'FR', FR: 'FL', RL: 'RR', RR: 'RL' } as const)[corner];
