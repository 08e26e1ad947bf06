import { hubTir, type CornerAssessment, type CornerRecord } from '../assessment';
import {
  bandOf,
  drawReplaced,
  drawTirs,
  studAngle,
  type Replaced,
  type SeparatedOrder,
} from '../indexing';
import { add, complex, countUpTo, modulus, polar, quantileOfSorted, ZERO } from '../numeric';
import { platePhasor, withPlate, type PlateAdvice, type PlateChoice } from '../plate';
import { onceByContent } from '../remember';
import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import type { Shop } from './shop';
import { actionRecord, type Action } from './actions';
import type { PredictedRunout } from './types';

/** Draws of what stays on the car, as many as the index solution makes. Source: handbook 6. */
const KEPT_DRAWS = 2000;
/** Draws of what is replaced: a chance within three points in 95 of 100. */
const REPLACED_DRAWS = 1000;

/** What a corner’s runout is drawn from: its waves, where the rotor can go, what is put in new. */
interface Draw {
  readonly orders: readonly SeparatedOrder[];
  readonly studs: number;
  readonly shifts: readonly number[];
  readonly replaced: Replaced | null;
  readonly seed: number;
  readonly draws: number;
}

/**
 * The same corner is compared with one cut and another, with and without a new part: what is drawn does not hang on
 * that. So many are kept as two corners ask for, some over.
 */
const MOST_DRAWN = 64;

/** TIRs of a draw, rising; nobody writes into them. The seed makes them the same each time. */
const risingOf = onceByContent(
  ({ orders, studs, shifts, replaced, seed, draws }: Draw): Float64Array =>
    replaced
      ? drawReplaced(orders, studs, shifts, replaced, seed, draws)
      : (drawTirs(orders, studs, shifts, seed, draws)[0] ?? new Float64Array()),
  MOST_DRAWN,
);

/** What the predictions of a corner are drawn from. */
export interface Ground {
  readonly record: CornerRecord;
  readonly shop: Shop;
  readonly orders: readonly SeparatedOrder[];
  readonly isMeasured: boolean;
  /** True when the hub's share is known. */
  readonly isSeparated: boolean;
  readonly hub: Micrometres | null;
  readonly current: number;
  /** Shifts that the rotor can take. */
  readonly shifts: readonly number[];
  readonly limit: Micrometres;
  /** A new hub's own runout at the rotor's circle. */
  readonly newHub: Micrometres;
  readonly seed: number;
  /** Fewer draws than usual, where many corners are simulated. */
  readonly draws: number | undefined;
}

/** An order 1 of which nothing is known yet: both of its parts are put in by assumption. */
const NOTHING: SeparatedOrder = {
  order: 1,
  separable: true,
  hub: ZERO,
  rotor: ZERO,
  factor: { hub: 0, cross: ZERO, rotor: 0 },
  alternatives: null,
};

/** The shifts that the rotor can go on at. */
export const shiftsOf = (
  { allowedShifts, studs, isCaptive }: CornerRecord,
  current: number,
): number[] => {
  if (isCaptive) return [current];
  return [...(allowedShifts ?? Array.from({ length: studs }, (_, m) => m))];
};

/** The hub's own tolerance at the rotor's circle: the workshop default, scaled. Source: handbook 19. */
export const newHubShare = (radius: Micrometres | undefined): Micrometres =>
  radius === undefined
    ? WORKSHOP_DEFAULTS.hubShareAtRotor
    : (WORKSHOP_DEFAULTS.hubFaceRunout * radius) / WORKSHOP_DEFAULTS.hubFaceRadius;

/** Gathers what a corner's predictions rest on. */
export function groundOf(
  record: CornerRecord,
  assessment: CornerAssessment,
  shop: Shop,
  limit: Micrometres,
  {
    seed = 1,
    draws,
    spread = 1,
  }: { seed?: number; draws?: number | undefined; spread?: number } = {},
): Ground {
  const orders = assessment.index?.orders ?? [NOTHING];
  return {
    record,
    shop,
    orders: spread === 1 ? orders : orders.map((order) => withSpread(order, spread)),
    isMeasured: assessment.index !== null,
    isSeparated: assessment.index?.separation[0]?.separable === true,
    hub: hubTir(assessment),
    current: assessment.shift,
    shifts: shiftsOf(record, assessment.shift),
    limit,
    newHub: newHubShare(record.limits.radius?.value),
    seed,
    draws,
  };
}

/** An order as uncertain as it would be with its spread multiplied by `factor`. */
const withSpread = (order: SeparatedOrder, factor: number): SeparatedOrder => ({
  ...order,
  factor: {
    hub: order.factor.hub * factor,
    cross: complex(order.factor.cross.re * factor, order.factor.cross.im * factor),
    rotor: order.factor.rotor * factor,
  },
});

/** Draws of an option's runout with the worst it can be. */
export interface Drawn {
  readonly rising: Float64Array;
  readonly atWorst: Micrometres | null;
}

/**
 * The worst TIR of a hub tilt and a rotor tilt in any direction to it, the best of the shifts
 * taken: h + t as fitted, |h − t e^{iπ/N}| where all studs are free. Source: handbook 9.
 */
export function worstOf(
  hub: Micrometres,
  rotor: Micrometres,
  studs: number,
  shifts: readonly number[],
): Micrometres {
  const DIRECTIONS = 360 * 2;
  let worst = 0;
  for (let j = 0; j < DIRECTIONS; j += 1) {
    const direction = (2 * Math.PI * j) / DIRECTIONS;
    const least = Math.min(
      ...shifts.map((shift) =>
        modulus(add(complex(hub, 0), polar(rotor, direction + shift * studAngle(studs)))),
      ),
    );
    worst = Math.max(worst, least);
  }
  return worst;
}

/** The rotor's wave replaced by one known to its tolerance, as fitted or indexed. */
function rotorReplaced(ground: Ground, rotor: Micrometres, isIndexed: boolean): Drawn {
  const { orders, record, shifts, isSeparated, hub, seed, draws = REPLACED_DRAWS } = ground;
  const at = isIndexed ? shifts : [0];
  const assumed = isSeparated ? undefined : WORKSHOP_DEFAULTS.hubShareAtRotor;
  const share = hub ?? WORKSHOP_DEFAULTS.hubShareAtRotor;
  return {
    rising: risingOf({
      ...{ orders, studs: record.studs, shifts: at, seed, draws },
      replaced: { hub: assumed, rotor },
    }),
    atWorst: isIndexed ? worstOf(share, rotor, record.studs, at) : share + rotor,
  };
}

/** The hub replaced; the rotor kept, or new as well. */
function hubReplaced(ground: Ground, rotor: Micrometres | undefined): Drawn {
  const { orders, record, shifts, newHub, seed, draws = REPLACED_DRAWS } = ground;
  const first = orders.find(({ order }) => order === 1);
  const share = rotor ?? 2 * modulus(first?.rotor ?? ZERO);
  return {
    rising: risingOf({
      ...{ orders, studs: record.studs, shifts, seed, draws },
      replaced: { hub: newHub, rotor },
    }),
    atWorst: worstOf(newHub, share, record.studs, shifts),
  };
}

/** Draws of an action's runout; null where nothing predicts it. */
export function drawAction(
  ground: Ground,
  action: Action,
  chosen: { readonly shift: number | null; readonly plate: PlateAdvice | null },
): Drawn | null {
  const { orders, record, shop, seed, draws = KEPT_DRAWS, current } = ground;
  const { isSeparated, isMeasured } = ground;
  const { studs } = record;
  const { isIndexed, needsRunout } = actionRecord(action);
  if (!isMeasured && needsRunout) return null;
  const asMounted = (parts: readonly SeparatedOrder[], shift: number): Drawn => ({
    rising: risingOf({ orders: parts, studs, shifts: [shift], replaced: null, seed, draws }),
    atWorst: null,
  });
  switch (action) {
    case 'leave':
      return asMounted(orders, current);
    case 'clean':
      return null;
    case 'index':
      return isSeparated && chosen.shift !== null ? asMounted(orders, chosen.shift) : null;
    case 'plate': {
      const { plate } = chosen;
      const choice = plateChoice(ground);
      if (!plate || !choice) return null;
      const z = platePhasor(plate.correction, plate.thickAtStud, choice);
      return asMounted(withPlate(orders, z), plate.shift);
    }
    case 'on-vehicle': {
      const { residual } = shop.equipment;
      return { rising: Float64Array.of(residual), atWorst: residual };
    }
    case 'bench':
    case 'bench-indexed':
      return rotorReplaced(ground, shop.equipment.arborError, isIndexed);
    case 'new':
    case 'new-indexed':
      return rotorReplaced(ground, shop.equipment.newRotorTolerance, isIndexed);
    case 'hub':
      return isSeparated ? hubReplaced(ground, undefined) : null;
    case 'hub-new':
      return hubReplaced(ground, shop.equipment.newRotorTolerance);
  }
}

/** Where a plate could go, or null where the rotor's radius is not known. */
export function plateChoice({ record, shop, orders, shifts, current }: Ground): PlateChoice | null {
  const rotorRadius = record.limits.radius?.value;
  if (rotorRadius === undefined) return null;
  const { plates } = shop.equipment;
  return { orders, studs: record.studs, allowedShifts: shifts, last: current, plates, rotorRadius };
}

/** The middle of the draws with their 95 % band. */
export function predictedOf({ rising, atWorst }: Drawn, limit: Micrometres): PredictedRunout {
  const { low, high } = bandOf(rising, limit);
  return { tir: quantileOfSorted(rising, 0.5), low, high, atWorst };
}

/** Share of the draws up to a limit. */
export const chanceOf = ({ rising }: Drawn, limit: Micrometres): number =>
  countUpTo(rising, limit) / rising.length;
