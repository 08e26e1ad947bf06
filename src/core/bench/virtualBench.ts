import { waveAt } from '../harmonics';
import { seededRandom, type RandomSource } from '../numeric';
import type { Gauge } from '../readings';
import { toRadians, type Celsius, type Degrees, type Micrometres } from '../units';
import { trueRunout, trueThicknessAt, type VirtualCorner } from './virtualCorner';
import { showOn } from './virtualGauges';

/** What is wrong at a virtual bench; nothing, when left out. */
export interface BenchFaults {
  /** How far the indicator\u2019s base creeps in one turn. */
  readonly looseBase?: Micrometres;
  /** How far the bearing lets the rotor move in and out. */
  readonly endPlay?: Micrometres;
  /** Temperature of the rotor. */
  readonly celsius?: Celsius;
  /** What the micrometer shows when closed. */
  readonly zeroError?: Micrometres;
  /** Dirt under the hat in one mounting: the tilt it makes, as an amplitude, and where it is thick. */
  readonly dirt?: {
    readonly shift: number;
    readonly amplitude: Micrometres;
    readonly at: Degrees;
  };
  /** Nuts drawn up unevenly: the tilt they make in every mounting, and where it stands out. */
  readonly nuts?: { readonly amplitude: Micrometres; readonly at: Degrees };
  /** The dial stands on the other face than is said. */
  readonly isOtherFace?: boolean;
  /** A slot or a drilled hole that the probe falls into as it comes round. */
  readonly slot?: { readonly at: Degrees; readonly depth: Micrometres };
  /** How much thicker the micrometer reads on the lip at the rim. */
  readonly lip?: Micrometres;
}

/** A corner with hidden truth, standing at a bench that may have a fault. */
export interface VirtualBench {
  readonly corner: VirtualCorner;
  readonly faults: BenchFaults;
}

/** What the nuts do not do to a hub: its orders below that of the pull at every stud. */
const unpulled = ({ hub, studs }: VirtualCorner): VirtualCorner['hub'] =>
  hub.filter(({ order }) => order < studs);

/**
 * A bench whose seat was cleaned, or whose nuts were drawn up evenly: what that takes away tilts nothing any more. Nuts
 * that were not at fault pull as they did.
 */
export function preparedBench(
  { corner, faults: { dirt, nuts, ...faults } }: VirtualBench,
  { isClean, isEven }: { readonly isClean: boolean; readonly isEven: boolean },
): VirtualBench {
  return {
    corner: nuts && isEven ? { ...corner, hub: unpulled(corner) } : corner,
    faults: { ...faults, ...(dirt && !isClean && { dirt }), ...(nuts && !isEven && { nuts }) },
  };
}

/**
 * What a dial on the hub’s flange meets, the rotor off: the hub alone, on a circle smaller than the rotor’s by `lever`
 * (radius of the rotor’s circle over that of the flange’s). What lies on it, what draws a rotor and what is cut into one is not there.
 */
export function hubFaceBench({ corner, faults }: VirtualBench, lever: number): VirtualBench {
  const { dirt: _dirt, nuts: _nuts, slot: _slot, ...others } = faults;
  const hub = unpulled(corner).map((each) => ({ ...each, amplitude: each.amplitude / lever }));
  return { corner: { ...corner, hub, rotor: [] }, faults: others };
}

const GREY_IRON = 10.8e-6;
const REFERENCE: Celsius = 20;

/** The true position of the outboard face under the probe, base and bearing included. */
function faceAt(
  { corner, faults }: VirtualBench,
  shift: number,
  turn: Degrees,
  random: RandomSource,
): Micrometres {
  const angle = toRadians(turn);
  const dirt = faults.dirt?.shift === shift ? faults.dirt : null;
  const tiltOf = (of: { readonly amplitude: Micrometres; readonly at: Degrees } | null): number =>
    of ? of.amplitude * Math.cos(angle - toRadians(of.at)) : 0;
  const tilt = tiltOf(dirt) + tiltOf(faults.nuts ?? null);
  const creep = ((faults.looseBase ?? 0) * turn) / 360;
  const play = (faults.endPlay ?? 0) * random.uniform();
  return waveAt(trueRunout(corner, shift), angle) + tilt + creep + play;
}

/** How far from its middle the probe is in a slot. */
const SLOT_HALF: Degrees = 6;

/** How deep the probe stands in a slot; on the face it is nothing. */
function inSlot({ slot }: BenchFaults, turn: Degrees): Micrometres {
  if (!slot) return 0;
  const off = (((turn - slot.at) % 360) + 540) % 360;
  return Math.abs(off - 180) <= SLOT_HALF ? slot.depth : 0;
}

export interface DialSight {
  readonly shift: number;
  readonly face: 'outboard' | 'inboard';
  /** How far the wheel was turned from the chalk mark, in the theta sense, beyond 360 too. */
  readonly turn: Degrees;
  readonly gauge: Gauge;
}

/**
 * What a virtual dial shows, zeroed at the chalk mark before the wheel was turned. On the
 * inboard face it reads positive when pushed, so inboard-positive. Source: handbook 2, 18.
 */
export function dialShows(
  bench: VirtualBench,
  { shift, face, turn, gauge }: DialSight,
  random: RandomSource,
): Micrometres {
  const still = { uniform: () => 0, normal: () => 0 };
  const zero = faceAt(bench, shift, 0, still);
  const outboard = faceAt(bench, shift, turn, random) - zero;
  const { corner, faults } = bench;
  // In a slot the plunger goes out, on either face.
  const fallen = inSlot(faults, turn) - inSlot(faults, 0);
  const isOutboard = (face === 'outboard') !== (faults.isOtherFace ?? false);
  if (isOutboard) return showOn(gauge, outboard - fallen, random);
  const gap = trueThicknessAt(corner, shift, toRadians(turn)) - trueThicknessAt(corner, shift, 0);
  return showOn(gauge, gap - outboard - fallen, random);
}

/** What a virtual micrometer shows on the probe\u2019s circle, zero error and heat included. */
export function micrometerShows(
  { corner, faults }: VirtualBench,
  { shift, turn, gauge }: Pick<DialSight, 'shift' | 'turn' | 'gauge'>,
  random: RandomSource,
): Micrometres {
  const cold = trueThicknessAt(corner, shift, toRadians(turn));
  const grown = cold * (1 + GREY_IRON * ((faults.celsius ?? REFERENCE) - REFERENCE));
  return showOn(gauge, grown + (faults.zeroError ?? 0) + (faults.lip ?? 0), random);
}

/** What push and pull at the wheel shows on the dial. */
export const endPlayShows = (
  { faults }: VirtualBench,
  gauge: Gauge,
  random: RandomSource,
): Micrometres => Math.abs(showOn(gauge, faults.endPlay ?? 0, random));

/** Faults that practice offers, each of a size that matters. */
export const PRACTICE_FAULTS = {
  none: {},
  'loose-base': { looseBase: 30 },
  'end-play': { endPlay: 60 },
  hot: { celsius: 120 },
  zero: { zeroError: 40 },
  dirt: { dirt: { shift: 0, amplitude: 25, at: 120 } },
  'other-face': { isOtherFace: true },
  slot: { slot: { at: 150, depth: 70 } },
  lip: { lip: 140 },
} as const satisfies Record<string, BenchFaults>;
export type PracticeFault = keyof typeof PRACTICE_FAULTS;

const SEED_PRIME = 16_777_619;

/** A seed from a text, the same for the same text (FNV-1a, 32 bits). */
export function seedOf(text: string): number {
  let hash = 2_166_136_261;
  for (const char of text) hash = Math.imul(hash ^ char.codePointAt(0)!, SEED_PRIME) >>> 0;
  return hash;
}

/** A corner to practise at: hidden truth of a plausible size, the same for the same seed. */
export function practiceCorner(seed: number, studs: number, thickness: Micrometres): VirtualCorner {
  const random = seededRandom(seed);
  const between = (low: number, high: number): number => low + (high - low) * random.uniform();
  const anywhere = (): Degrees => 360 * random.uniform();
  const order = (k: number, low: number, high: number) => ({
    order: k,
    amplitude: between(low, high),
    highSpotDeg: anywhere(),
  });
  return {
    studs,
    hub: [order(1, 4, 30)],
    rotor: [order(1, 4, 34), order(2, 0.5, 4), order(3, 0.2, 1)],
    meanThickness: thickness - between(200, 900),
    thickness: [order(1, 1, 9), order(2, 0.3, 2)],
  };
}

/** Thickness of an invented rotor whose nominal thickness is not known. */
const NEW_ROTOR: Micrometres = 28_000;

/**
 * What stands behind a virtual gauge where no case is worked: an invented corner, the same for the same
 * name, with the fault that is practised.
 */
export const inventedBench = (
  name: string,
  { studs, nominal }: { readonly studs: number; readonly nominal: Micrometres | undefined },
  fault: PracticeFault = 'none',
): VirtualBench => ({
  corner: practiceCorner(seedOf(name), studs, nominal ?? NEW_ROTOR),
  faults: PRACTICE_FAULTS[fault],
});
