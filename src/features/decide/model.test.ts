import type { Option, Ranking } from '@/core/options';
import { sayDistance, sayKm, sayOutlasts, sayRate } from '@/core/wear';
import { barsOf, notesOf, sayRanking } from './model';

const option = (
  action: Option['action'],
  expected: number | null,
  more: Partial<Option> = {},
): Option => ({
  action,
  forbidden: [],
  missing: [],
  notes: [],
  runout: { tir: 20, low: 15, high: 25, atWorst: null },
  probability: 0.97,
  finished: null,
  finishedVerdict: null,
  distance: null,
  cost: { parts: 0, minutes: 0, labour: 0, away: 0, missing: [] },
  expected,
  shift: null,
  plate: null,
  chanceAt: null,
  ...more,
});

test('distances are as exact as they are worth, and say when there is no band', () => {
  expect([4321, 64_432].map(sayKm)).toEqual(['4,300 km', '64,000 km']);
  expect(sayDistance(null)).toBe('–');
  expect(sayDistance({ km: 64_432, low: null, high: null })).toBe('about 64,000 km');
  expect(sayDistance({ km: 64_432, low: 50_000, high: null })).toBe(
    '64,000 km (50,000 km to not known)',
  );
});

test('a rate names its source', () => {
  const rate = { perKm: 0.02, u: null, count: 2 } as const;
  expect(sayRate({ ...rate, source: 'history' }, 'organic')).toMatch(
    /^200 µm.*2 readings of this rotor/,
  );
  expect(sayRate({ ...rate, source: 'model', count: 1 }, 'organic')).toMatch(
    /median of 1 rotor of/,
  );
  expect(sayRate({ ...rate, source: 'default' }, 'organic')).toMatch(
    /workshop default for organic pads/,
  );
});

test('rotor against pads, or nothing where one is not known', () => {
  const of = (km: number) => ({ km, low: null, high: null });
  expect(sayOutlasts(of(2), of(1))).toMatch(/rotor outlasts/);
  expect(sayOutlasts(of(1), of(2))).toMatch(/worn out first/);
  expect(sayOutlasts(of(1), null)).toBeNull();
});

test('the choice in a sentence', () => {
  const ranking: Ranking = {
    recommended: option('index', 40),
    runnerUp: option('on-vehicle', 60),
    by: 'cost',
  };
  expect(sayRanking(ranking, 'crowns')).toMatch(
    /40 crowns; the runner-up, cut on the vehicle, 20 crowns more/,
  );
  expect(sayRanking({ ...ranking, runnerUp: null }, '')).toMatch(/nothing else/);
  expect(sayRanking({ ...ranking, by: 'chance' }, '')).toMatch(/Prices are missing/);
  expect(sayRanking({ recommended: null, runnerUp: null, by: 'cost' }, '')).toBeNull();
});

test('the chart leaves out what is struck or not predicted', () => {
  const bars = barsOf(
    [
      option('index', 1),
      option('plate', 1, { forbidden: [{ code: 'captive' }] }),
      option('clean', 1, { runout: null }),
    ],
    (um) => um / 1000,
  );
  expect(bars).toEqual([
    { name: 'Index the rotor', low: 0.015, tir: 0.02, high: 0.025, chance: '97 %' },
  ]);
  const struck = option('plate', 1, {
    forbidden: [{ code: 'captive' }],
    notes: [{ code: 'sent-out' }],
  });
  expect(notesOf(struck, 'mm')).toHaveLength(1);
});
