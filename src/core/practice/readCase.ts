import type { AxleLimits } from '../assessment';
import {
  practiceCorner,
  trueRunout,
  trueThicknessAt,
  type BenchFaults,
  type VirtualCorner,
} from '../bench';
import { waveAt } from '../harmonics';
import { argument, type RandomSource } from '../numeric';
import { CORNERS, type Corner } from '../readings';
import { toDegrees, toRadians, wrapDegrees, type Degrees, type Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import { faultsLeft, worksOf, type BenchFault, type GaugeKind } from './benchWork';
import { chanceOf, writeCode, type CaseCode, type Subject } from './code';

/** What is true at the corner of a case, the bench in order. */
export interface ReadTruth {
  readonly runout: Micrometres;
  /** Where the tilt of the outboard face stands out most (first order), degrees from the chalk mark. */
  readonly highDeg: Degrees;
  readonly variation: Micrometres;
  readonly least: Micrometres;
}

/** Where runout comes from. */
export const SOURCES = ['hub', 'rotor', 'both', 'dirt', 'nuts'] as const;
export type Source = (typeof SOURCES)[number];

/** A corner to be read whose truth is known, and what is wrong at its bench. */
export interface ReadCase extends CaseCode {
  readonly code: string;
  readonly corner: Corner;
  readonly studs: number;
  readonly limits: AxleLimits;
  readonly truth: ReadTruth;
  readonly virtual: VirtualCorner;
  readonly faults: Readonly<Partial<Record<BenchFault, BenchFaults>>>;
  /** Of level “apart”: where its runout comes from. */
  readonly source: Source | null;
}

export const GAUGES_OF: Readonly<Record<Subject, readonly GaugeKind[]>> = {
  dial: ['dial'],
  micrometer: ['micrometer'],
  both: ['dial', 'micrometer'],
};

const NOMINAL: Micrometres = 28_000;
const DISCARD: Micrometres = 26_000;
/** How far the truth stands from its limit at least, so that a good bench settles it. */
const CLEAR = { runout: 12, variation: 6, least: 40 } as const;
const STEP = 1;

const between = (random: RandomSource, low: number, high: number): number =>
  low + (high - low) * random.uniform();

const TURN = Array.from({ length: 360 / STEP }, (_, i) => i * STEP);

/** Runout, high spot, thickness variation and least thickness of a virtual corner at shift 0. */
export function truthOf(corner: VirtualCorner): ReadTruth {
  const wave = trueRunout(corner, 0);
  const face = TURN.map((angle) => waveAt(wave, toRadians(angle)));
  const thickness = TURN.map((angle) => trueThicknessAt(corner, 0, toRadians(angle)));
  const first = wave.find(({ order }) => order === 1)?.z ?? { re: 1, im: 0 };
  return {
    runout: Math.max(...face) - Math.min(...face),
    highDeg: wrapDegrees(toDegrees(argument(first))),
    variation: Math.max(...thickness) - Math.min(...thickness),
    least: Math.min(...thickness),
  };
}

const isClear = ({ runout, variation, least }: ReadTruth): boolean =>
  Math.abs(runout - WORKSHOP_DEFAULTS.runout) >= CLEAR.runout &&
  // A high spot that can be told.
  runout >= 20 &&
  Math.abs(variation - WORKSHOP_DEFAULTS.thicknessVariation) >= CLEAR.variation &&
  Math.abs(least - DISCARD) >= CLEAR.least;

/** A corner of plausible size whose truth is clear of every limit. */
function clearCorner(random: RandomSource, studs: number): VirtualCorner {
  for (;;) {
    const drawn = practiceCorner(Math.floor(random.uniform() * 2 ** 31), studs, NOMINAL);
    // Half of them near their end: what reads too thick is then let out.
    const isWorn = random.uniform() < 0.5;
    const corner = {
      ...drawn,
      meanThickness: DISCARD + (isWorn ? between(random, -260, 60) : between(random, 200, 1500)),
    };
    if (isClear(truthOf(corner))) return corner;
  }
}

/** Each fault of a size that matters: more than the gauge, and seen by who looks. */
const SIZE: Readonly<Record<BenchFault, (random: RandomSource) => BenchFaults>> = {
  'loose-base': (random) => ({ looseBase: between(random, 25, 60) }),
  'end-play': (random) => ({ endPlay: between(random, 50, 80) }),
  'other-face': () => ({ isOtherFace: true }),
  slot: (random) => ({
    slot: { at: 30 * (1 + Math.floor(11 * random.uniform())), depth: between(random, 50, 120) },
  }),
  dirt: (random) => ({
    dirt: { shift: 0, amplitude: between(random, 26, 36), at: between(random, 0, 360) },
  }),
  hot: () => ({ celsius: 120 }),
  zero: (random) => ({ zeroError: between(random, 25, 60) * (random.uniform() < 0.7 ? 1 : -1) }),
  lip: (random) => ({ lip: between(random, 90, 250) }),
  nuts: (random) => ({
    nuts: { amplitude: between(random, 26, 36), at: between(random, 0, 360) },
  }),
};

/** None, one or two faults of the gauges of a subject. */
function drawFaults(
  random: RandomSource,
  subject: Subject,
): Partial<Record<BenchFault, BenchFaults>> {
  const open = worksOf({ level: 'read', gauges: GAUGES_OF[subject] }).map(({ fault }) => fault);
  const chance = random.uniform();
  const count = chance < 0.15 ? 0 : chance < 0.6 ? 1 : 2;
  const drawn: Partial<Record<BenchFault, BenchFaults>> = {};
  for (let i = 0; i < count; i += 1) {
    const [fault] = open.splice(Math.floor(open.length * random.uniform()), 1);
    if (fault) drawn[fault] = SIZE[fault](random);
  }
  return drawn;
}

/** The true face at a shift in µm by degrees from the chalk mark, with what tilts the rotor there. */
export function faceOf(
  corner: VirtualCorner,
  faults: BenchFaults,
  shift: number,
): (angle: Degrees) => Micrometres {
  const wave = trueRunout(corner, shift);
  const tilts = [faults.dirt?.shift === shift ? faults.dirt : null, faults.nuts ?? null];
  return (angle) =>
    tilts.reduce(
      (sum, tilt) =>
        sum + (tilt ? tilt.amplitude * Math.cos(toRadians(angle) - toRadians(tilt.at)) : 0),
      waveAt(wave, toRadians(angle)),
    );
}

/** Highest less lowest of a face. */
export function swingOf(face: (angle: Degrees) => Micrometres): Micrometres {
  const all = TURN.map(face);
  return Math.max(...all) - Math.min(...all);
}

/** True runout in every mounting, the bench in order. */
export const runoutByShift = (corner: VirtualCorner): Micrometres[] =>
  Array.from({ length: corner.studs }, (_, shift) => swingOf(faceOf(corner, {}, shift)));

/** First orders of hub and rotor by where the runout comes from: from, to. */
const SHARES: Readonly<
  Record<
    Source,
    { readonly hub: readonly [number, number]; readonly rotor: readonly [number, number] }
  >
> = {
  hub: { hub: [33, 45], rotor: [2, 5] },
  rotor: { hub: [2, 5], rotor: [33, 45] },
  both: { hub: [16, 26], rotor: [16, 26] },
  dirt: { hub: [3, 6], rotor: [3, 6] },
  nuts: { hub: [3, 6], rotor: [3, 6] },
};

/** Whether it is clearly beyond as first marked, and clearly curable by moving or cleaning, or clearly not. */
function isTold(source: Source, corner: VirtualCorner, faults: BenchFaults): boolean {
  const first = swingOf(faceOf(corner, faults, 0));
  const best = Math.min(...runoutByShift(corner));
  return first >= 62 && (source === 'hub' || source === 'rotor' ? best >= 56 : best <= 36);
}

/** A corner that is beyond as first marked, for one reason. */
function apartCorner(random: RandomSource, studs: number) {
  const source = SOURCES[Math.floor(SOURCES.length * random.uniform())]!;
  const order = (k: number, [low, high]: readonly [number, number]) => ({
    ...{ order: k, amplitude: between(random, low, high) },
    highSpotDeg: between(random, 0, 360 / k),
  });
  for (;;) {
    const { hub, rotor } = SHARES[source];
    const virtual: VirtualCorner = {
      ...{ studs, hub: [order(1, hub)], rotor: [order(1, rotor), order(2, [0.3, 1.5])] },
      ...{ meanThickness: NOMINAL - 600, thickness: [order(1, [1, 3])] },
    };
    const isFault = source === 'dirt' || source === 'nuts';
    const faults = isFault ? { [source]: SIZE[source](random) } : {};
    if (isTold(source, virtual, faultsLeft(faults, []))) return { source, virtual, faults };
  }
}

/** The case of a code: the same for the same code, anywhere. */
export function readCaseOf(own: CaseCode): ReadCase {
  const random = chanceOf(own);
  const studs = random.uniform() < 0.8 ? 5 : 4;
  const apart = own.level === 'apart' ? apartCorner(random, studs) : null;
  const virtual = apart?.virtual ?? clearCorner(random, studs);
  const known = (value: Micrometres) => ({ value, source: 'maker' as const });
  return {
    ...own,
    code: writeCode(own),
    corner: CORNERS[Math.floor(CORNERS.length * random.uniform())]!,
    studs,
    limits: {
      nominal: known(NOMINAL),
      discard: known(DISCARD),
      runout: known(WORKSHOP_DEFAULTS.runout),
      dtv: known(WORKSHOP_DEFAULTS.thicknessVariation),
    },
    truth: truthOf(virtual),
    virtual,
    faults: apart?.faults ?? drawFaults(random, own.subject),
    source: apart?.source ?? null,
  };
}
