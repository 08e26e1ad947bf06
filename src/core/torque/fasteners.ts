import type { NewtonMetres } from '../units';
import { usualOfThread } from './thread';

/** A kind of fastener of a corner, with what its torque usually is. */
export interface Fastener {
  readonly code: FastenerCode;
  readonly name: string;
  /** Conditions under which a corner has it, all of them; as in the procedure. */
  readonly when: readonly string[];
  /** Torques that are usual for its kind on road vehicles: a figure outside is challenged. */
  readonly usual: readonly [NewtonMetres, NewtonMetres];
  /** Shares of the torque at which it is drawn up, in order. */
  readonly stages: readonly number[];
  /** The contact point whose product is its thread's treatment. */
  readonly contact: string;
  readonly say: string;
  /** Steps of the strip-down in which it comes out: what was pulled before then holds nothing. */
  readonly outBy: readonly string[];
}

/** Steps of the strip-down in which a caliper comes off. */
export const CALIPER_STEPS: readonly string[] = [
  'caliper-off',
  'caliper-off-fixed',
  'caliper-off-press',
  'caliper-off-pivot',
];
const HUB_STEPS = ['bearing-rotor-off', 'drum-bearing-off'];
/** A rotor comes off a floating caliper with its bracket, and a screw that held it is out by then. */
const ROTOR_STEPS = ['rotor-off', 'drum-off', ...HUB_STEPS];

export const FASTENER_CODES = [
  'wheel-nuts',
  'bracket-bolts',
  'pin-bolts',
  'caliper-bolts',
  'rotor-screw',
  'line-bracket',
  'hose',
  'bleeder',
  'bearing-nut',
] as const;
export type FastenerCode = (typeof FASTENER_CODES)[number];

/** Shares at which wheel nuts are drawn up: snug, full, and full once more as a check. */
export const WHEEL_STAGES: readonly number[] = [0.4, 1, 1];

/**
 * What is drawn up to a figure at a corner. The usual ranges are wide on purpose: they catch a
 * slip of unit (factor 1.36 or 10), never replace the maker's figure. Source: handbook 15.
 */
export const FASTENERS: readonly Fastener[] = [
  {
    code: 'bearing-nut',
    name: 'Bearing nut, seating torque',
    when: ['bearing-in-rotor'],
    usual: [10, 80],
    stages: [1],
    contact: 'bracket-bolts',
    say: 'Seat the bearing while the rotor turns, then back off and set end play by the maker’s procedure.',
    outBy: HUB_STEPS,
  },
  {
    code: 'rotor-screw',
    name: 'Retaining screw of rotor or drum',
    when: ['retaining-screw', '!bearing-in-rotor'],
    usual: [3, 35],
    stages: [1],
    contact: 'rotor-screw',
    say: 'It only holds the rotor or drum until the wheel does.',
    outBy: ['rotor-screw', ...ROTOR_STEPS],
  },
  {
    code: 'bracket-bolts',
    name: 'Bracket bolts',
    when: ['floating'],
    usual: [50, 220],
    stages: [1],
    contact: 'bracket-bolts',
    say: 'Both started by hand before either is tightened; no impact gun.',
    outBy: ['bracket-off', ...ROTOR_STEPS],
  },
  {
    code: 'pin-bolts',
    name: 'Caliper pin bolts',
    when: ['floating', '!press-pins'],
    usual: [15, 70],
    stages: [1],
    contact: 'bracket-bolts',
    say: 'Counter-hold a pin that turns with its bolt.',
    outBy: CALIPER_STEPS,
  },
  {
    code: 'caliper-bolts',
    name: 'Caliper bolts',
    when: ['fixed'],
    usual: [50, 200],
    stages: [1],
    contact: 'bracket-bolts',
    say: 'Both started by hand before either is tightened; shims in their places.',
    outBy: CALIPER_STEPS,
  },
  {
    code: 'line-bracket',
    name: 'Line bracket bolt',
    when: ['rigid-line'],
    usual: [5, 45],
    stages: [1],
    contact: 'bracket-bolts',
    say: 'The line sits without strain before the bolt is drawn up.',
    outBy: ['line-bracket'],
  },
  {
    code: 'hose',
    name: 'Hose or banjo bolt',
    when: ['hose-off'],
    usual: [10, 60],
    stages: [1],
    contact: 'studs',
    say: 'New sealing washers on both sides of a banjo.',
    outBy: [],
  },
  {
    code: 'bleeder',
    name: 'Bleeder screw',
    when: ['opened'],
    usual: [4, 25],
    stages: [1],
    contact: 'studs',
    say: 'Closed before the pressure is let off; cap back on.',
    outBy: ['bleeder-open'],
  },
  {
    code: 'wheel-nuts',
    name: 'Wheel nuts',
    when: [],
    usual: [70, 230],
    stages: WHEEL_STAGES,
    contact: 'studs',
    say: 'By torque wrench in the star, the tyre just touching the ground for the last stage.',
    outBy: ['wheel-off', 'wheel-off-bolts'],
  },
];

export const fastenerOf = (code: string): Fastener | undefined =>
  FASTENERS.find((each) => each.code === code);

/** A fastener as an axle has it: what holds a wheel takes what is usual for its thread, where it is known. */
export function fastenerOfThread(fastener: Fastener, thread: string | null): Fastener {
  const usual = fastener.code === 'wheel-nuts' ? usualOfThread(thread) : null;
  return usual === null
    ? fastener
    : { ...fastener, usual, name: `${fastener.name} of ${thread ?? ''}` };
}

/** A fastener's name on a wheel held by nuts or by bolts. */
export const fastenerName = (fastener: Fastener, hasBolts: boolean): string =>
  fastener.code === 'wheel-nuts' && hasBolts ? 'Wheel bolts' : fastener.name;
