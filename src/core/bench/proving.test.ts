import { NEW_SHOP } from '../options';
import {
  addTallies,
  DEMO_SHOP,
  estimatesOf,
  isAssumed,
  NO_TALLIES,
  proveCorner,
  PROVING_FIGURES,
  provingPlan,
  provingValues,
  USUAL_POPULATION,
  type PolicyTally,
  type Tallies,
} from '.';

const VALUES = provingValues(DEMO_SHOP);
const PLAN = provingPlan(DEMO_SHOP, VALUES, ['as-fitted', 'always-new', 'always-bench']);

const over = (plan: typeof PLAN, numbers: readonly number[]): Tallies =>
  numbers.reduce((sum, number) => addTallies(sum, proveCorner(plan, number)!), NO_TALLIES);

const NUMBERS = Array.from({ length: 400 }, (_, i) => i);

test('what comes of corners does not depend on who tries them', () => {
  const even = over(
    PLAN,
    NUMBERS.filter((i) => i % 2 === 0),
  );
  const odd = over(
    PLAN,
    NUMBERS.filter((i) => i % 2 === 1),
  );
  const split = addTallies(even, odd);
  const whole = over(PLAN, NUMBERS);
  for (const policy of PLAN.policies) {
    expect(split[policy].within).toBe(whole[policy].within);
    expect(split[policy].cost).toBeCloseTo(whole[policy].cost, 6);
    expect(whole[policy].corners).toBe(400);
  }
  expect(whole.tool).toEqual(NO_TALLIES.tool);
});

test('left as they are none is within and every one comes back', () => {
  const found = estimatesOf(over(PLAN, NUMBERS)['as-fitted'])!;
  expect(found.within.mean).toBe(0);
  expect(found.within.low).toBeCloseTo(0, 9);
  expect(found.within.high).toBeLessThan(0.015);
  expect(found.cost.mean).toBe(VALUES.comeback);
});

test('a dearer rotor costs who always fits one as much more, and cures no more', () => {
  const dearer = provingPlan(
    DEMO_SHOP,
    { ...VALUES, rotorParts: VALUES.rotorParts + 50 },
    PLAN.policies,
  );
  const [before, after] = [over(PLAN, NUMBERS), over(dearer, NUMBERS)].map((tallies) =>
    estimatesOf(tallies['always-new'])!,
  );
  expect(after!.cost.mean - before!.cost.mean).toBeCloseTo(50, 6);
  expect(after!.within).toEqual(before!.within);
});

test('hubs that are true make a new rotor cure nearly all', () => {
  const plan = provingPlan(DEMO_SHOP, { ...VALUES, hub: 10 }, ['always-new']);
  const { within } = estimatesOf(over(plan, NUMBERS)['always-new'])!;
  expect(within.low).toBeGreaterThan(0.97);
});

test('where all that comes in is within, that is said instead of going on for ever', () => {
  const easy = { ...VALUES, hub: 10, rotor: 10, variation: 0, thinnest: 0.9 };
  expect(proveCorner(provingPlan(DEMO_SHOP, easy, PLAN.policies), 1)).toBeNull();
});

test('an interval holds the true share in about 95 of 100 studies', () => {
  const share = 0.93;
  const n = 60;
  // Every outcome of a study of 60 corners, by its chance.
  let [chance, held] = [(1 - share) ** n, 0];
  for (let within = 0; within <= n; within += 1) {
    const tally: PolicyTally = { corners: n, within, mountings: n, cost: 0, costSquared: 0 };
    const { low, high } = estimatesOf(tally)!.within;
    if (low <= share && share <= high) held += chance;
    chance *= ((n - within) / (within + 1)) * (share / (1 - share));
  }
  expect(held).toBeGreaterThan(0.92);
  expect(held).toBeLessThan(0.985);
  expect(estimatesOf(NO_TALLIES.tool)).toBeNull();
});

test('a shop without prices is told what is assumed, and nothing is reckoned as free', () => {
  expect(provingValues(NEW_SHOP)).toEqual(VALUES);
  expect(isAssumed(NEW_SHOP, 'rotorParts')).toBe(true);
  expect(isAssumed(DEMO_SHOP, 'rotorParts')).toBe(false);
  const { shop } = provingPlan(NEW_SHOP, VALUES, []).setup;
  expect(shop.prices.items.hub).toEqual(DEMO_SHOP.prices.items.hub);
  expect(shop.prices.hourly).toBe(VALUES.hourly);
});

test('every figure begins between its ends', () => {
  for (const { key, from, to } of PROVING_FIGURES) {
    expect(VALUES[key]).toBeGreaterThanOrEqual(from);
    expect(VALUES[key]).toBeLessThanOrEqual(to);
  }
  expect(provingPlan(DEMO_SHOP, VALUES, []).population).toEqual(USUAL_POPULATION);
});
