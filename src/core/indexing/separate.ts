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

/** An order whose parts cannot be told apart: hub-fixed or rotor-fixed for the centre. */
function unseparated(
  order: number,
  mounts: readonly MountPhasors[],
  index: number,
  studs: number,
  rotorFixed: boolean,
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
    hub: rotorFixed ? ZERO : hubOnly,
    rotor: rotorFixed ? rotorOnly : ZERO,
    factor: { hub: u, cross: ZERO, rotor: u },
    alternatives: { hubOnly, rotorOnly },
  };
}

/** Normal equations [[A, S], [S*, M]] x = right side of one order, weights relative to a mounting. */
interface Normal {
  readonly hubWeight: number;
  readonly count: number;
  readonly s: Complex;
  readonly right: readonly [Complex, Complex];
}

function normalEquations(
  order: number,
  mounts: readonly MountPhasors[],
  index: number,
  studs: number,
  hub: HubPhasor | null,
  variance: number,
): Normal {
  const turns = mounts.map((mount) => turnOf(order, mount.shift, studs));
  const weight = hub ? variance / hub.variance : 0;
  const sumZ = mounts.reduce((sum, mount) => add(sum, phasorOfOrder(mount, index)), ZERO);
  const sumTurned = mounts.reduce(
    (sum, mount, j) => add(sum, multiply(phasorOfOrder(mount, index), conjugate(turns[j] ?? ZERO))),
    ZERO,
  );
  return {
    hubWeight: mounts.length + weight,
    count: mounts.length,
    s: turns.reduce(add, ZERO),
    right: [hub ? add(sumZ, scale(hub.z, weight)) : sumZ, sumTurned],
  };
}

function solved(order: number, normal: Normal, variance: number): SeparatedOrder | null {
  const { hubWeight, count, s, right } = normal;
  const determinant = hubWeight * count - modulus(s) ** 2;
  if (!(determinant > SINGULAR * hubWeight * count)) return null;
  const [p, q] = right;
  const hub = scale(subtract(scale(p, count), multiply(s, q)), 1 / determinant);
  const rotor = scale(subtract(scale(q, hubWeight), multiply(conjugate(s), p)), 1 / determinant);
  // Covariance of (hub, rotor) = variance / determinant * [[M, -S], [-S*, A]].
  const hubDeviation = Math.sqrt((variance * count) / determinant);
  return {
    order,
    separable: true,
    hub,
    rotor,
    factor: {
      hub: hubDeviation,
      cross: scale(conjugate(s), (-variance / determinant) * (1 / hubDeviation)),
      rotor: Math.sqrt(variance / count),
    },
    alternatives: null,
  };
}

/** One mounting and the hub face: hub part from the face, rotor part from the difference. */
function fromHubFace(
  order: number,
  mount: MountPhasors,
  index: number,
  studs: number,
  hub: HubPhasor,
): SeparatedOrder {
  const back = conjugate(turnOf(order, mount.shift, studs));
  const u = Math.sqrt(hub.variance);
  return {
    order,
    separable: true,
    hub: hub.z,
    rotor: multiply(subtract(phasorOfOrder(mount, index), hub.z), back),
    factor: {
      hub: u,
      cross: scale(back, -u),
      rotor: Math.sqrt(mount.variances[index] ?? 0),
    },
    alternatives: null,
  };
}

/**
 * Splits each order into hub and rotor parts: z_k(m) = h_k + rho_k e^{i k m phi}.
 *
 * All mountings carry the same orders. With two or more mountings it is complex least
 * squares, hub-face readings being one more row for order 1; with one mounting and hub
 * readings order 1 is their difference and higher orders go with the rotor. An order that
 * cannot be told apart is hub-fixed otherwise. Lengths in micrometres. Source: handbook 6.
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
    if (mounts.length === 1) {
      return hubRow
        ? fromHubFace(order, first, index, studs, hubRow)
        : unseparated(order, mounts, index, studs, hub !== null);
    }
    const variance = average(mounts.map((mount) => mount.variances[index] ?? 0));
    const normal = normalEquations(order, mounts, index, studs, hubRow, variance);
    return solved(order, normal, variance) ?? unseparated(order, mounts, index, studs, false);
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
