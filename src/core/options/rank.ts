import type { Micrometres } from '../units';
import { ITEM_NAME, type Price, type PriceItem, type PriceList } from './shop';
import { actionRecord, type Action } from './actions';
import { mayBeTaken, type Option } from './types';

/** The option to take and the one after it; null where none can be ranked. */
export interface Ranking {
  readonly recommended: Option | null;
  readonly runnerUp: Option | null;
  /** Whether money decided, or only the chance to end within, as prices are missing. */
  readonly by: 'cost' | 'chance';
}

/** Below this chance an option does not cure: handbook 5 calls its prediction beyond. */
export const CURES = 0.05;
/** From this chance on an option surely ends within. */
export const SURE = 0.95;

/** Options that may be taken; those that do not cure only where none cures. */
export function allowedOf(options: readonly Option[]): Option[] {
  const allowed = options.filter((option) => mayBeTaken(option) && option.probability !== null);
  const curing = allowed.filter(({ probability }) => (probability ?? 0) > CURES);
  return curing.length > 0 ? curing : allowed;
}

/** Least of a list by a figure; ties keep their order. */
const byFigure = (options: readonly Option[], figure: (option: Option) => number): Option[] =>
  options
    .map((option, i) => ({ option, i, value: figure(option) }))
    .sort((p, q) => p.value - q.value || p.i - q.i)
    .map(({ option }) => option);

/**
 * The lowest expected cost among the options that may be taken, and the runner-up. Where a
 * price is missing for any of them it is the first that surely ends within, else the one with
 * the best chance, as the table orders them. Source: handbook 11.
 */
export function rankOptions(options: readonly Option[]): Ranking {
  const allowed = allowedOf(options);
  const isPriced = allowed.every(({ expected }) => expected !== null);
  const ranked = isPriced
    ? byFigure(allowed, ({ expected }) => expected ?? Infinity)
    : byFigure(allowed, ({ probability }) =>
        (probability ?? 0) >= SURE ? -1 : -(probability ?? 0),
      );
  return {
    recommended: ranked[0] ?? null,
    runnerUp: ranked[1] ?? null,
    by: isPriced ? 'cost' : 'chance',
  };
}

/** Something that would put another option first. */
export type Change =
  | {
      readonly kind: 'price';
      readonly item: PriceItem;
      readonly now: number;
      readonly at: number;
      readonly action: Action;
    }
  | {
      readonly kind: 'hourly' | 'comeback';
      readonly now: number;
      readonly at: number;
      readonly action: Action;
    }
  | {
      readonly kind: 'limit';
      readonly now: Micrometres;
      readonly at: Micrometres;
      readonly action: Action;
    }
  | { readonly kind: 'lap'; readonly action: Action | null; readonly chance: number };

/** The cost of an option under other figures of the list. */
function costUnder(option: Option, prices: PriceList, probability: number): number {
  const { parts, minutes } = option.cost;
  return (
    (parts ?? 0) +
    ((minutes ?? 0) / 60) * (prices.hourly ?? 0) +
    (1 - probability) * (prices.comeback ?? 0)
  );
}

/** How far off a figure is from what it is now, as a ratio either way. */
const far = (at: number, now: number): number =>
  now > 0 && at > 0 ? Math.abs(Math.log(at / now)) : Infinity;

/** The nearest figure at which another option costs as much, for a figure all costs rise with. */
function nearest(
  first: Option,
  others: readonly Option[],
  now: number,
  slope: (option: Option) => number,
): { at: number; action: Action } | null {
  const found = others.flatMap((option) => {
    const steeper = slope(first) - slope(option);
    if (steeper === 0) return [];
    const at = now + ((option.expected ?? 0) - (first.expected ?? 0)) / steeper;
    return at >= 0 && Number.isFinite(at) ? [{ at, action: option.action }] : [];
  });
  found.sort((p, q) => far(p.at, now) - far(q.at, now));
  return found[0] ?? null;
}

/** A change so far off is no help: five times the figure, or a fifth. */
const NEAR_ENOUGH = Math.log(5);

function moneyChanges(first: Option, others: readonly Option[], prices: PriceList): Change[] {
  const near = ({ at, now }: { at: number; now: number }): boolean => far(at, now) <= NEAR_ENOUGH;
  const changes: Change[] = [];
  const items = (Object.keys(ITEM_NAME) as PriceItem[]).flatMap((item): Change[] => {
    const now: Price['parts'] = prices.items[item].parts;
    if (now === null || now === 0) return [];
    const count = ({ action }: Option): number =>
      actionRecord(action).items.filter((each) => each === item).length;
    const found = nearest(first, others, now, count);
    return found && near({ ...found, now }) ? [{ kind: 'price', item, now, ...found }] : [];
  });
  items.sort((p, q) => distanceOf(p) - distanceOf(q));
  changes.push(...items.slice(0, 2));
  for (const kind of ['hourly', 'comeback'] as const) {
    const now = prices[kind];
    if (now === null || now === 0) continue;
    const slope = (option: Option): number =>
      kind === 'hourly' ? (option.cost.minutes ?? 0) / 60 : 1 - (option.probability ?? 0);
    const found = nearest(first, others, now, slope);
    if (found && near({ ...found, now })) changes.push({ kind, now, ...found });
  }
  return changes;
}

const distanceOf = (change: Change): number =>
  change.kind === 'lap' ? 0 : far(change.at, change.now);

/** Shares of the limit that are tried, from nearest to farthest. */
const LIMIT_STEPS = [0.95, 1.05, 0.9, 1.1, 0.8, 1.2, 0.7, 1.35, 0.6, 1.5, 0.5, 2, 2.6];

/** The nearest limit at which another option comes first. */
function limitChange(
  first: Option,
  allowed: readonly Option[],
  prices: PriceList,
  limit: Micrometres,
): Change[] {
  for (const step of LIMIT_STEPS) {
    const at = limit * step;
    const chances = allowed.map((option) => ({ option, chance: option.chanceAt?.(at) ?? 0 }));
    const curing = chances.filter(({ chance }) => chance > CURES);
    const ranked = (curing.length > 0 ? curing : chances)
      .map(({ option, chance }) => ({ option, cost: costUnder(option, prices, chance) }))
      .sort((p, q) => p.cost - q.cost);
    const best = ranked[0]?.option.action;
    if (best && best !== first.action) return [{ kind: 'limit', now: limit, at, action: best }];
  }
  return [];
}

/** What the same readings would say with one more lap: the options under a narrower spread. */
function lapChange(first: Option, narrower: readonly Option[]): Change[] {
  const { recommended } = rankOptions(narrower);
  if (!recommended || first.probability === null) return [];
  const isOther = recommended.action !== first.action;
  const same = narrower.find(({ action }) => action === first.action);
  const chance = (isOther ? recommended : same)?.probability ?? 0;
  const isSettled = first.probability >= SURE && chance >= SURE;
  return isSettled && !isOther
    ? []
    : [{ kind: 'lap', action: isOther ? recommended.action : null, chance }];
}

/**
 * What would put another option first: a price, the rate, the cost of a comeback, the limit,
 * or one more lap that reads the same (`narrower`: the options with its smaller spread).
 */
export function changesOf(
  options: readonly Option[],
  prices: PriceList,
  limit: Micrometres,
  narrower: readonly Option[],
): Change[] {
  const { recommended, by } = rankOptions(options);
  if (!recommended || by !== 'cost') return [];
  // What does not cure comes first under another limit, but not under another price.
  const allowed = allowedOf(options);
  const others = allowed.filter((option) => option !== recommended);
  const all = options.filter((option) => mayBeTaken(option) && option.probability !== null);
  return [
    ...moneyChanges(recommended, others, prices),
    ...limitChange(recommended, all, prices, limit),
    ...lapChange(recommended, narrower),
  ];
}
