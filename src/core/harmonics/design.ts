import { conditionNumber } from '../numeric';
import { areEven, inRadians } from '../readings';
import type { Degrees } from '../units';

/** Highest order fitted beside the order of the studs. Source: handbook 4. */
const MAX_ORDER = 3;
/** Above this condition number the angles are too uneven for the orders asked. */
const MAX_CONDITION = 10;

/** Rows [1, cos kt, sin kt, ...] of the model, one a position; angles in radians. */
export const designMatrix = (angles: readonly number[], orders: readonly number[]): number[][] =>
  angles.map((angle) => [1, ...orders.flatMap((k) => [Math.cos(k * angle), Math.sin(k * angle)])]);

/** Orders 1 to K, and N when N > K and n >= 2N + 1. */
function wantedOrders(n: number, studs: number | undefined): number[] {
  const top = Math.min(MAX_ORDER, Math.floor((n - 1) / 2));
  const orders = Array.from({ length: top }, (_, i) => i + 1);
  if (studs !== undefined && studs > top && n >= 2 * studs + 1) orders.push(studs);
  return orders;
}

/**
 * The orders that n readings at these angles (degrees) can carry: fewer than wanted when
 * the angles are very uneven, none when not even order 1 can be told. Source: handbook 4.
 */
export function fittableOrders(angles: readonly Degrees[], studs?: number): number[] {
  const orders = wantedOrders(angles.length, studs);
  if (areEven(angles)) return orders;
  const radians = inRadians(angles);
  while (orders.length > 0 && !(conditionNumber(designMatrix(radians, orders)) <= MAX_CONDITION)) {
    orders.pop();
  }
  return orders;
}

/**
 * The order onto which order N of the studs folds when n positions are too few to see it,
 * |n round(N/n) - N|, or null when it is seen or fitted as itself. Source: handbook 3.
 */
export function foldedOrder(n: number, studs: number): number | null {
  if (n >= 2 * studs + 1) return null;
  return Math.abs(n * Math.round(studs / n) - studs);
}
