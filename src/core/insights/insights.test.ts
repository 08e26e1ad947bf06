import fc from 'fast-check';
import {
  binOf,
  meanFrom,
  minutesOf,
  shareOf,
  stageMinutes,
  summarise,
  tallyJob,
  timeAt,
  type Cell,
  type ClosedJob,
  type Tally,
} from '.';

const MINUTE = 60_000;

describe('a share with its interval', () => {
  test('agrees with tabled values of the score interval', () => {
    const { share, low, high, isFew } = shareOf(5, 50);
    expect(share).toBeCloseTo(0.1, 12);
    expect(low).toBeCloseTo(0.0435, 4);
    expect(high).toBeCloseTo(0.2136, 4);
    expect(isFew).toBe(false);
    expect(shareOf(0, 20)).toMatchObject({ share: 0, low: 0 });
    expect(shareOf(0, 20).high).toBeCloseTo(0.1611, 4);
    expect(shareOf(20, 20)).toMatchObject({ share: 1, high: 1 });
  });

  test('nothing counted says nothing; few cases are called few', () => {
    expect(shareOf(0, 0)).toEqual({ count: 0, of: 0, share: null, low: 0, high: 1, isFew: true });
    expect([shareOf(1, 9).isFew, shareOf(1, 10).isFew]).toEqual([true, false]);
  });

  test('the share lies in its interval, which narrows as cases come', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.nat(500), (of, some) => {
        const count = Math.min(some, of);
        const one = shareOf(count, of);
        const ten = shareOf(10 * count, 10 * of);
        expect(one.low).toBeLessThanOrEqual((one.share ?? 0) + 1e-12);
        expect(one.high).toBeGreaterThanOrEqual((one.share ?? 0) - 1e-12);
        expect(ten.high - ten.low).toBeLessThan(one.high - one.low + 1e-12);
      }),
    );
  });
});

describe('a mean from sums', () => {
  test('is the mean and spread of the figures themselves', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -90, max: 90 }), { minLength: 2 }), (figures) => {
        const sum = figures.reduce((total, figure) => total + figure, 0);
        const squares = figures.reduce((total, figure) => total + figure ** 2, 0);
        const { mean, spread } = meanFrom(figures.length, sum, squares);
        const centre = sum / figures.length;
        const variance =
          figures.reduce((total, figure) => total + (figure - centre) ** 2, 0) /
          (figures.length - 1);
        expect(mean).toBeCloseTo(centre, 9);
        expect(spread).toBeCloseTo(Math.sqrt(variance), 6);
      }),
    );
  });

  test('one figure has no spread, none no mean', () => {
    expect(meanFrom(1, 5, 25)).toMatchObject({ mean: 5, spread: null, low: null });
    expect(meanFrom(0, 0, 0)).toMatchObject({ mean: null, isFew: true });
  });
});

describe('time per stage', () => {
  test('goes to the stage of the later mark; pauses over half an hour count for none', () => {
    const minutes = stageMinutes([
      { stage: 'measure', at: 25 * MINUTE },
      { stage: 'complaint', at: 0 },
      { stage: 'strip', at: 10 * MINUTE },
      { stage: 'decide', at: 25 * MINUTE },
      { stage: 'rebuild', at: 56 * MINUTE },
      { stage: 'rebuild', at: 60 * MINUTE },
    ]);
    expect(Object.fromEntries(minutes)).toEqual({ strip: 10, measure: 15, rebuild: 4 });
  });

  test('a median read from bins is within 9 % of the times', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 600, noNaN: true }), (time) => {
        expect(Math.abs(minutesOf(binOf(time)) / time - 1)).toBeLessThan(0.0906);
      }),
    );
    expect(binOf(0.2)).toBe(0);
    const bins = [
      { bin: 8, count: 1 },
      { bin: 0, count: 2 },
      { bin: 4, count: 0 },
    ];
    expect([timeAt(bins, 0.5), timeAt(bins, 0.9), timeAt([], 0.5)]).toEqual([1, 4, null]);
  });
});

const corner = (own: Partial<ClosedJob['corners'][number]> = {}): ClosedJob['corners'][number] => ({
  corner: 'FL',
  correction: 'index',
  predicted: { tir: 20, low: 12, high: 28 },
  measured: 25,
  money: { currency: 'crowns', done: 14, asNew: 105, comeback: 420 },
  ...own,
});
const job = (own: Partial<ClosedJob> = {}): ClosedJob => ({
  cause: 'hub-runout',
  cameBack: false,
  corners: [corner()],
  found: [{ code: 'seat', value: 'rust', corner: 'FL' }],
  marks: [
    { stage: 'complaint', at: 0 },
    { stage: 'measure', at: 20 * MINUTE },
  ],
  ...own,
});

/** Tallies summed up as the database sums them. */
function cellsFrom(tallies: readonly Tally[]): Cell[] {
  const cells = new Map<string, Cell>();
  for (const { measure, key, value } of tallies) {
    const at = `${measure} ${key}`;
    const { count, sum, squares } = cells.get(at) ?? { count: 0, sum: 0, squares: 0 };
    const added = { count: count + 1, sum: sum + value, squares: squares + value ** 2 };
    cells.set(at, { measure, key, ...added });
  }
  return [...cells.values()];
}

describe('what a closed job teaches', () => {
  test('keys are told apart in one job', () => {
    const both = [corner(), corner({ corner: 'FR' })];
    const tallies = tallyJob(job({ corners: both }));
    const keys = tallies.map(({ measure, key, item }) => `${measure} ${key} ${item}`);
    expect(new Set(keys).size).toBe(keys.length);
    expect(tallies.filter(({ measure }) => measure === 'correction')).toHaveLength(1);
    expect(tallies.filter(({ measure }) => measure === 'miss')).toHaveLength(2);
  });

  test('a comeback costs what it costs, and counts for cause and correction', () => {
    const of = (cameBack: boolean, measure: Tally['measure']) =>
      tallyJob(job({ cameBack })).find((tally) => tally.measure === measure)?.value;
    expect([of(false, 'money'), of(true, 'money')]).toEqual([91, -329]);
    expect([of(false, 'cause'), of(true, 'cause')]).toEqual([0, 1]);
    expect([of(false, 'correction'), of(true, 'correction')]).toEqual([0, 1]);
  });

  test('what was not predicted, not measured or not priced is not counted', () => {
    const none = corner({ predicted: null, money: null });
    const unmeasured = corner({ measured: null, corner: 'FR' });
    const measures = tallyJob(job({ corners: [none, unmeasured] })).map(({ measure }) => measure);
    expect(measures).not.toContain('miss');
    expect(measures.filter((measure) => measure === 'money')).toHaveLength(1);
  });
});

describe('summed up', () => {
  const jobs = [
    ...Array.from({ length: 11 }, () => job()),
    job({ cameBack: true, corners: [corner({ measured: 30 })] }),
    job({ cause: null, corners: [], found: [], marks: [] }),
  ];
  const insights = summarise(cellsFrom(jobs.flatMap(tallyJob)));

  test('comebacks by cause and by correction', () => {
    expect(insights.jobs).toBe(13);
    expect(insights.comebacks).toMatchObject({ count: 1, of: 13 });
    expect(insights.byCause.map(({ key, share }) => [key, share.count, share.of])).toEqual([
      ['hub-runout', 1, 12],
      ['', 0, 1],
    ]);
    expect(insights.byCorrection[0]?.share).toMatchObject({ count: 1, of: 12, isFew: false });
  });

  test('predictions, money, findings and times', () => {
    const [prediction] = insights.predictions;
    expect(prediction?.miss.mean).toBeCloseTo((11 * 5 + 10) / 12, 9);
    expect(prediction?.within).toMatchObject({ count: 11, of: 12 });
    expect(insights.savings[0]).toMatchObject({ currency: 'crowns', corners: 12 });
    expect(insights.savings[0]?.total).toBe(11 * 91 - 329);
    expect(insights.found).toEqual([{ code: 'seat', value: 'rust', count: 12 }]);
    expect(insights.stages).toMatchObject([{ stage: 'measure', jobs: 12 }]);
    expect(insights.stages[0]?.median).toBeCloseTo(20, -1);
  });

  test('nothing closed says nothing', () => {
    const empty = summarise([{ measure: 'cause', key: 'x', count: 0, sum: 0, squares: 0 }]);
    expect(empty).toMatchObject({ jobs: 0, byCause: [], stages: [], found: [], savings: [] });
  });
});
