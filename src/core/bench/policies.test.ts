import { seededRandom } from '../numeric';
import { waveTir } from '../harmonics';
import {
  applyAction,
  bestPossible,
  complaintCorner,
  DEMO_SHOP,
  isTrulyWithin,
  POLICIES,
  trueRunout,
  tryPolicy,
  type PolicySetup,
  type VirtualCorner,
} from '.';

const SETUP: PolicySetup = {
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
const corner = (hub: number, rotor: number, dtv = 0, meanThickness = 27_500): VirtualCorner => ({
  studs: 5,
  hub: [{ order: 1, amplitude: hub, highSpotDeg: 30 }],
  rotor: [{ order: 1, amplitude: rotor, highSpotDeg: 100 }],
  meanThickness,
  thickness: [{ order: 1, amplitude: dtv, highSpotDeg: 0 }],
});
const none = { shift: null, plate: null };
const after = (truth: VirtualCorner, action: Parameters<typeof applyAction>[1]) =>
  applyAction({ truth, shift: 0, sets: [] }, action, none, SETUP, seededRandom(9));
const tirOf = ({ truth, shift }: ReturnType<typeof after>) => waveTir(trueRunout(truth, shift));

test('the truth judges runout, thickness variation and thickness', () => {
  const at = (truth: VirtualCorner) => isTrulyWithin({ truth, shift: 0 }, SETUP);
  expect(at(corner(5, 5))).toBe(true);
  expect(at(corner(40, 5))).toBe(false);
  expect(at(corner(5, 5, 7))).toBe(false);
  expect(at(corner(5, 5, 2, 26_001))).toBe(false);
});

test('the bench lathe leaves the hub, the lathe on the vehicle only its residual', () => {
  const truth = corner(30, 20, 8);
  const { arborError, residual } = DEMO_SHOP.equipment;
  expect(Math.abs(tirOf(after(truth, 'bench')) - 60)).toBeLessThanOrEqual(arborError);
  expect(tirOf(after(truth, 'on-vehicle'))).toBeLessThanOrEqual(residual);
  expect(after(truth, 'bench').truth.thickness).toEqual([]);
  expect(after(truth, 'bench').truth.meanThickness).toBeLessThan(truth.meanThickness - 60);
});

test('a new rotor keeps the hub, a new hub the rotor', () => {
  const truth = corner(30, 20);
  expect(Math.abs(tirOf(after(truth, 'new')) - 60)).toBeLessThanOrEqual(30);
  expect(after(truth, 'new').truth.hub).toEqual(truth.hub);
  expect(after(truth, 'hub').truth.rotor).toEqual(truth.rotor);
  expect(after(truth, 'new').truth.meanThickness).toBe(28_000);
  expect(after(truth, 'leave').truth).toBe(truth);
});

test('over a few corners the tool ends within as often as can be, and costs least', () => {
  const random = seededRandom(4);
  const total = new Map(POLICIES.map((policy) => [policy, { cost: 0, within: 0 }]));
  let possible = 0;
  let corners = 0;
  while (corners < 12) {
    const truth = complaintCorner(SETUP, random);
    if (isTrulyWithin({ truth, shift: 0 }, SETUP)) continue;
    corners += 1;
    const seed = Math.floor(2 ** 31 * random.uniform());
    if (bestPossible(truth, SETUP, seededRandom(seed))) possible += 1;
    for (const policy of POLICIES) {
      const outcome = tryPolicy(truth, policy, SETUP, seededRandom(seed));
      const sum = total.get(policy)!;
      sum.cost += outcome.cost;
      if (outcome.isWithin) sum.within += 1;
      if (policy === 'as-fitted')
        expect(outcome).toEqual({ isWithin: false, mountings: 1, cost: 420 });
    }
  }
  const tool = total.get('tool')!;
  expect(tool.within).toBeGreaterThanOrEqual(possible - 1);
  for (const policy of POLICIES) {
    if (policy !== 'tool') expect(total.get(policy)!.cost).toBeGreaterThan(tool.cost);
  }
});
