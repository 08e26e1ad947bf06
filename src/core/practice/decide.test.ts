import { advise, assessCorner, type CornerRecord, type MeasuredSet } from '../assessment';
import { readDial, readMicrometer, DEMO_SHOP } from '../bench';
import { trials } from '../../../tests/support/trials';
import { seededRandom, type RandomSource } from '../numeric';
import { adviseByOptions, compareOptions, rankOptions } from '../options';
import { wearByDefault } from '../wear';
import { WORKSHOP_DEFAULTS } from '../verdict';
import { caseOf, judgeDecide, readCode, WAYS, writeCode, type PracticeCase, type Way } from '.';
import { wayOutcome } from './ways';

const CASES = Array.from({ length: 200 }, (_, i) =>
  caseOf({ level: 'decide', subject: 'both', seed: (i * 99_991 + 17) % 2 ** 25 }),
);
const DIAL = WORKSHOP_DEFAULTS.dialIndicator;
const MICROMETER = WORKSHOP_DEFAULTS.micrometer;

function runoutAt(own: PracticeCase, shift: number, random: RandomSource): MeasuredSet {
  const run = { shift, positions: 12, laps: 1, gauge: DIAL };
  const { laps, closing } = readDial(own.virtual, run, random);
  return {
    ...{ kind: 'runout', face: 'outboard', shift, gauge: DIAL, isSeatSaid: true, laps, closing },
  };
}

function thicknessAt(own: PracticeCase, laps: number, random: RandomSource): MeasuredSet {
  const run = { shift: 0, positions: 12, laps, gauge: MICROMETER };
  const read = readMicrometer(own.virtual, run, random);
  return { kind: 'thickness', gauge: MICROMETER, shift: 0, laps: read };
}

/** Reads, goes where the tool advises, and decides what it recommends. */
function byAdvice(own: PracticeCase, random: RandomSource) {
  let sets = [runoutAt(own, 0, random), thicknessAt(own, 2, random)];
  for (let i = 0; i < 3; i += 1) {
    const record: CornerRecord = {
      ...{ corner: own.corner, fastening: 'studs', studs: own.studs, allowedShifts: null },
      ...{ limits: own.limits, sets },
    };
    const assessment = assessCorner(record, 100);
    const { recommended } = rankOptions(
      compareOptions({
        ...{ record, assessment, shop: DEMO_SHOP, extras: [] },
        ...{ wear: wearByDefault('semi-metallic'), draws: 100 },
      }),
    );
    const first = advise(record, assessment);
    if (first.kind === 'second-mounting') {
      sets = [...sets, runoutAt(own, first.to, random)];
      continue;
    }
    const advice = adviseByOptions(record, assessment, recommended);
    const isWithin = advice.kind === 'within';
    // Moving it to its best place afterwards is done on the bench.
    const way = WAYS.find((each) => each === recommended?.action.replace('-indexed', ''));
    return judgeDecide(own, sets, [], 13 * sets.length, isWithin ? 'leave' : (way ?? null));
  }
  return judgeDecide(own, sets, [], 13 * sets.length, 'leave');
}

test('its codes have letters of their own, and every kind of way is the best one somewhere', () => {
  expect(writeCode({ level: 'decide', subject: 'both', seed: 5 })).toBe('DB-00005');
  expect(readCode('db 00005')).toEqual({ level: 'decide', subject: 'both', seed: 5 });
  const best = new Set(CASES.map((own) => judgeDecide(own, [], [], 0, null).bestWay.way));
  expect([...best].sort()).toEqual(['leave', 'new', 'on-vehicle', 'plate']);
});

test('the best way cures, does no harm and is within what the truth allows', () => {
  for (const own of CASES) {
    const { bestWay } = judgeDecide(own, [], [], 0, null);
    expect(bestWay).toMatchObject({ isCured: true, harm: null });
    expect(bestWay.least).toBeGreaterThanOrEqual(own.limits.discard!.value);
  }
});

test('by the tool’s own advice 98 of 100 are right, and none harms', () => {
  const random = seededRandom(21);
  const cases = CASES.slice(0, trials(CASES.length, 50));
  const results = cases.map((own) => byAdvice(own, random));
  expect(results.filter(({ isHarm }) => isHarm)).toEqual([]);
  const cured = results.filter(({ chosen }) => chosen?.isCured).length;
  expect(cured / cases.length).toBeGreaterThanOrEqual(0.98);
  const right = results.filter(({ isRight }) => isRight).length;
  expect(right / cases.length).toBeGreaterThanOrEqual(0.95);
});

test('who decides without reckoning is right in less than half, and every harm is recognised', () => {
  const random = seededRandom(22);
  for (const way of ['leave', 'bench', 'new'] satisfies Way[]) {
    const results = CASES.map((own) => judgeDecide(own, [runoutAt(own, 0, random)], [], 13, way));
    expect(results.filter(({ isRight }) => isRight).length / CASES.length).toBeLessThan(0.5);
    for (const { chosen, isHarm } of results) {
      const isThin = chosen!.least < 26_000;
      const isCutTooDeep = way === 'bench' && chosen!.least < 26_400;
      expect(isHarm).toBe(isThin || isCutTooDeep);
    }
  }
});

test('what to do better is one sentence', () => {
  const random = seededRandom(23);
  const of = (best: Way) =>
    CASES.find((own) => judgeDecide(own, [], [], 0, null).bestWay.way === best)!;
  const say = (own: PracticeCase, way: Way | null) =>
    judgeDecide(own, [runoutAt(own, 0, random), thicknessAt(own, 1, random)], [], 26, way).sentence;
  expect(judgeDecide(of('new'), [], [], 0, 'new').sentence).toMatch(/^Nothing was measured/);
  expect(say(of('leave'), 'new')).toMatch(/^Cured, but dear: 106 crowns where leave the rotor/);
  expect(say(of('leave'), 'leave')).toMatch(/^Right/);
  expect(say(of('on-vehicle'), 'leave')).toMatch(/^It comes back: thickness variation/);
  expect(say(of('plate'), 'new')).toMatch(/^It comes back: runout is still beyond/);
  const worn = CASES.find((own) => own.truth.least < 26_000)!;
  expect(say(worn, 'leave')).toMatch(/^It is below discard/);
  const short = CASES.find((own) => own.truth.variation > 15 && own.truth.least < 26_420)!;
  expect(say(short, 'bench')).toMatch(/^A cut ends below machine-to|^It is below discard/);
});

test('a hub that is renewed with a move has its rotor in its best place', () => {
  const own = CASES.find(({ truth }) => truth.runout > 50)!;
  const shares = Array.from({ length: own.studs }, (_, shift) =>
    wayOutcome(own.virtual, shift, 'hub', null, 5),
  );
  expect(new Set(shares.map(({ runout }) => runout)).size).toBe(1);
  expect(shares[0]!.runout).toBeLessThan(own.truth.runout);
});
