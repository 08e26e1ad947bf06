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
import { ACTIONS, actionRecord, metalOf, type MetalClass } from './actions';
import { CURES, rankOptions, SURE } from './rank';
import { mayBeTaken, type Note, type Option } from './types';

/** One side of an axle: its options, and what is done there beside the rotor. */
export interface Side {
  readonly options: readonly Option[];
  readonly extras: readonly Extra[];
  readonly withMetal?: readonly Extra[] | undefined;
}

/** What is done on both sides of an axle. */
export interface PairOption {
  /** What is done to the metal of both; mixed where it is not the same. */
  readonly metal: MetalClass | 'mixed';
  /** Whether each side alone recommends its half. */
  readonly isEachOwn: boolean;
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
  const isAlike = metalOf(left.action) === metalOf(right.action);
  const metal = isAlike ? metalOf(left.action) : 'mixed';
  const sidesApart: Note[] =
    apart !== null && apart > sideToSide ? [{ code: 'sides', apart, limit: sideToSide }] : [];
  return {
    metal,
    isEachOwn: false,
    left,
    right,
    // Rotors that stay as they are may differ; two that are cut to differ are not a pair.
    forbidden: metal === 'cut' ? sidesApart : isAlike ? [] : [{ code: 'not-alike' }],
    notes: metal === 'none' ? sidesApart : [],
    probability,
    cost,
    expected: expectedCost(cost, probability, shop.prices.comeback),
    apart,
  };
}

const isSure = ({ left, right }: PairOption): boolean =>
  [left, right].every(({ probability }) => (probability ?? 0) >= SURE);

const ORDER = Object.keys(ACTIONS);

/** How much is done to the rotors: what is done to the metal first, then by the order of the table. */
const interventionOf = ({ left, right }: PairOption): number =>
  [left, right].reduce((sum, { action }) => {
    const metal = ['none', 'cut', 'new'].indexOf(metalOf(action));
    return sum + metal * ORDER.length + ORDER.indexOf(action);
  }, 0);

/**
 * The pair that comes first: one that cures; then the lowest expected cost. Where costs are not
 * known, the least that surely ends within; where neither surely does, the better chance.
 */
function better(p: PairOption, q: PairOption): PairOption {
  const isCured = (pair: PairOption): boolean => (pair.probability ?? 0) > CURES;
  if (isCured(p) !== isCured(q)) return isCured(p) ? p : q;
  if (p.expected !== null && q.expected !== null) return q.expected < p.expected ? q : p;
  if (isSure(p) !== isSure(q)) return isSure(p) ? p : q;
  if (isSure(p)) return interventionOf(q) < interventionOf(p) ? q : p;
  return (q.probability ?? 0) > (p.probability ?? 0) ? q : p;
}

/** The options of a side that can be a half of a pair. */
const halvesOf = ({ options }: Side): Option[] =>
  options.filter((option) => mayBeTaken(option) && option.probability !== null);

/** What each side alone recommends, together; null where a side recommends nothing. */
function eachOwn(left: Side, right: Side, shop: Shop): PairOption | null {
  const [l, r] = [left, right].map(({ options }) => rankOptions(options).recommended);
  return l && r ? pairOf(l, r, [left, right], shop) : null;
}

const isSamePair = (p: PairOption, q: PairOption): boolean =>
  p.left.action === q.left.action && p.right.action === q.right.action;

/**
 * The ways to treat both sides of an axle alike: no metal touched, both cut, both new; of
 * each the combination with the lowest expected cost, cheapest first, those forbidden last.
 * A way for which a side has nothing to offer is left out. What each side alone recommends
 * stands among them, or as a row of its own; where it is not the same metal it is forbidden.
 * Source: handbook 9, 11.
 */
export function pairOptions(left: Side, right: Side, shop: Shop): PairOption[] {
  const ways = (['none', 'cut', 'new'] as const).flatMap((metal) => {
    const of = (side: Side): Option[] =>
      halvesOf(side).filter((option) => metalOf(option.action) === metal);
    const pairs = of(left).flatMap((l) => of(right).map((r) => pairOf(l, r, [left, right], shop)));
    const allowed = pairs.filter(({ forbidden }) => forbidden.length === 0);
    const choice = allowed.length > 0 ? allowed : pairs;
    const [first, ...rest] = choice;
    return first ? [rest.reduce(better, first)] : [];
  });
  const own = eachOwn(left, right, shop);
  const all = own && !ways.some((way) => isSamePair(way, own)) ? [...ways, own] : ways;
  const marked = all.map((pair) => ({ ...pair, isEachOwn: own !== null && isSamePair(pair, own) }));
  const isOpen = ({ forbidden }: PairOption): boolean => forbidden.length === 0;
  return marked.sort((p, q) =>
    isOpen(p) !== isOpen(q) ? (isOpen(p) ? -1 : 1) : better(p, q) === p ? -1 : 1,
  );
}

/** The pair to take: the first that may be. */
export const recommendedPair = (pairs: readonly PairOption[]): PairOption | null =>
  pairs.find(({ forbidden }) => forbidden.length === 0) ?? null;
