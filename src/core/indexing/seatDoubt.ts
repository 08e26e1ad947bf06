import { modulus, subtract, type Complex } from '../numeric';
import { mountedWave, separate, type HubPhasor, type MountPhasors } from './separate';
import {
  firstOrder,
  hubPhasor,
  mountPhasors,
  predictedVariance,
  prepareMounting,
  SEAT_SIGMAS,
  type IndexInput,
} from './solveIndex';

/** A mounting that reads as if it were not the seat that it is said to be. */
export interface SeatDoubt {
  /** Which of the mountings given, counted from 0. */
  readonly mount: number;
  readonly stated: number;
  /** The seat that it reads as; null where it reads as none that is known. */
  readonly readsAs: number | null;
}

/**
 * Two readings of one seat are this close in 95 of 100 cases, in combined standard uncertainties
 * of a component (Rayleigh).
 */
const SAME_SEAT_SIGMAS = Math.sqrt(-2 * Math.log(0.05));

interface Expected {
  readonly shift: number;
  readonly z: Complex;
  readonly variance: number;
}

/** What the mountings before say of each seat: as predicted, or as it was read. */
function expectedBefore(
  earlier: readonly MountPhasors[],
  studs: number,
  hub: HubPhasor | null,
): readonly Expected[] {
  const order = separate(earlier, studs, hub)[0];
  if (order?.separable) {
    return Array.from({ length: studs }, (_, shift) => ({
      shift,
      z: firstOrder(mountedWave([order], shift, studs)),
      variance: predictedVariance(order, shift, studs),
    }));
  }
  return earlier.map(({ shift, orders, variances }) => ({
    shift,
    z: firstOrder(orders),
    variance: variances[0] ?? 0,
  }));
}

/** How far a mounting is from what is expected of a seat, in combined standard uncertainties. */
const distanceTo = (mount: MountPhasors, { z, variance }: Expected): number =>
  modulus(subtract(firstOrder(mount.orders), z)) / Math.sqrt((mount.variances[0] ?? 0) + variance);

function doubtOf(
  mount: MountPhasors,
  earlier: readonly MountPhasors[],
  studs: number,
  hub: HubPhasor | null,
): Pick<SeatDoubt, 'readsAs'> | null {
  const known = expectedBefore(earlier, studs, hub).map((each) => ({
    shift: each.shift,
    away: distanceTo(mount, each),
  }));
  const own = known.find(({ shift }) => shift === mount.shift);
  if (own && own.away <= SEAT_SIGMAS) return null;
  const [nearest] = known.filter((each) => each !== own).sort((p, q) => p.away - q.away);
  const readsAs = nearest && nearest.away <= SAME_SEAT_SIGMAS ? nearest.shift : null;
  // Of a seat of which nothing is known yet only one thing is odd: that it reads as another.
  return own || readsAs !== null ? { readsAs } : null;
}

/**
 * The first mounting whose order 1 contradicts the seat that it is said to be by more than three
 * combined standard uncertainties, or, where that seat is not known yet, equals another’s. A
 * rotor that runs true reads alike in every seat: it is a question, never a verdict.
 *
 * `answered`: the mountings whose seat somebody has confirmed. Null where nothing is odd.
 * Source: handbook 6 (check mounting).
 */
export function doubtSeat(
  input: Pick<IndexInput, 'studs' | 'mounts' | 'angles' | 'hub' | 'gauge' | 'limit'>,
  answered: readonly number[] = [],
): SeatDoubt | null {
  const { studs, mounts } = input;
  if (mounts.length < 2) return null;
  const prepared = mounts.map((mount) => prepareMounting(mount, input));
  // What was not read validly is said so elsewhere, and says nothing of a seat.
  if (prepared.some(({ closure }) => closure?.ok === false)) return null;
  const phasors = prepared.map((each, i) => mountPhasors(mounts[i]?.shift ?? 0, each));
  const hub = input.hub ? hubPhasor(input.hub, input) : null;
  for (const [i, mount] of phasors.entries()) {
    if (i === 0 || answered.includes(i)) continue;
    const doubt = doubtOf(mount, phasors.slice(0, i), studs, hub);
    if (doubt) return { mount: i, stated: mount.shift, ...doubt };
  }
  return null;
}
