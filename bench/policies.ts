import {
  addTallies,
  bestPossible,
  estimatesOf,
  NO_TALLIES,
  POLICIES,
  POLICY_NAME,
  proveCorner,
  provingCorner,
  USUAL_POPULATION,
  USUAL_SETUP,
  type Estimate,
} from '../src/core/bench';
import { numberedRandom } from '../src/core/numeric';

const CORNERS = Number(process.argv[2] ?? 20_000);
const PLAN = { setup: USUAL_SETUP, population: USUAL_POPULATION, policies: POLICIES };

const spread = ({ low, high }: Estimate): string => ((high - low) / 2).toFixed(1);

let tallies = NO_TALLIES;
let possible = 0;
const started = performance.now();
for (let number = 0; number < CORNERS; number += 1) {
  tallies = addTallies(tallies, proveCorner(PLAN, number) ?? NO_TALLIES);
  const drawn = provingCorner(PLAN, number);
  if (drawn && bestPossible(drawn.truth, USUAL_SETUP, numberedRandom(drawn.luck))) possible += 1;
}
console.log(
  `\nPolicies over ${CORNERS} corners that are not within, 5 studs, prices of the demo list\n`,
);
console.log('| policy | ends within | mountings | cost with comebacks, crowns |');
console.log('| --- | --- | --- | --- |');
for (const policy of POLICIES) {
  const found = estimatesOf(tallies[policy]);
  if (!found) continue;
  const { within, mountings, cost } = found;
  console.log(
    `| ${POLICY_NAME[policy]} | ${(100 * within.mean).toFixed(1)} % (${(100 * within.low).toFixed(1)} to ${(100 * within.high).toFixed(1)}) | ${mountings.toFixed(2)} | ${cost.mean.toFixed(1)} ± ${spread(cost)} |`,
  );
}
console.log(
  `| the best possible choice, the truth known | ${((100 * possible) / CORNERS).toFixed(1)} % | | |`,
);
console.log(
  `\nIntervals are those of 95 %; ${((performance.now() - started) / 1000).toFixed(1)} s.`,
);
