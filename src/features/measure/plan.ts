import { MAX_POSITIONS, MIN_POSITIONS } from '@/core/readings';
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

const RANGE = `Take ${MIN_POSITIONS} to ${MAX_POSITIONS} positions.`;

/** A typed number of positions, or why not. */
export function readPositions(text: string): {
  readonly positions?: number;
  readonly message?: string;
} {
  const count = Number(text.trim());
  return Number.isInteger(count) && count >= MIN_POSITIONS && count <= MAX_POSITIONS
    ? { positions: count }
    : { message: RANGE };
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
  if (angles.length < MIN_POSITIONS || angles.length > MAX_POSITIONS) return { message: RANGE };
  const isRising = angles.every((angle, j) => j === 0 || angle > angles[j - 1]!);
  const isTurn = angles[0]! >= 0 && angles.at(-1)! - angles[0]! < 360 && angles.at(-1)! <= 360;
  return isRising && isTurn
    ? { angles }
    : { message: 'Angles must rise, be distinct and lie within one turn.' };
}

/** What a plan carries over from the set before, said so that a stale figure is seen. */
export function saidOf(plan: SetPlan, corner: BenchCorner): string {
  const say = (value: number): string => formatIn(corner.units, 'deviation', value);
  const { torqueNm, endPlayUm, zeroErrorUm, rotorCelsius } = plan;
  const isDial = plan.kind !== 'thickness';
  const said = [
    plan.kind === 'runout' && torqueNm ? `drawn up to ${torqueNm} N·m` : null,
    isDial && typeof endPlayUm === 'number' ? `end play ${say(endPlayUm)}` : null,
    !isDial && typeof zeroErrorUm === 'number' ? `zero error ${say(zeroErrorUm)}` : null,
    !isDial && typeof rotorCelsius === 'number' ? `rotor at ${rotorCelsius} °C` : null,
  ].filter((each) => each !== null);
  return said.length > 0 ? `As noted: ${said.join(', ')}. ` : '';
}

/** The plan that repeats a set: what was noted of it may have changed and is asked again. */
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
  zeroErrorUm: set.zeroErrorUm,
  rotorCelsius: set.rotorCelsius,
  isVirtual: set.isVirtual ?? false,
});

/** The same plan for another kind: what belongs to one kind only is not carried over. */
export const planFor = (kind: BenchSet['kind'], plan: SetPlan): SetPlan => ({
  ...plan,
  kind,
  gaugeId: (kind === 'thickness') === (plan.kind === 'thickness') ? plan.gaugeId : null,
  circle: kind === 'thickness' ? plan.circle : 'outer',
});
