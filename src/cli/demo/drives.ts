import type { DrivePart, VirtualDrive } from '../../core/bench';

const KMH = 1 / 3.6;
const part = (from: number, to: number, seconds: number): DrivePart => ({
  from: from * KMH,
  to: to * KMH,
  seconds,
});

/** Steady driving, coasting and three stops, as the road test asks. */
const PARTS: readonly DrivePart[] = [
  part(20, 90, 20),
  part(90, 90, 35),
  part(90, 30, 9),
  part(30, 90, 18),
  part(90, 80, 12),
  part(80, 30, 8),
  part(30, 85, 18),
  part(85, 30, 9),
];

/** A phone's ways: stamps that jitter, speed once a second, a pause, a bump. */
const phone = { parts: PARTS, noise: 0.14, rate: 200, speedEvery: 1, jitter: 1, bump: 30 };

/** The recordings of the demo, by what is wrong with the vehicle; diameters are of its tyre. */
export const DRIVES = {
  frontThickness: {
    ...phone,
    diameter: 0.7231,
    gap: [58, 1.4],
    shakes: [
      { order: 1, amplitude: 0.55, during: 'braking', axis: 'x' },
      { order: 2, amplitude: 0.12, during: 'braking', axis: 'x' },
    ],
  },
  tyre: {
    ...phone,
    diameter: 0.6619,
    speedError: 0.02,
    shakes: [{ order: 1, amplitude: 0.4, during: 'always', axis: 'y' }],
  },
  rearDrum: {
    ...phone,
    diameter: 0.7178,
    shakes: [{ order: 2, amplitude: 0.45, during: 'braking', axis: 'x' }],
  },
  propshaft: {
    ...phone,
    diameter: 0.7178,
    shakes: [{ order: 4.55, amplitude: 0.3, during: 'always', axis: 'z' }],
  },
  clean: { ...phone, diameter: 0.6619, shakes: [] },
} as const satisfies Readonly<Record<string, VirtualDrive>>;
