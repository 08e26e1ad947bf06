import {
  formatTorque,
  toNewtonMetres,
  TORQUE_UNITS,
  type NewtonMetres,
  type TypedTorque,
} from '../units';
import type { Fastener } from './fasteners';

/** Slips that turn one figure into another: a unit read for another, a decimal point. */
const SLIPS: readonly (readonly [number, string])[] = [
  [10, 'a decimal point is out by one place'],
  [1 / 10, 'a decimal point is out by one place'],
];

const isUsual = ({ usual: [low, high] }: Fastener, torque: number): boolean =>
  torque >= low && torque <= high;

/** The slip that would make a usual figure of one that is not, in words; null where none does. */
function slipOf(fastener: Fastener, { value, unit }: TypedTorque): string | null {
  const figure = (value as number) / toNewtonMetres(1, unit);
  const other = TORQUE_UNITS.find(
    (each) => each !== unit && isUsual(fastener, toNewtonMetres(figure, each)),
  );
  if (other) return `is the unit ${other}?`;
  const slip = SLIPS.find(([factor]) => isUsual(fastener, (value as number) * factor));
  return slip ? `perhaps ${slip[1]}` : null;
}

/** Two figures differ by a slip of unit when their ratio is this near to its factor. */
const NEAR = 0.03;
const FACTORS = [
  [1.3558179483314004, 'lb·ft and N·m mixed up'],
  [9.80665, 'kgf·m and N·m mixed up'],
  [10, 'a decimal point out by one place'],
] as const;

/** The slip by which two figures of one fastener differ, or null. */
function mixedUp(torque: number, known: number): string | null {
  const ratio = Math.max(torque / known, known / torque);
  return FACTORS.find(([factor]) => Math.abs(ratio / factor - 1) < NEAR)?.[1] ?? null;
}

/**
 * Why a torque is to be confirmed a second time, in words: it is far from its kind, or off by a
 * unit's factor (1.36, 9.8, 10) from a figure that is on file. Null where nothing speaks
 * against it. Source: handbook 15.
 */
export function challengeTorque(
  fastener: Fastener,
  torque: TypedTorque,
  known: readonly NewtonMetres[] = [],
): string | null {
  const value = torque.value as number;
  if (!isUsual(fastener, value)) {
    const [low, high] = fastener.usual;
    const slip = slipOf(fastener, torque);
    const usual = `usual is ${low as number} to ${formatTorque(high, 'N·m')}`;
    return `${formatTorque(value, torque.unit)} is far from what ${fastener.name.toLowerCase()} take (${usual})${slip ? `: ${slip}` : '.'}`;
  }
  for (const figure of known) {
    const slip = mixedUp(value, figure);
    if (slip) {
      return `${formatTorque(value, torque.unit)} against ${formatTorque(figure, torque.unit)} on file: ${slip}?`;
    }
  }
  return null;
}

/** A wrench set as asked is within this share of its figure. */
export const WRENCH_SHARE = 0.06;

/**
 * Why a torque that was pulled does not fit the figure it was to reach, in words; null where it
 * does. Lengths of words only: the figures are shown beside.
 */
export function pulledAmiss(pulled: NewtonMetres, asked: NewtonMetres): string | null {
  const off = (pulled as number) / (asked as number) - 1;
  if (Math.abs(off) <= WRENCH_SHARE) return null;
  const slip = mixedUp(pulled, asked);
  const side = off > 0 ? 'over' : 'under';
  const share = `${Math.abs(Math.round(off * 100))} % ${side} the figure`;
  return slip ? `${share}: ${slip}?` : `${share}.`;
}
