import { fits, type Context, type Procedure, type When } from '../procedure';
import { FASTENERS, type FastenerCode } from '../torque';

/** What a part of the drawing looks like. */
export const SHAPES = [
  'wheel',
  'nuts',
  'cap',
  'clip',
  'bearing',
  'screw',
  'rotor',
  'drum',
  'shoes',
  'spring',
  'adjuster',
  'cylinder',
  'plate',
  'hub',
  'knuckle',
  'axle',
  'pad-outer',
  'pad-inner',
  'sensor',
  'bracket',
  'bolts',
  'pin',
  'caliper',
  'caliper-fixed',
  'bleeder',
  'hose',
  'tray',
] as const;
export type Shape = (typeof SHAPES)[number];

/**
 * A part of a corner as it is drawn, pulled apart along the axis of the hub: what goes with it in the
 * tray, in the torque list, at its contact points, in what is looked at and in the steps of the work.
 */
export interface DrawnPart {
  readonly code: string;
  /** Short enough to stand beside it. */
  readonly name: string;
  readonly column: 'axle' | 'caliper';
  readonly shape: Shape;
  readonly when?: When;
  /** Kinds of parts of the tray. */
  readonly parts?: readonly string[];
  readonly fasteners?: readonly FastenerCode[];
  readonly contacts?: readonly string[];
  readonly looks?: readonly string[];
  /** Steps of taking apart and of putting together that are done at it. */
  readonly steps?: readonly string[];
  /** Steps of other parts in which it comes off, goes on or is seen: where none is its own it leads there. */
  readonly leads?: readonly string[];
}

/** What hangs in the order of the axis from the wheel inwards; then what sits over the rotor. */
export const DRAWN: readonly DrawnPart[] = [
  {
    ...{ code: 'wheel', name: 'Wheel', column: 'axle', shape: 'wheel' },
    steps: ['service-mode', 'wheel-on', 'service-off'],
  },
  {
    ...{ code: 'wheel-nuts', name: 'Nuts and studs', column: 'axle', shape: 'nuts' },
    leads: ['wheel-on'],
    ...{ parts: ['wheel-nuts'], fasteners: ['wheel-nuts'], contacts: ['studs'] },
    ...{ looks: ['nuts', 'nut-seats', 'studs'], steps: ['wheel-off', 'wheel-off-bolts'] },
  },
  {
    ...{ code: 'dust-cap', name: 'Dust cap', column: 'axle', shape: 'cap' },
    leads: ['bearing-rotor-off', 'drum-bearing-off', 'bearing-back'],
    ...{ when: ['bearing-in-rotor'], parts: ['dust-cap'] },
  },
  {
    ...{ code: 'split-pin', name: 'Nut and split pin', column: 'axle', shape: 'clip' },
    leads: ['bearing-rotor-off', 'drum-bearing-off', 'bearing-back'],
    ...{ when: ['bearing-in-rotor'], parts: ['split-pin'], fasteners: ['bearing-nut'] },
  },
  {
    ...{ code: 'outer-bearing', name: 'Outer bearing', column: 'axle', shape: 'bearing' },
    leads: ['bearing-rotor-off', 'drum-bearing-off'],
    ...{ when: ['bearing-in-rotor'], parts: ['outer-bearing'], steps: ['bearing-back'] },
  },
  {
    ...{ code: 'rotor-screw', name: 'Retaining screw', column: 'axle', shape: 'screw' },
    leads: ['rotor-on', 'drum-on'],
    when: ['retaining-screw', '!bearing-in-rotor'],
    ...{ parts: ['rotor-screw'], fasteners: ['rotor-screw'], contacts: ['rotor-screw'] },
    steps: ['rotor-screw'],
  },
  {
    ...{ code: 'rotor', name: 'Rotor', column: 'axle', shape: 'rotor', when: ['!drum'] },
    ...{ parts: ['rotor'], contacts: ['rotor-face'] },
    looks: [
      ...['faces', 'wear', 'cracks', 'fins', 'vanes', 'stamp', 'turned'],
      ...['buttons', 'composite-wear', 'cut-finish', 'rivets'],
    ],
    steps: [
      ...['first-look', 'match-mark', 'as-found', 'rivets', 'rotor-off', 'bearing-rotor-off'],
      ...['under-hat', 'cut-look', 'vanes', 'rotor-clean', 'rotor-on', 'installed'],
    ],
  },
  {
    ...{ code: 'drum', name: 'Drum', column: 'axle', shape: 'drum', when: ['drum'] },
    ...{
      parts: ['drum'],
      contacts: ['rotor-face'],
      looks: ['drum-outside', 'drum-face', 'rivets'],
    },
    steps: [
      ...['drum-look', 'match-mark', 'rivets', 'drum-off', 'drum-bearing-off', 'drum-size'],
      ...['drum-clean', 'drum-on'],
    ],
  },
  {
    ...{ code: 'inner-bearing', name: 'Inner bearing', column: 'axle', shape: 'bearing' },
    leads: ['bearing-back'],
    when: ['bearing-in-rotor'],
    ...{ parts: ['inner-bearing'], looks: ['seal'], steps: ['bearing-pack'] },
  },
  {
    ...{ code: 'hat-shoes', name: 'Parking shoes', column: 'axle', shape: 'shoes' },
    ...{ when: ['drum-in-hat', '!drum'], parts: ['access-plug'], looks: ['shoes'] },
    steps: ['adjuster-back', 'shoes'],
  },
  {
    ...{ code: 'shoes', name: 'Shoes', column: 'axle', shape: 'shoes', when: ['drum'] },
    ...{ parts: ['shoes'], looks: ['shoe-lining', 'shoe-set', 'cable', 'shoes'] },
    steps: ['shoes-look', 'shoes-off', 'shoes-on', 'shoe-adjust', 'adjuster-back', 'shoes'],
  },
  {
    ...{ code: 'shoe-springs', name: 'Shoe springs', column: 'axle', shape: 'spring' },
    leads: ['shoes-off', 'shoes-on'],
    ...{ when: ['drum'], parts: ['shoe-springs'], looks: ['shoe-springs'] },
  },
  {
    ...{ code: 'adjuster', name: 'Adjuster', column: 'axle', shape: 'adjuster', when: ['drum'] },
    leads: ['shoes-off', 'shoes-on'],
    ...{ parts: ['adjuster', 'access-plug'], looks: ['adjuster'], steps: ['drum-adjuster-back'] },
  },
  {
    ...{ code: 'cylinder', name: 'Wheel cylinder', column: 'axle', shape: 'cylinder' },
    leads: ['shoes-look'],
    ...{ when: ['drum'], looks: ['cylinder'] },
  },
  {
    ...{ code: 'backing', name: 'Backing plate', column: 'axle', shape: 'plate', when: ['drum'] },
    ...{ contacts: ['backing-points'], looks: ['backing'], steps: ['backing'] },
  },
  {
    ...{ code: 'hub', name: 'Hub and bearing', column: 'axle', shape: 'hub' },
    contacts: ['hub-face', 'register'],
    ...{ looks: ['seat', 'straight-edge', 'bearing'] },
    steps: ['hub-face', 'drum-seat', 'seat-clean'],
  },
  {
    ...{ code: 'knuckle', name: 'Knuckle', column: 'axle', shape: 'knuckle', when: ['front'] },
    steps: ['steering'],
  },
  { ...{ code: 'axle', name: 'Axle end', column: 'axle', shape: 'axle', when: ['rear'] } },
  {
    ...{ code: 'spring', name: 'Spring and pins', column: 'caliper', shape: 'spring' },
    leads: ['pads-out-fixed', 'pads-in-fixed'],
    ...{ when: ['fixed'], parts: ['spring', 'retaining-pins'], looks: ['hardware'] },
  },
  {
    ...{ code: 'pad-outer', name: 'Outer pad', column: 'caliper', shape: 'pad-outer' },
    leads: ['pads-out', 'pads-out-fixed', 'pads-in', 'pads-in-fixed'],
    ...{ when: ['!drum'], parts: ['pad-outer'], contacts: ['pad-back'], looks: ['pads-look'] },
  },
  {
    ...{ code: 'pad-inner', name: 'Inner pad', column: 'caliper', shape: 'pad-inner' },
    ...{ when: ['!drum'], parts: ['pad-inner'], contacts: ['pad-ear'], looks: ['pads-move'] },
    steps: ['pads-out', 'pads-out-fixed', 'pads-in', 'pads-in-fixed'],
  },
  {
    ...{ code: 'clips', name: 'Pad clips', column: 'caliper', shape: 'clip', when: ['floating'] },
    leads: ['pads-out', 'pads-in'],
    ...{ parts: ['clips'], contacts: ['abutment'], looks: ['hardware', 'abutments'] },
  },
  {
    ...{ code: 'sensor', name: 'Wear sensor', column: 'caliper', shape: 'sensor' },
    ...{ when: ['wear-sensor'], parts: ['sensor'], looks: ['sensor'] },
    steps: ['sensor-off', 'sensor-back'],
  },
  {
    ...{ code: 'bracket', name: 'Bracket', column: 'caliper', shape: 'bracket' },
    ...{ when: ['floating'], parts: ['bracket'], steps: ['bracket-off', 'bracket-on'] },
  },
  {
    ...{ code: 'bracket-bolts', name: 'Bracket bolts', column: 'caliper', shape: 'bolts' },
    leads: ['bracket-off', 'bracket-on'],
    ...{ when: ['floating'], parts: ['bracket-bolts'], fasteners: ['bracket-bolts'] },
    ...{ contacts: ['bracket-bolts'], looks: ['threads'] },
  },
  {
    ...{ code: 'pin-upper', name: 'Upper slide pin', column: 'caliper', shape: 'pin' },
    ...{ when: ['floating'], parts: ['pin-upper'], contacts: ['pin'], looks: ['pins'] },
    steps: ['pins-out', 'pins-in'],
  },
  {
    ...{ code: 'pin-lower', name: 'Lower slide pin', column: 'caliper', shape: 'pin' },
    leads: ['pins-out', 'pins-in'],
    ...{ when: ['floating'], parts: ['pin-lower'], contacts: ['bore'], looks: ['boots'] },
  },
  {
    ...{ code: 'caliper', name: 'Caliper', column: 'caliper', shape: 'caliper' },
    ...{ when: ['floating'], contacts: ['piston-face'] },
    looks: ['piston-boot', 'piston', 'square'],
    steps: [
      ...['piston-clean', 'push-back', 'wind-back'],
      ...['caliper-off', 'caliper-off-press', 'caliper-off-pivot'],
      ...['caliper-on', 'caliper-on-press', 'caliper-on-pivot', 'movement'],
    ],
  },
  {
    ...{ code: 'caliper', name: 'Caliper', column: 'caliper', shape: 'caliper-fixed' },
    ...{ when: ['fixed'], contacts: ['piston-face'] },
    looks: ['piston-boot', 'piston', 'square', 'abutments'],
    steps: [
      ...['piston-clean', 'push-back', 'wind-back', 'caliper-off-fixed', 'caliper-on-fixed'],
      'movement',
    ],
  },
  {
    ...{ code: 'press-pins', name: 'Press-in pins', column: 'caliper', shape: 'pin' },
    leads: ['caliper-off-press', 'caliper-on-press'],
    ...{ when: ['floating', 'press-pins'], parts: ['press-pins'] },
  },
  {
    ...{ code: 'pin-bolts', name: 'Pin bolts', column: 'caliper', shape: 'bolts' },
    leads: ['caliper-off', 'caliper-off-pivot', 'caliper-on', 'caliper-on-pivot'],
    when: ['floating', '!press-pins'],
    ...{ parts: ['pin-bolts'], fasteners: ['pin-bolts'] },
  },
  {
    ...{ code: 'caliper-bolts', name: 'Caliper bolts', column: 'caliper', shape: 'bolts' },
    leads: ['caliper-off-fixed', 'caliper-on-fixed'],
    ...{ when: ['fixed'], parts: ['caliper-bolts'], fasteners: ['caliper-bolts'] },
    ...{ contacts: ['bracket-bolts'], looks: ['threads'] },
  },
  {
    ...{ code: 'bleeder', name: 'Bleeder', column: 'caliper', shape: 'bleeder' },
    ...{ parts: ['bleeder-cap'], fasteners: ['bleeder'], steps: ['bleeder-open'] },
  },
  {
    ...{ code: 'line-bracket', name: 'Line bracket', column: 'caliper', shape: 'bolts' },
    ...{ when: ['rigid-line'], parts: ['line-bolt'], fasteners: ['line-bracket'] },
    steps: ['line-bracket', 'line-back'],
  },
  {
    ...{ code: 'hose', name: 'Hose and lines', column: 'caliper', shape: 'hose' },
    leads: ['piston-clean', 'drum-look'],
    ...{ fasteners: ['hose'], looks: ['hose', 'lines', 'leaks'] },
    steps: ['hose-free', 'hose-free-rear'],
  },
  {
    ...{ code: 'tray', name: 'The corner', column: 'caliper', shape: 'tray' },
    steps: ['other-side', 'old-against-new', 'tray'],
  },
];

/** A part as a vehicle's corner has it: only what its traits call for. */
export type CornerPart = Required<Omit<DrawnPart, 'when'>>;

/** What a corner's traits call for, by kind of thing. */
export interface CalledFor {
  readonly parts: readonly string[];
  readonly fasteners: readonly string[];
  readonly contacts: readonly string[];
  readonly looks: readonly string[];
  readonly steps: readonly string[];
}

const once = <Item>(items: readonly Item[]): Item[] => [...new Set(items)];

/** Everything that the procedure and the torque list call for at a corner. */
export function calledFor(
  procedure: Procedure,
  context: Context,
  looks: readonly string[],
): CalledFor {
  const steps = procedure.steps.filter(({ when }) => fits(context, when));
  const back = procedure.rebuild.filter(({ when }) => fits(context, when));
  const fasteners = FASTENERS.filter(({ when }) => fits(context, when)).map(({ code }) => code);
  const touched = back.flatMap(({ contacts }) => contacts);
  // Wheel nuts are in the tray without a step of their own, a cap comes off where it is bled.
  const beside = ['wheel-nuts', 'bleeder-cap'];
  return {
    parts: once([...steps.flatMap(({ parts }) => parts), ...beside]),
    fasteners,
    // A screw that is not there needs nothing on its thread.
    contacts: once(touched).filter(
      (code) => code !== 'rotor-screw' || fasteners.includes('rotor-screw'),
    ),
    looks,
    steps: once([...steps, ...back].map(({ code }) => code)),
  };
}

/**
 * The parts of a corner as they are drawn, in the order of the axis: each with what is called for and
 * has its place there. What could stand at two parts stands at the first.
 */
export function drawnCorner(context: Context, called: CalledFor): CornerPart[] {
  const left = {
    parts: new Set<string>(called.parts),
    fasteners: new Set<string>(called.fasteners),
    contacts: new Set<string>(called.contacts),
    looks: new Set<string>(called.looks),
    steps: new Set<string>(called.steps),
  };
  /** What stands here has no other place. */
  const own = <Code extends string>(kind: keyof CalledFor, codes: readonly Code[] = []): Code[] =>
    codes.filter((code) => left[kind].delete(code));
  return DRAWN.filter(({ when }) => fits(context, when)).map((part) => ({
    ...{ code: part.code, name: part.name, column: part.column, shape: part.shape },
    parts: own('parts', part.parts),
    fasteners: own('fasteners', part.fasteners),
    contacts: own('contacts', part.contacts),
    looks: own('looks', part.looks),
    steps: own('steps', part.steps),
    leads: (part.leads ?? []).filter((code) => called.steps.includes(code)),
  }));
}
