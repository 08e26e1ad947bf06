import type { Advice } from '@/core/assessment';
import { solveRunout } from '@/core/runout';
import { advisedMove, drawnCurve, toldBelowDiscard, type SetResult } from './result';
import { toldAtEntry } from './solve';

const index = (probability: number): Advice => ({
  ...{ kind: 'index', from: 0, to: 2, tir: 12, before: 70, limit: 50 },
  probability,
});
const second: Advice = { kind: 'second-mounting', from: 0, to: 2 };

test.each([
  ['a second mounting', second, { phase: 'before' }, { from: 0, to: 2 }],
  ['as found nothing is moved', second, { phase: 'as-found' }, null],
  ['a sure move', index(0.98), { phase: 'before' }, { from: 0, to: 2 }],
  ['a move that Decide weighs', index(0.7), { phase: 'before' }, null],
  ['a check has no Decide', index(0.7), { phase: 'before', isCheck: true }, { from: 0, to: 2 }],
  ['as found, surely', index(0.98), { phase: 'as-found' }, null],
  ['nothing said', null, { phase: 'before' }, null],
] as const)('the move that is drawn: %s', (_, advice, corner, expected) => {
  expect(advisedMove(advice, corner)).toEqual(expected);
});

describe('what is told at the entry', () => {
  const lap = Array.from({ length: 12 }, (_, k) => 20 * Math.sin((k * Math.PI) / 6));
  const read = (closing: number, turns: { high: number; low: number }[]): SetResult => ({
    kind: 'runout',
    isHub: false,
    runout: solveRunout({
      ...{ face: 'outboard', laps: [lap], closing: [closing], limit: 50, turns },
      gauge: { resolution: 1, repeatability: 1 },
    }),
  });
  test('a slow turn that does not count, in the units of the shop', () => {
    const short = read(0, [{ high: 0, low: 0 }]);
    const told = toldAtEntry(short, { units: 'mm' });
    expect(told).toHaveLength(1);
    expect(told[0]).toContain('not stopped at its highest and lowest');
    expect(told[0]).toContain('0.040 mm');
    expect(toldAtEntry(short, { units: 'thou' })[0]).toContain('1.6 thou');
    const turned = { high: 20, low: -20 };
    expect(toldAtEntry(read(0, [turned]), { units: 'mm' })).toEqual([]);
    // One that counts has been taken since: nothing is left to do at the entry.
    expect(toldAtEntry(read(0, [{ high: 0, low: 0 }, turned]), { units: 'mm' })).toEqual([]);
  });
  test('why a set is not valid where no nose stands beside it', () => {
    const slipped = read(30, []);
    expect(toldAtEntry(slipped, { units: 'mm' })).toEqual([]);
    expect(toldAtEntry(slipped, { units: 'mm', isCheck: true }).length).toBeGreaterThan(0);
    expect(toldAtEntry(null, { units: 'mm', isCheck: true })).toEqual([]);
  });
});

// 2026-11-29: four of eight readings a millimetre below discard, and the bench asked for the fifth without a word.
describe('a place below discard thickness is told as soon as it is read', () => {
  const corner = {
    units: 'mm' as const,
    limits: { discard: { value: 26_000, source: 'maker' as const } },
  };
  const read = (valuesUm: readonly number[], zeroErrorUm: number | null = null) => ({
    kind: 'thickness' as const,
    positions: 8,
    zeroErrorUm,
    readings: valuesUm.map((valueUm, position) => ({
      ...{ lap: 0, position, valueUm, takenAt: null },
    })),
  });
  const below =
    'Position 2, 25.000 mm, is below discard thickness, 26.000 mm. This rotor is replaced, whatever else is read.';
  test.each([
    ['one of two', read([26_100, 25_000]), below],
    ['none', read([26_100, 26_050]), null],
    ['nothing read', read([]), null],
    ['a slip of the unit', read([2_500]), null],
    ['a zero error that lifts it', read([25_990], -20), null],
    ['a zero error that takes it below', read([26_010], 20), expect.stringContaining('25.990 mm')],
  ])('%s', (_, set, told) => expect(toldBelowDiscard(set, corner)).toEqual(told));

  test('nothing without a figure, or of runout', () => {
    expect(toldBelowDiscard(read([25_000]), { ...corner, limits: {} })).toBeNull();
    expect(toldBelowDiscard({ ...read([25_000]), kind: 'runout' }, corner)).toBeNull();
  });
});

test('a curve that is swept is drawn in the sense in which its set counts', () => {
  const curve = [10, null, -4];
  const of = (face: 'outboard' | 'inboard', turned: boolean) =>
    drawnCurve({ kind: 'runout', face, turned }, curve);
  expect(of('outboard', false)).toEqual([10, null, -4]);
  // From behind, or by a dial that counts the other way round, it stands out where it reads in.
  expect(of('inboard', false)).toEqual([-10, null, 4]);
  expect(of('outboard', true)).toEqual([-10, null, 4]);
  expect(of('inboard', true)).toEqual([10, null, -4]);
});
