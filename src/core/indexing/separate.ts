import type { OrderPhasor } from '../harmonics';
import {
  add,
  cis,
  conjugate,
  mean,
  modulus,
  multiply,
  scale,
  subtract,
  ZERO,
  type Complex,
} from '../numeric';
import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import { studAngle } from './shifts';

/** One mounting's phasors: shift in stud spacings, and the variance of a phasor's component. */
export interface MountPhasors {
  readonly shift: number;
  readonly orders: readonly OrderPhasor[];
  /** Variance of each of a and b, in µm², one an order. */
  readonly variances: readonly number[];
}

/** The hub face's order 1 at the rotor's circle, with the variance of a component in µm². */
export interface HubPhasor {
  readonly z: Complex;
  readonly variance: number;
}

/** One order split into a part that stays with the hub and a part that goes with the rotor. */
export interface SeparatedOrder {
  readonly order: number;
  readonly separable: boolean;
  /** Hub part, fixed; for an order not told apart, what is used in the prediction. */
  readonly hub: Complex;
  /** Rotor part at shift 0. */
  readonly rotor: Complex;
  /** Cholesky factor of the covariance of (hub, rotor) per component, in µm. */
  readonly factor: {
    readonly hub: Micrometres;
    readonly cross: Complex;
    readonly rotor: Micrometres;
  };
  /** For an order not told apart: the alternatives that a prediction must allow for. */
  readonly alternatives: { readonly hubOnly: Complex; readonly rotorOnly: Complex } | null;
}

/** Relative size below which two mountings tell an order's parts apart no more. */
const SINGULAR = 1e-6;

/** e^{i k m phi}: how far order k of the rotor turns with a shift of m spacings. */
export const turnOf = (order: number, shift: number, studs: number): Complex =>
  cis(order * shift * studAngle(studs));

const average = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

const phasorOfOrder = (mount: MountPhasors, index: number): Complex =>
  mount.orders[index]?.z ?? ZERO;

/** An order whose parts cannot be told apart: hub-fixed for the centre, either way in the draws. */
function unseparated(
  order: number,
  mounts: readonly MountPhasors[],
  index: number,
  studs: number,
): SeparatedOrder {
  const hubOnly = mean(mounts.map((mount) => phasorOfOrder(mount, index)));
  const rotorOnly = mean(
    mounts.map((mount) =>
      multiply(phasorOfOrder(mount, index), conjugate(turnOf(order, mount.shift, studs))),
    ),
  );
  const u = Math.sqrt(average(mounts.map((mount) => mount.variances[index] ?? 0)) / mounts.length);
  return {
    order,
    separable: false,
    hub: hubOnly,
    rotor: ZERO,
    factor: { hub: u, cross: ZERO, rotor: u },
    alternatives: { hubOnly, rotorOnly },
  };
}

/** A higher order of one mounting with a hub face: it goes with the rotor, in every draw. */
function rotorFixed(
  order: number,
  mount: MountPhasors,
  index: number,
  studs: number,
): SeparatedOrder {
  const back = conjugate(turnOf(order, mount.shift, studs));
  return {
    order,
    separable: false,
    hub: ZERO,
    rotor: multiply(phasorOfOrder(mount, index), back),
    factor: { hub: 0, cross: ZERO, rotor: Math.sqrt(mount.variances[index] ?? 0) },
    alternatives: null,
  };
}

/** What is known of an order's parts before: 1/variance of hub and rotor; none where nothing is. */
function knownBefore(
  order: number,
  studs: number,
): { readonly hub: number; readonly rotor: number } {
  const known = order === 2 || order === 3 ? WORKSHOP_DEFAULTS.knownBefore[order] : null;
  return known && order !== studs
    ? { hub: known.hub ** -2, rotor: known.rotor ** -2 }
    : { hub: 0, rotor: 0 };
}

/** Whether mountings at these shifts tell the order's parts apart. Source: handbook 6. */
function areApart(order: number, mounts: readonly MountPhasors[], studs: number): boolean {
  const m = mounts.length;
  const s = mounts.map((mount) => turnOf(order, mount.shift, studs)).reduce(add, ZERO);
  return m ** 2 - modulus(s) ** 2 > SINGULAR * m ** 2;
}

/** Weighted least squares of one order with what is known before; the parts must be apart. */
function weighed(
  order: number,
  mounts: readonly MountPhasors[],
  index: number,
  studs: number,
  hub: HubPhasor | null,
  before: { readonly hub: number; readonly rotor: number },
): SeparatedOrder {
  let onHub = before.hub;
  let onRotor = before.rotor;
  let s: Complex = ZERO;
  let p: Complex = ZERO;
  let q: Complex = ZERO;
  for (const mount of mounts) {
    const turn = turnOf(order, mount.shift, studs);
    const weight = 1 / (mount.variances[index] ?? 0);
    const z = scale(phasorOfOrder(mount, index), weight);
    onHub += weight;
    onRotor += weight;
    s = add(s, scale(turn, weight));
    p = add(p, z);
    q = add(q, multiply(z, conjugate(turn)));
  }
  if (hub) {
    onHub += 1 / hub.variance;
    p = add(p, scale(hub.z, 1 / hub.variance));
  }
  // G = [[onHub, s], [s*, onRotor]]; its inverse is the covariance a component.
  const determinant = onHub * onRotor - modulus(s) ** 2;
  const hubDeviation = Math.sqrt(onRotor / determinant);
  return {
    order,
    separable: true,
    hub: scale(subtract(scale(p, onRotor), multiply(s, q)), 1 / determinant),
    rotor: scale(subtract(scale(q, onHub), multiply(conjugate(s), p)), 1 / determinant),
    factor: {
      hub: hubDeviation,
      cross: scale(conjugate(s), -1 / (determinant * hubDeviation)),
      rotor: Math.sqrt(1 / onRotor),
    },
    alternatives: null,
  };
}

/**
 * Splits each order into hub and rotor parts: z_k(m) = h_k + rho_k e^{i k m phi}.
 *
 * All mountings carry the same orders. Each mounting is a row with its own weight, hub-face
 * readings one more for order 1, and of orders 2 and 3 it is known before that both parts are
 * small. With one mounting and a hub face higher orders go with the rotor. An order that cannot
 * be told apart is hub-fixed otherwise. Lengths in micrometres. Source: handbook 6.
 */
export function separate(
  mounts: readonly MountPhasors[],
  studs: number,
  hub: HubPhasor | null,
): SeparatedOrder[] {
  const first = mounts[0];
  if (!first) throw new RangeError('There is no mounting to separate');
  return first.orders.map(({ order }, index) => {
    const hubRow = order === 1 ? hub : null;
    if (hubRow || areApart(order, mounts, studs)) {
      return weighed(order, mounts, index, studs, hubRow, knownBefore(order, studs));
    }
    return hub && mounts.length === 1
      ? rotorFixed(order, first, index, studs)
      : unseparated(order, mounts, index, studs);
  });
}

/** The wave on the vehicle at a shift: every order's hub part plus its turned rotor part. */
export const mountedWave = (
  orders: readonly SeparatedOrder[],
  shift: number,
  studs: number,
): OrderPhasor[] =>
  orders.map(({ order, hub, rotor }) => ({
    order,
    z: add(hub, multiply(rotor, turnOf(order, shift, studs))),
  }));
