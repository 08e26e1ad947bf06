import type { Micrometres } from '../units';
import { extrasOf } from './compare';
import {
  AXLE_EXTRAS,
  costOf,
  expectedCost,
  type Cost,
  type Extra,
  type PriceItem,
  type Shop,
} from './shop';
import { actionRecord, metalOf, type MetalClass } from './actions';
import { mayBeTaken, type Note, type Option } from './types';

/** One side of an axle: its options, and what is done there beside the rotor. */
export interface Side {
  readonly options: readonly Option[];
  readonly extras: readonly Extra[];
  readonly withMetal?: readonly Extra[] | undefined;
}

/** The same metal on both sides of an axle, with what is best on each. */
export interface PairOption {
  readonly metal: MetalClass;
  readonly left: Option;
  readonly right: Option;
  readonly forbidden: readonly Note[];
  readonly notes: readonly Note[];
  /** Chance that both sides end within. */
  readonly probability: number | null;
  readonly cost: Cost;
  readonly expected: number | null;
  /** How far left and right end apart in thickness. */
  readonly apart: Micrometres | null;
}

/** What a pair is paid by: each side's own, and what belongs to the axle once. */
function itemsOf(left: Option, right: Option, sides: readonly [Side, Side]): PriceItem[] {
  const extras = [...extrasOf(left.action, sides[0]), ...extrasOf(right.action, sides[1])];
  const once = AXLE_EXTRAS.filter((extra) => extras.includes(extra));
  const own = extras.filter((extra) => !AXLE_EXTRAS.includes(extra));
  return [...actionRecord(left.action).items, ...actionRecord(right.action).items, ...once, ...own];
}

const CURES = 0.05;

function pairOf(left: Option, right: Option, sides: readonly [Side, Side], shop: Shop): PairOption {
  const probability =
    left.probability === null || right.probability === null
      ? null
      : left.probability * right.probability;
  const cost = costOf(itemsOf(left, right, sides), shop.prices);
  const apart =
    left.finished === null || right.finished === null
      ? null
      : Math.abs(left.finished - right.finished);
  const { sideToSide } = shop.equipment;
  const metal = metalOf(left.action);
  const sidesApart: Note[] =
    apart !== null && apart > sideToSide ? [{ code: 'sides', apart, limit: sideToSide }] : [];
  return {
    metal,
    left,
    right,
    // Rotors that stay as they are may differ; two that are cut to differ are not a pair.
    forbidden: metal === 'cut' ? sidesApart : [],
    notes: metal === 'none' ? sidesApart : [],
    probability,
    cost,
    expected: expectedCost(cost, probability, shop.prices.comeback),
    apart,
  };
}

/** Lowest expected cost; where that is not known, the better chance. */
function better(p: PairOption, q: PairOption): PairOption {
  const isCured = (pair: PairOption): boolean => (pair.probability ?? 0) > CURES;
  if (isCured(p) !== isCured(q)) return isCured(p) ? p : q;
  if (p.expected !== null && q.expected !== null) return q.expected < p.expected ? q : p;
  return (q.probability ?? 0) > (p.probability ?? 0) ? q : p;
}

/**
 * The ways to treat both sides of an axle alike: no metal touched, both cut, both new; of
 * each the combination with the lowest expected cost, cheapest first, those forbidden last.
 * A way for which a side has nothing to offer is left out. Source: handbook 9, 11.
 */
export function pairOptions(left: Side, right: Side, shop: Shop): PairOption[] {
  const ways = (['none', 'cut', 'new'] as const).flatMap((metal) => {
    const of = ({ options }: Side): Option[] =>
      options.filter(
        (option) =>
          metalOf(option.action) === metal && mayBeTaken(option) && option.probability !== null,
      );
    const pairs = of(left).flatMap((l) => of(right).map((r) => pairOf(l, r, [left, right], shop)));
    const allowed = pairs.filter(({ forbidden }) => forbidden.length === 0);
    const choice = allowed.length > 0 ? allowed : pairs;
    const [first, ...rest] = choice;
    return first ? [rest.reduce(better, first)] : [];
  });
  const isOpen = ({ forbidden }: PairOption): boolean => forbidden.length === 0;
  return ways.sort((p, q) =>
    isOpen(p) !== isOpen(q) ? (isOpen(p) ? -1 : 1) : better(p, q) === p ? -1 : 1,
  );
}

/** The pair to take: the first that may be. */
export const recommendedPair = (pairs: readonly PairOption[]): PairOption | null =>
  pairs.find(({ forbidden }) => forbidden.length === 0) ?? null;
