import { waveTir } from '../harmonics';
import {
  bestOf,
  checkSeating,
  mountedWave,
  mountPhasors,
  predictShifts,
  separate,
} from '../indexing';
import type { RandomSource } from '../numeric';
import type { Gauge } from '../readings';
import { prepareRunout, solveRunout } from '../runout';
import type { Degrees, Micrometres } from '../units';
import { dialShows, endPlayShows, type BenchFaults } from './virtualBench';
import { trueRunout, type VirtualCorner } from './virtualCorner';
import { readDial } from './virtualGauges';

/** What a simulated corner is read with. */
export interface StudySetup {
  readonly studs: number;
  readonly positions: number;
  readonly gauge: Gauge;
  readonly limit: Micrometres;
}

const anywhere = (random: RandomSource): Degrees => 360 * random.uniform();
const NO_THICKNESS = { meanThickness: 28_000, thickness: [] } as const;

/** A corner whose only runout is the rotor’s, of so much TIR of first order and a little of 2 and 3. */
export function cornerOfTir(
  tir: Micrometres,
  studs: number,
  random: RandomSource,
  rest = 0.04,
): VirtualCorner {
  const orders = [1, 2, 3].map((order) => ({
    order,
    amplitude: order === 1 ? 1 : (rest * random.uniform()) / (order - 1),
    highSpotDeg: anywhere(random),
  }));
  const plain = { studs, hub: [], rotor: orders, ...NO_THICKNESS };
  const factor = tir / waveTir(trueRunout(plain, 0));
  const rotor = orders.map((order) => ({ ...order, amplitude: order.amplitude * factor }));
  return { ...plain, rotor };
}

/** A corner with a hub and a rotor of their own, as they come. */
export function anyCorner(studs: number, random: RandomSource): VirtualCorner {
  const one = (order: number, most: Micrometres) => ({
    order,
    amplitude: most * random.uniform(),
    highSpotDeg: anywhere(random),
  });
  return { studs, hub: [one(1, 40)], rotor: [one(1, 40), one(2, 5), one(3, 1.5)], ...NO_THICKNESS };
}

export interface IndexStudy {
  /** True TIR at the stud chosen after two mountings, less the least possible. */
  readonly worse: Micrometres;
  /** Whether the band of the prediction at one stud, drawn at random, holds the truth. */
  readonly covered: boolean;
}

/** Two mountings as recommended, the stud chosen, and one prediction held against the truth. */
export function indexOnce(
  corner: VirtualCorner,
  { studs, positions, gauge, limit }: StudySetup,
  shifts: readonly [number, number],
  random: RandomSource,
): IndexStudy {
  const mounts = shifts.map((shift) => {
    const run = readDial(corner, { shift, positions, laps: 1, gauge }, random);
    return mountPhasors(shift, prepareRunout({ face: 'outboard', ...run, studs, gauge, limit }));
  });
  const orders = separate(mounts, studs, null);
  const all = Array.from({ length: studs }, (_, shift) => shift);
  const truth = all.map((shift) => waveTir(trueRunout(corner, shift)));
  const predictions = all.map((shift) => {
    const tir = waveTir(mountedWave(orders, shift, studs));
    return { shift, tir, low: tir, high: tir, probabilityWithin: 1 };
  });
  const best = bestOf(predictions, predictions[shifts[1]]!, studs);
  const asked = Math.floor(studs * random.uniform());
  const seed = Math.floor(2 ** 31 * random.uniform());
  const [band] = predictShifts(orders, studs, [asked], limit, seed);
  return {
    worse: truth[best.shift]! - Math.min(...truth),
    covered: band !== undefined && truth[asked]! >= band.low && truth[asked]! <= band.high,
  };
}

export interface FaultStudy {
  /** What the verdict would be without the quality checks. */
  readonly state: 'within' | 'beyond' | 'too-close' | 'other';
  readonly seen: boolean;
}

/** The findings that say that something is wrong with a lap. */
const FAULT_TOLD: readonly string[] = ['outlier', 'misfit', 'slip', 'press'];

/** One lap at a bench with a fault of the dial: what it would say, and whether it is seen. */
export function faultOnce(
  corner: VirtualCorner,
  faults: BenchFaults,
  { studs, positions, gauge, limit }: StudySetup,
  endPlayLimit: Micrometres,
  random: RandomSource,
): FaultStudy {
  const bench = { corner, faults };
  const shows = (j: number): number =>
    dialShows(bench, { shift: 0, face: 'outboard', turn: (360 * j) / positions, gauge }, random);
  const lap = Array.from({ length: positions }, (_, j) => shows(j));
  const common = { face: 'outboard', laps: [lap], studs, gauge, limit } as const;
  const plain = solveRunout(common).verdict.state;
  const play = endPlayShows(bench, gauge, random);
  const checked = solveRunout({
    ...common,
    closing: [shows(positions)],
    endPlay: { value: play, limit: endPlayLimit },
  });
  return {
    state: plain === 'within' || plain === 'beyond' || plain === 'too-close' ? plain : 'other',
    seen:
      checked.verdict.state === 'not-valid' ||
      checked.verdict.reasons.some(({ code }) => FAULT_TOLD.includes(code)),
  };
}

/** Three mountings, dirt under the hat in the last: what it alone says, and whether it is seen. */
export function dirtOnce(
  corner: VirtualCorner,
  amplitude: Micrometres,
  { studs, positions, gauge, limit }: StudySetup,
  random: RandomSource,
): FaultStudy {
  const shifts = [0, studs === 3 || studs === 4 ? 1 : 2, studs - 1];
  const at = anywhere(random);
  const mounts = shifts.map((shift, i) => {
    const faults = i === 2 ? { dirt: { shift, amplitude, at } } : {};
    const lap = Array.from({ length: positions }, (_, j) =>
      dialShows(
        { corner, faults },
        { shift, face: 'outboard', turn: (360 * j) / positions, gauge },
        random,
      ),
    );
    return { shift, face: 'outboard' as const, laps: [lap], gauge, limit };
  });
  const { state } = solveRunout({ ...mounts[2]!, studs }).verdict;
  const phasors = mounts.map((mount) =>
    mountPhasors(mount.shift, prepareRunout({ ...mount, studs })),
  );
  return {
    state: state === 'within' || state === 'beyond' || state === 'too-close' ? state : 'other',
    seen: checkSeating(phasors, studs, null) === false,
  };
}
