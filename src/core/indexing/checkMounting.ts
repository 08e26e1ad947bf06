import { waveTir } from '../harmonics';
import { modulus, subtract } from '../numeric';
import type { Micrometres } from '../units';
import { mountedWave, separate } from './separate';
import {
  checkSeating,
  hubPhasor,
  mountPhasors,
  prepareMounting,
  predictShifts,
  type IndexInput,
} from './solveIndex';

/** How the latest mounting sits against what the others predict for it. */
export interface MountingCheck {
  readonly shift: number;
  /** TIR that the others predict for this mounting, with its 95 % band. */
  readonly predicted: Micrometres;
  readonly low: Micrometres;
  readonly high: Micrometres;
  /** TIR of the curve through this mounting\u2019s own readings. */
  readonly measured: Micrometres;
  /** Twice the distance between predicted and measured order 1. */
  readonly miss: Micrometres;
  /** Whether each mounting, left out in turn, is where the others predict it; null if too few. */
  readonly ok: boolean | null;
}

/**
 * The latest mounting against the prediction of the earlier ones and of the hub face; null
 * while they cannot tell hub from rotor. Lengths in micrometres. Source: handbook 6.
 */
export function checkMounting(input: IndexInput): MountingCheck | null {
  const { studs, limit } = input;
  const phasors = input.mounts.map((mount) =>
    mountPhasors(mount.shift, prepareMounting(mount, input)),
  );
  const hub = input.hub ? hubPhasor(input.hub, input) : null;
  const latest = phasors.at(-1);
  const earlier = phasors.slice(0, -1);
  if (!latest || earlier.length === 0) return null;
  const orders = separate(earlier, studs, hub);
  if (!orders[0]?.separable) return null;
  const [expected] = predictShifts(orders, studs, [latest.shift], limit, input.seed ?? 1);
  if (!expected) return null;
  const nothing = { re: 0, im: 0 };
  const own = latest.orders[0]?.z ?? nothing;
  const theirs = mountedWave(orders, latest.shift, studs)[0]?.z ?? nothing;
  return {
    shift: latest.shift,
    predicted: expected.tir,
    low: expected.low,
    high: expected.high,
    measured: waveTir(latest.orders),
    miss: 2 * modulus(subtract(own, theirs)),
    ok: checkSeating(phasors, studs, hub),
  };
}
