import 'server-only';
import type { AxlePosition } from '../../core/readings';
import type { NewAxle, NewLimit } from '../../db/repositories';

/** An axle of which nothing is known but how its wheels are held on. */
export const plainAxle = (
  position: AxlePosition,
  { fastening, studs }: Pick<NewAxle, 'fastening' | 'studs'>,
  limits: readonly NewLimit[] = [],
): NewAxle => ({
  ...{ position, fastening, studs, allowedShifts: null, caliper: 'floating' },
  ...{ pistons: null, traits: [], rotorKg: null, limits },
});
