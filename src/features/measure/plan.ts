import { angleProblem, MAX_POSITIONS, MIN_POSITIONS } from '@/core/readings';
import { formatIn } from '@/core/units';
import type { PreparationId } from '@/core/quality';
import type { BenchCorner, BenchSet } from './model';

/** What a new set begins with. */
export interface SetPlan {
  readonly kind: BenchSet['kind'];
  readonly positions: number;
  readonly shift: number;
  readonly face: 'outboard' | 'inboard';
  readonly circle?: 'outer' | 'inner';
  readonly angles?: readonly number[] | null;
  readonly gaugeId?: string | null;
  readonly left?: readonly PreparationId[];
  readonly torqueNm?: number | null;
  readonly endPlayUm?: number | null;
  readonly zeroErrorUm?: number | null;
  readonly rotorCelsius?: number | null;
  readonly isVirtual?: boolean;
}

/** A typed number of positions, or why not. */
export function readPositions(text: string): {
  readonly positions?: number;
  readonly message?: string;
} {
  const count = Number(text.trim());
  return Number.isInteger(count) && count >= MIN_POSITIONS && count <= MAX_POSITIONS
    ? { positions: count }
    : { message: `Take ${MIN_POSITIONS} to ${MAX_POSITIONS} positions.` };
}

/**
 * Typed angles in degrees from the chalk mark, apart by spaces or semicolons, decimal comma
 * or point; nothing where the field is empty. They must rise within one turn.
 */
export function readAngles(text: string): {
  readonly angles?: readonly number[];
  readonly message?: string;
} {
  const words = text.split(/[\s;]+/).filter((word) => word !== '');
  if (words.length === 0) return {};
  const angles = words.map((word) => Number(word.replace(/°$/, '').replace(',', '.')));
  const odd = words.find((_, j) => !Number.isFinite(angles[j]));
  if (odd !== undefined)
    return { message: `“${odd}” is not an angle. Type degrees, like 0 31 58.` };
  const message = angleProblem(angles);
  return message === null ? { angles } : { message };
}

/** What a plan carries over out of sight, with its source, so that a stale figure is seen. */
export function saidOf({ kind, endPlayUm }: SetPlan, { carried, units }: BenchCorner): string {
  if (kind === 'thickness' || typeof endPlayUm !== 'number') return '';
  const known = carried?.endPlayUm;
  const source = known?.value === endPlayUm ? `, ${known.source}` : '';
  return `End play ${formatIn(units, 'deviation', endPlayUm)}${source}. `;
}

/**
 * The plan that repeats a set. Torque and end play stay; a rotor cools and a micrometer is
 * set, so temperature and zero are asked again.
 */
export const planOf = (set: BenchSet): SetPlan => ({
  kind: set.kind,
  positions: set.positions,
  shift: set.shift,
  face: set.face,
  circle: set.circle ?? 'outer',
  angles: set.angles ?? null,
  gaugeId: set.gaugeId,
  torqueNm: set.torqueNm,
  endPlayUm: set.endPlayUm,
  isVirtual: set.isVirtual ?? false,
});

/** The same plan for another kind: what belongs to one kind only is not carried over. */
export const planFor = (kind: BenchSet['kind'], plan: SetPlan): SetPlan => ({
  ...plan,
  kind,
  gaugeId: (kind === 'thickness') === (plan.kind === 'thickness') ? plan.gaugeId : null,
  circle: kind === 'thickness' ? plan.circle : 'outer',
});
