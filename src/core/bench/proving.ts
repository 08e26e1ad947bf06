import { numberedRandom } from '../numeric';
import { DEMO_SHOP } from './demoShop';
import { POLICIES, tryPolicy, type Policy, type PolicyResult } from './policies';
import { complaintCorner, isTrulyWithin, type Population, type PolicySetup } from './policyTruth';
import type { VirtualCorner } from './virtualCorner';

/** What is tried: which ways, on which corners, at which prices and limits. */
export interface ProvingPlan {
  readonly setup: PolicySetup;
  readonly population: Population;
  readonly policies: readonly Policy[];
}

/** What a policy came to over some corners. */
export interface PolicyTally {
  readonly corners: number;
  /** How many of them end within. */
  readonly within: number;
  readonly mountings: number;
  readonly cost: number;
  readonly costSquared: number;
}
export type Tallies = Readonly<Record<Policy, PolicyTally>>;

const NOTHING: PolicyTally = { corners: 0, within: 0, mountings: 0, cost: 0, costSquared: 0 };
const byPolicy = (of: (policy: Policy) => PolicyTally): Tallies =>
  // Every policy has one.
  Object.fromEntries(POLICIES.map((policy) => [policy, of(policy)])) as Tallies;

export const NO_TALLIES: Tallies = byPolicy(() => NOTHING);

const sumOf = (p: PolicyTally, q: PolicyTally): PolicyTally => ({
  corners: p.corners + q.corners,
  within: p.within + q.within,
  mountings: p.mountings + q.mountings,
  cost: p.cost + q.cost,
  costSquared: p.costSquared + q.costSquared,
});
export const addTallies = (p: Tallies, q: Tallies): Tallies =>
  byPolicy((policy) => sumOf(p[policy], q[policy]));

const tallyOf = ({ isWithin, mountings, cost }: PolicyResult): PolicyTally => ({
  ...{ corners: 1, within: Number(isWithin), mountings, cost, costSquared: cost * cost },
});

/** The axle of a study: middling figures of a van’s front rotor, on five studs. */
export const USUAL_SETUP: PolicySetup = {
  ...{ studs: 5, shop: DEMO_SHOP, limit: 50, dtvLimit: 12, nominal: 28_000 },
  ...{ machineTo: 26_400, discard: 26_000, radius: 135_000, positions: 12 },
};

/** Draws after which a population that brings no complaint is given up. */
const MOST_DRAWS = 2000;

/**
 * A corner that is not within, and the luck that every policy meets it with; the same for the same number,
 * so that it does not matter who tries it. Null where the population brings none: all that it has is within.
 */
export function provingCorner(
  { setup, population }: Pick<ProvingPlan, 'setup' | 'population'>,
  number: number,
): { readonly truth: VirtualCorner; readonly luck: number } | null {
  const random = numberedRandom(number);
  for (let i = 0; i < MOST_DRAWS; i += 1) {
    const truth = complaintCorner(setup, random, population);
    if (isTrulyWithin({ truth, shift: 0 }, setup)) continue;
    return { truth, luck: Math.floor(2 ** 31 * random.uniform()) };
  }
  return null;
}

/** One corner under every policy of a plan; null as `provingCorner`. */
export function proveCorner(plan: ProvingPlan, number: number): Tallies | null {
  const drawn = provingCorner(plan, number);
  return (
    drawn &&
    byPolicy((policy) =>
      plan.policies.includes(policy)
        ? tallyOf(tryPolicy(drawn.truth, policy, plan.setup, numberedRandom(drawn.luck)))
        : NOTHING,
    )
  );
}

/** A mean with its 95 % interval. */
export interface Estimate {
  readonly mean: number;
  readonly low: number;
  readonly high: number;
}

const Z = 1.96;

/** What a tally says, each figure with its 95 % interval; null without a corner. */
export function estimatesOf(tally: PolicyTally) {
  const n = tally.corners;
  if (n === 0) return null;
  const share = tally.within / n;
  // Wilson’s interval: it stays within 0 and 1, and is right near both.
  const middle = (share + Z ** 2 / (2 * n)) / (1 + Z ** 2 / n);
  const half =
    (Z / (1 + Z ** 2 / n)) * Math.sqrt((share * (1 - share)) / n + Z ** 2 / (4 * n ** 2));
  const cost = tally.cost / n;
  const spread = Math.sqrt(Math.max(0, tally.costSquared / n - cost ** 2) / n);
  const within: Estimate = { mean: share, low: middle - half, high: middle + half };
  return {
    within,
    comebacks: { mean: 1 - share, low: 1 - within.high, high: 1 - within.low },
    cost: { mean: cost, low: cost - Z * spread, high: cost + Z * spread },
    mountings: tally.mountings / n,
  };
}
