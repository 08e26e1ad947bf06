import type { BenchFaults } from '../bench';
import type { Level, Subject } from './code';

/** What may be wrong at the bench of a case. */
export const BENCH_FAULTS = [
  'loose-base',
  'end-play',
  'other-face',
  'slot',
  'dirt',
  'hot',
  'zero',
  'lip',
  'nuts',
] as const;
export type BenchFault = (typeof BENCH_FAULTS)[number];

export type GaugeKind = 'dial' | 'micrometer';

export const GAUGES_OF: Readonly<Record<Subject, readonly GaugeKind[]>> = {
  dial: ['dial'],
  micrometer: ['micrometer'],
  both: ['dial', 'micrometer'],
};

/** One thing that is looked at before a gauge is trusted, and how it is put right. */
export interface BenchWork {
  readonly fault: BenchFault;
  readonly gauge: GaugeKind;
  readonly levels: readonly Level[];
  readonly look: {
    readonly name: string;
    readonly minutes: number;
    readonly sound: string;
    readonly found: string;
  };
  readonly remedy: { readonly name: string; readonly minutes: number; readonly done: string };
  /** What it does to the readings, for who missed it: after “because”. */
  readonly why: string;
  /** What to do better, one sentence. */
  readonly lesson: string;
}

/** Looks and remedies at a bench, in the order of work. Minutes are assumptions. */
export const BENCH_WORK: readonly BenchWork[] = [
  {
    ...{ fault: 'dirt', gauge: 'dial', levels: ['read', 'apart'] },
    look: {
      ...{ name: 'Look under the hat', minutes: 8 },
      sound: 'Hub face and hat are bare and clean; it sits as it was marked.',
      found: 'A crumb of rust lies between hub face and hat.',
    },
    remedy: {
      ...{ name: 'Clean both faces', minutes: 4 },
      done: 'Both faces are bare; the rotor is back as it was marked.',
    },
    why: 'dirt under the hat tilts the rotor',
    lesson: 'Look under the hat before the first lap: a crumb of rust tilts the rotor.',
  },
  {
    ...{ fault: 'loose-base', gauge: 'dial', levels: ['read'] },
    look: {
      ...{ name: 'Shake the base', minutes: 0.5 },
      sound: 'The base is firm; the hand goes back to where it was.',
      found: 'The hand does not come back: the base creeps.',
    },
    remedy: {
      ...{ name: 'Clamp the base firmly', minutes: 1 },
      done: 'The base is clamped firmly, close to the probe.',
    },
    why: 'the base crept while the wheel was turned',
    lesson: 'Shake the base before the first lap: it crept while the wheel was turned.',
  },
  {
    ...{ fault: 'end-play', gauge: 'dial', levels: ['read'] },
    look: {
      ...{ name: 'Push and pull the wheel', minutes: 0.5 },
      sound: 'Push and pull moves the hand by nothing that counts.',
      found: 'Push and pull moves the hand far: the bearing has play.',
    },
    remedy: {
      ...{ name: 'Press inboard at each reading', minutes: 2 },
      done: 'The rotor is pressed inboard at every reading from now on.',
    },
    why: 'play in the bearing let the rotor move in and out between readings',
    lesson: 'Push and pull first; with play, press the rotor inboard at each reading.',
  },
  {
    ...{ fault: 'other-face', gauge: 'dial', levels: ['read'] },
    look: {
      ...{ name: 'Look which face the probe is on', minutes: 0.5 },
      sound: 'The probe stands on the outboard face, square to it.',
      found: 'The probe stands on the inboard face: its signs are turned round.',
    },
    remedy: {
      ...{ name: 'Put it on the outboard face', minutes: 2 },
      done: 'The probe stands on the outboard face, square to it.',
    },
    why: 'the probe stood on the other face, so that high and low changed places',
    lesson: 'Look which face the probe is on: from the other face high and low change places.',
  },
  {
    ...{ fault: 'slot', gauge: 'dial', levels: ['read'] },
    look: {
      ...{ name: 'Turn once and watch the tip', minutes: 0.5 },
      sound: 'The tip runs on plain iron all the way round.',
      found: 'The tip drops into a slot as it comes round.',
    },
    remedy: {
      ...{ name: 'Move the tip to plain iron', minutes: 1 },
      done: 'The tip runs between the slots, on plain iron.',
    },
    why: 'the tip dropped into a slot',
    lesson: 'Turn once and watch the tip: in a slot it reads a hole, not the face.',
  },
  {
    ...{ fault: 'hot', gauge: 'micrometer', levels: ['read'] },
    look: {
      ...{ name: 'Feel the rotor', minutes: 0.5 },
      sound: 'The rotor is hand warm.',
      found: 'The rotor is too hot to touch, about 120 °C.',
    },
    remedy: { ...{ name: 'Let it cool', minutes: 30 }, done: 'The rotor is at 20 °C.' },
    why: 'a hot rotor is thicker',
    lesson:
      'Feel the rotor first: hot iron is thicker, and a worn rotor then measures as a good one.',
  },
  {
    ...{ fault: 'zero', gauge: 'micrometer', levels: ['read'] },
    look: {
      ...{ name: 'Close the micrometer', minutes: 0.5 },
      sound: 'Closed, it shows nothing.',
      found: 'Closed, it does not show zero.',
    },
    remedy: { ...{ name: 'Set it to zero', minutes: 1 }, done: 'Closed, it shows zero.' },
    why: 'the micrometer was off zero',
    lesson: 'Close the micrometer first: it was off zero, and every reading with it.',
  },
  {
    ...{ fault: 'lip', gauge: 'micrometer', levels: ['read'] },
    look: {
      ...{ name: 'Look where the anvils stand', minutes: 0.5 },
      sound: 'The anvils stand on the swept face, 10 mm in from the rim.',
      found: 'The anvils stand on the rusty lip at the rim, where no pad runs.',
    },
    remedy: {
      ...{ name: 'Go 10 mm in from the rim', minutes: 0.5 },
      done: 'The anvils stand on the swept face, 10 mm in from the rim.',
    },
    why: 'the anvils stood on the lip, where nothing is worn',
    lesson: 'Look where the anvils stand: on the lip a worn rotor measures as a good one.',
  },
  {
    ...{ fault: 'nuts', gauge: 'dial', levels: ['apart'] },
    look: {
      ...{ name: 'Put the torque wrench on the nuts', minutes: 1 },
      sound: 'Every nut holds at its torque.',
      found: 'The nuts turn at different torques: they pull the rotor out of true.',
    },
    remedy: {
      ...{ name: 'Draw them up in the star', minutes: 3 },
      done: 'The nuts are drawn up in the star, in three stages.',
    },
    why: 'unevenly drawn nuts pulled the rotor out of true',
    lesson:
      'Put the torque wrench on the nuts before the hub is blamed: uneven nuts tilt the rotor.',
  },
];

/** A case as far as its bench goes. */
interface BenchOf {
  readonly level: Level;
  readonly subject: Subject;
  readonly faults: Readonly<Partial<Record<BenchFault, BenchFaults>>>;
}

/** What can be looked at in a case, in the order of work. */
export const worksOf = ({ level, subject }: Pick<BenchOf, 'level' | 'subject'>): BenchWork[] =>
  BENCH_WORK.filter(
    ({ levels, gauge }) => levels.includes(level) && GAUGES_OF[subject].includes(gauge),
  );

export const workOf = (fault: BenchFault): BenchWork =>
  BENCH_WORK.find((work) => work.fault === fault)!;

/** Something that was done at the bench beside reading. */
export interface BenchAction {
  readonly kind: 'look' | 'remedy';
  readonly fault: BenchFault;
}

export const isPutRight = (actions: readonly BenchAction[], fault: BenchFault): boolean =>
  actions.some((action) => action.kind === 'remedy' && action.fault === fault);

/** What is wrong at the bench after what was put right. */
export const faultsLeft = (
  faults: Readonly<Partial<Record<BenchFault, BenchFaults>>>,
  actions: readonly BenchAction[],
): BenchFaults =>
  Object.assign(
    {},
    ...BENCH_FAULTS.filter((fault) => !isPutRight(actions, fault)).map((fault) => faults[fault]),
  );

/** Minutes that looks and remedies took. */
export const minutesOf = (actions: readonly BenchAction[]): number =>
  actions.reduce((sum, { kind, fault }) => sum + workOf(fault)[kind].minutes, 0);

/** What was wrong at the bench and was not put right, in the order of work. */
export const missedOf = (own: BenchOf, actions: readonly BenchAction[]): BenchFault[] =>
  worksOf(own).flatMap(({ fault }) =>
    own.faults[fault] && !isPutRight(actions, fault) ? [fault] : [],
  );

/** The least minutes in which everything is looked at, and what is wrong put right. */
export const leastAtBench = (own: BenchOf): number =>
  worksOf(own).reduce(
    (sum, { fault, look, remedy }) => sum + look.minutes + (own.faults[fault] ? remedy.minutes : 0),
    0,
  );

/** Minutes of one reading. */
export const READING_MINUTES = 0.15;
/** Readings of a lap of the dial that is closed. */
export const DIAL_LAP = 13;

/** How much longer than the shortest way is as quick as it can be done. */
const AS_QUICK = 1.3;

/** What is said of a case that came out right. */
export const sayPace = (minutes: number, best: number): string =>
  minutes <= best * AS_QUICK
    ? 'Right, and as quick as it can be done.'
    : `Right; the shortest way takes ${best.toFixed(0)} minutes, this took ${minutes.toFixed(0)}.`;
