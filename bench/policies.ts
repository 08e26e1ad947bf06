import {
  bestPossible,
  complaintCorner,
  DEMO_SHOP,
  isTrulyWithin,
  POLICIES,
  tryPolicy,
  type PolicyResult,
  type Policy,
} from '../src/core/bench';
import { seededRandom } from '../src/core/numeric';

const CORNERS = Number(process.argv[2] ?? 20_000);
const SETUP = {
  studs: 5,
  shop: DEMO_SHOP,
  limit: 50,
  dtvLimit: 12,
  nominal: 28_000,
  machineTo: 26_400,
  discard: 26_000,
  radius: 135_000,
  positions: 12,
};
const NAME: Readonly<Record<Policy, string>> = {
  'as-fitted': 'as fitted',
  'trial-and-error': 'trial and error, stud by stud',
  'always-new': 'always a new rotor',
  'always-bench': 'always the bench lathe (a new rotor where it is too thin)',
  tool: 'what this tool recommends, proven and decided again',
};

const percent = (share: number, n: number): string =>
  `${(100 * share).toFixed(1)} ± ${(100 * Math.sqrt((share * (1 - share)) / n)).toFixed(1)} %`;
const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
const spread = (values: readonly number[]): number =>
  Math.sqrt(mean(values.map((value) => value ** 2)) - mean(values) ** 2) / Math.sqrt(values.length);

const outcomes = new Map<Policy, PolicyResult[]>(POLICIES.map((policy) => [policy, []]));
let possible = 0;
let complaints = 0;
const random = seededRandom(6);

/** A seed for the luck of one corner, the same for every policy. */
const anySeed = (): number => Math.floor(2 ** 31 * random.uniform());

/** The first draws of neighbouring seeds are alike: they are left out. */
function luckOf(seed: number): ReturnType<typeof seededRandom> {
  const luck = seededRandom(seed);
  for (let i = 0; i < 20; i += 1) luck.uniform();
  return luck;
}

while (complaints < CORNERS) {
  const truth = complaintCorner(SETUP, random);
  if (isTrulyWithin({ truth, shift: 0 }, SETUP)) continue;
  complaints += 1;
  const seed = anySeed();
  if (bestPossible(truth, SETUP, luckOf(seed))) possible += 1;
  for (const policy of POLICIES) {
    // Every policy meets the same corner and the same luck.
    outcomes.get(policy)?.push(tryPolicy(truth, policy, SETUP, luckOf(seed)));
  }
}
console.log(
  `\nPolicies over ${complaints} corners that are not within, 5 studs, prices of the demo list\n`,
);
console.log('| policy | ends within | mountings | cost with comebacks, crowns |');
console.log('| --- | --- | --- | --- |');
for (const policy of POLICIES) {
  const list = outcomes.get(policy) ?? [];
  const within = list.filter(({ isWithin }) => isWithin).length / list.length;
  const costs = list.map(({ cost }) => cost);
  console.log(
    `| ${NAME[policy]} | ${percent(within, list.length)} | ${mean(list.map(({ mountings }) => mountings)).toFixed(2)} | ${mean(costs).toFixed(1)} ± ${spread(costs).toFixed(1)} |`,
  );
}
console.log(
  `| the best possible choice, the truth known | ${percent(possible / complaints, complaints)} | | |`,
);
