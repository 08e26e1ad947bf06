import type { DemoJob } from './jobs';
import { orders } from './waves';

/** A corner on five bolts whose thickness varies so much, in µm zero to peak. */
const worn = (hub: number, rotor: number, meanThickness: number, dtv: number) => ({
  studs: 5,
  hub: orders([[hub, 75]]),
  rotor: orders([
    [rotor, 210],
    [3, 100],
  ]),
  meanThickness,
  thickness: orders([
    [dtv, 220],
    [dtv / 8, 60],
  ]),
});

/** One vehicle twice: an axle that was sound, and 24,600 km later is not. */
export const PAIR_JOBS: readonly DemoJob[] = [
  {
    vehicle: 'rescue',
    complaint: 'Looked over before the season.',
    odometerKm: '41800',
    corners: [
      { corner: 'FL', truth: worn(7, 8, 27_770, 0.5), shifts: [0] },
      { corner: 'FR', truth: worn(6, 9, 27_760, 0.5), shifts: [0] },
    ],
    isClosed: true,
  },
  {
    vehicle: 'rescue',
    complaint: 'Pedal pulses on long descents, both front rotors look alike.',
    odometerKm: '66400',
    corners: [
      { corner: 'FL', truth: worn(12, 30, 27_470, 9), shifts: [0, 2] },
      { corner: 'FR', truth: worn(9, 24, 27_440, 8), shifts: [0, 2] },
    ],
  },
];
