import { angleProblem, MAX_POSITIONS, MIN_POSITIONS } from '@/core/readings';
import { formatIn } from '@/core/units';
import { recommendedPositions, type PreparationId } from '@/core/quality';
import { FIRST_PLACES } from '@/core/thickness';
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
  /** Thickness until it is settled. */
  readonly settle?: boolean;
  /** Each lap is one slow turn with a gauge that sends as it goes. */
  readonly sweep?: boolean;
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
  settle: set.settle ?? false,
  sweep: (set.sweeps ?? null) !== null,
});

/** The places that a kind of set begins with: thickness is read until it is settled, unless the shop has chosen. */
export const placesFor = (
  kind: BenchSet['kind'],
  { usualPositions, studs }: Pick<BenchCorner, 'usualPositions' | 'studs'>,
): Pick<SetPlan, 'positions' | 'settle'> =>
  kind === 'thickness' && typeof usualPositions !== 'number'
    ? { positions: FIRST_PLACES, settle: true }
    : { positions: usualPositions ?? recommendedPositions('usual', studs), settle: false };

/** The same plan for another kind: what belongs to one kind only is not carried over. */
export function planFor(kind: BenchSet['kind'], plan: SetPlan, corner: BenchCorner): SetPlan {
  const isSameGauge = (kind === 'thickness') === (plan.kind === 'thickness');
  return {
    ...plan,
    kind,
    gaugeId: isSameGauge ? plan.gaugeId : null,
    circle: kind === 'thickness' ? plan.circle : 'outer',
    sweep: isSameGauge && plan.sweep === true,
    // Places that somebody chose one by one are read with either gauge.
    ...(isSameGauge || plan.angles ? {} : placesFor(kind, corner)),
  };
}
