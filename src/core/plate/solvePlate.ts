import { waveOnGrid } from '../harmonics';
import {
  movement,
  mountedWave,
  predictShifts,
  solveIndex,
  studAngle,
  type IndexInput,
  type IndexResult,
  type Prediction,
  type SeparatedOrder,
} from '../indexing';
import { add, polar, type Complex } from '../numeric';
import { toRadians, type Micrometres } from '../units';

/** The tapered plates at hand: each corrects so much, as TIR at the reference radius. */
export interface Plates {
  readonly corrections: readonly Micrometres[];
  readonly referenceRadius: Micrometres;
}

/** Where a plate can go: the hub and rotor told apart, and what may be chosen. */
export interface PlateChoice {
  readonly orders: readonly SeparatedOrder[];
  readonly studs: number;
  readonly allowedShifts: readonly number[];
  /** Shift of the last mounting, from which the rotor is moved. */
  readonly last: number;
  readonly plates: Plates;
  readonly rotorRadius: Micrometres;
}

/** A plate in one place with the rotor in one place, and the runout that it predicts. */
export interface PlateFit {
  readonly correction: Micrometres;
  /** Stud at which the thick place sits; stud 1 is at the chalk mark. */
  readonly thickAtStud: number;
  readonly shift: number;
  readonly tir: Micrometres;
}

/** A plate worth fitting, with its 95 % band. */
export type PlateAdvice = PlateFit & Omit<Prediction, 'shift' | 'tir'>;

/** A plate must be this much better than the best index. Source: handbook 7. */
export const WORTH_A_PLATE: Micrometres = 5;

/** Phasor that a plate adds at the rotor's circle: (c/2)(R/R_ref) e^{i theta_p}. Source: handbook 7. */
export function platePhasor(
  correction: Micrometres,
  thickAtStud: number,
  { studs, plates, rotorRadius }: Pick<PlateChoice, 'studs' | 'plates' | 'rotorRadius'>,
): Complex {
  const size = (correction / 2) * (rotorRadius / plates.referenceRadius);
  return polar(size, (thickAtStud - 1) * studAngle(studs));
}

/** TIR of a wave on the 0.5° grid with a first order added. */
function tirWith(wave: Float64Array, cos: Float64Array, sin: Float64Array, z: Complex): number {
  let high = -Infinity;
  let low = Infinity;
  for (let j = 0; j < wave.length; j += 1) {
    const value = wave[j]! + z.re * cos[j]! + z.im * sin[j]!;
    if (value > high) high = value;
    if (value < low) low = value;
  }
  return high - low;
}

/**
 * Predicted runout of every plate at every stud with the rotor at every allowed shift, in
 * the order corrections, studs, shifts. Central predictions only. Source: handbook 7.
 */
export function everyPlate(choice: PlateChoice): PlateFit[] {
  const { orders, studs, allowedShifts, plates } = choice;
  const cos = waveOnGrid([{ order: 1, z: { re: 1, im: 0 } }]);
  const sin = waveOnGrid([{ order: 1, z: { re: 0, im: 1 } }]);
  const waves = allowedShifts.map((shift) => waveOnGrid(mountedWave(orders, shift, studs)));
  return plates.corrections.flatMap((correction) =>
    Array.from({ length: studs }, (_, p) => p + 1).flatMap((thickAtStud) => {
      const z = platePhasor(correction, thickAtStud, choice);
      return allowedShifts.map((shift, i) => ({
        correction,
        thickAtStud,
        shift,
        tir: tirWith(waves[i]!, cos, sin, z),
      }));
    }),
  );
}

/**
 * Smallest TIR; of those that are the same to the whole micrometre the smaller correction, the
 * smaller movement from the last mounting, the lower stud. Source: handbook 7, its ties read as
 * the worked cases do.
 */
export function bestPlate(
  fits: readonly PlateFit[],
  last: number,
  studs: number,
): PlateFit | undefined {
  const rank = (fit: PlateFit): readonly number[] => [
    Math.round(fit.tir),
    fit.correction,
    movement(last, fit.shift, studs),
    fit.thickAtStud,
  ];
  const compare = (p: readonly number[], q: readonly number[]): number =>
    p.map((value, i) => value - (q[i] ?? 0)).find((apart) => apart !== 0) ?? 0;
  return fits
    .map((fit) => ({ fit, rank: rank(fit) }))
    .reduce<{ fit: PlateFit; rank: readonly number[] } | undefined>(
      (best, each) => (best && compare(best.rank, each.rank) <= 0 ? best : each),
      undefined,
    )?.fit;
}

/** Hub and rotor as they are with a plate between them: it stays with the hub. */
export const withPlate = (orders: readonly SeparatedOrder[], z: Complex): SeparatedOrder[] =>
  orders.map((order) => (order.order === 1 ? { ...order, hub: add(order.hub, z) } : order));

/**
 * The plate to fit after an index solution, or null: where indexing alone is within, where
 * the hub is not told from the rotor, or where no plate is 5 µm better than the best index.
 * Never for a rotor in one piece with its hub: that is the caller's to know. Source: handbook 7.
 */
export function advisePlate(
  index: Pick<IndexResult, 'orders' | 'best' | 'verdict'>,
  choice: Omit<PlateChoice, 'orders'>,
  limit: Micrometres,
  seed: number,
): PlateAdvice | null {
  const { orders, best, verdict } = index;
  if (verdict.state === 'within' || orders[0]?.separable !== true) return null;
  const { studs, last } = choice;
  const fit = bestPlate(everyPlate({ ...choice, orders }), last, studs);
  if (!fit || fit.tir > best.tir - WORTH_A_PLATE) return null;
  const plated = withPlate(orders, platePhasor(fit.correction, fit.thickAtStud, choice));
  const [band] = predictShifts(plated, studs, [fit.shift], limit, seed);
  if (!band) return null;
  return { ...fit, low: band.low, high: band.high, probabilityWithin: band.probabilityWithin };
}

export interface PlateInput extends IndexInput {
  readonly plates: Plates;
  readonly rotorRadius: Micrometres;
}

/**
 * The index solution, and the plate to fit where indexing alone will not do. Lengths in
 * micrometres; shifts and studs count in the theta sense. Source: handbook 6, 7.
 */
export function solvePlate(
  input: PlateInput,
): IndexResult & { readonly plate: PlateAdvice | null } {
  const index = solveIndex(input);
  const { studs, plates, rotorRadius } = input;
  const choice = {
    studs,
    plates,
    rotorRadius,
    allowedShifts: index.predictions.map(({ shift }) => shift),
    last: input.mounts.at(-1)?.shift ?? 0,
  };
  return { ...index, plate: advisePlate(index, choice, input.limit, input.seed ?? 1) };
}

/** Where a thick place sits, in degrees from the chalk mark in the theta sense. */
export const thickPlaceDegrees = (thickAtStud: number, studs: number): number =>
  ((thickAtStud - 1) * studAngle(studs)) / toRadians(1);
