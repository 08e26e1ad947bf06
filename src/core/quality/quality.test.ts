import { averageLaps, evenAngles, inRadians } from '../readings';
import { seededRandom } from '../numeric';
import { solveRunout } from '../runout';
import { measureThickness } from '../thickness';
import {
  apartDeg,
  compareSets,
  crossCheck,
  describeSignature,
  leftOut,
  overdueReason,
  preparationFor,
  recommendedPositions,
  signaturesOf,
  thickerThanNew,
  zeroErrorReason,
} from '.';

const gauge = { resolution: 1, repeatability: 1 };
const wave = (n: number, parts: readonly (readonly [number, number, number])[]): number[] =>
  inRadians(evenAngles(n)).map((angle) =>
    parts.reduce(
      (sum, [order, size, at]) => sum + size * Math.cos(order * (angle - (at * Math.PI) / 180)),
      0,
    ),
  );
const runout = (values: number[], studs = 5) =>
  solveRunout({ face: 'outboard', laps: [values], studs, gauge, limit: 50 });
const thickness = (values: number[]) =>
  measureThickness({ laps: [values.map((value) => 26_000 + value)], gauge }, { dtv: 12 });

describe('preparation', () => {
  const asked = { kind: 'runout', asFound: false, fastening: 'studs' } as const;

  test('follows the kind; as found nothing is cleaned yet', () => {
    expect(preparationFor(asked).map(({ id }) => id)).toEqual([
      'nuts',
      'clean',
      'end-play',
      'base',
      'probe',
      'dial',
    ]);
    const found = preparationFor({ ...asked, asFound: true }).map(({ id }) => id);
    expect(found).not.toContain('clean');
    expect(preparationFor({ ...asked, kind: 'thickness' }).map(({ id }) => id)).toEqual([
      'zero',
      'circle',
      'cool',
    ]);
    expect(preparationFor({ ...asked, fastening: 'bolts' })[0]?.label).toMatch(/All bolts/);
    // A floating ring: the dial stands on it, and its float is taken up.
    const floating = preparationFor({ ...asked, isFloating: true }).find(
      ({ id }) => id === 'float',
    );
    expect(floating?.label).toMatch(/on the ring, its float taken up/);
  });

  test('what was left out is named; what was never asked is not', () => {
    expect(leftOut(asked, ['base', 'zero'])).toEqual(['Indicator base on something solid']);
  });

  test('three a stud where nut pull is suspected', () => {
    expect(recommendedPositions('usual', 5)).toBe(12);
    expect([3, 4, 5, 6, 8, 10].map((n) => recommendedPositions('nut-pull', n))).toEqual([
      12, 12, 15, 18, 24, 30,
    ]);
    for (let n = 3; n <= 10; n += 1) {
      expect(recommendedPositions('nut-pull', n)).toBeGreaterThanOrEqual(2 * n + 1);
    }
  });
});

describe('circumstances in words', () => {
  test('a calibration counts on the day of reading', () => {
    const on = (day: string) => overdueReason({ gaugeName: 'D1', gaugeDue: '2031-04-30', day });
    expect(on('2031-04-30')).toBeNull();
    expect(on('2031-05-01')).toEqual({ code: 'overdue', gauge: 'D1', due: '2031-04-30' });
  });

  test('a zero error beyond the permissible error is said', () => {
    expect(zeroErrorReason(2, { ...gauge, mpe: 2 })).toBeNull();
    expect(zeroErrorReason(-3, { ...gauge, mpe: 2 })).toEqual({ code: 'zero-error', value: -3 });
    expect(zeroErrorReason(null, gauge)).toBeNull();
  });

  test('thicker than new is doubted', () => {
    expect(thickerThanNew(28_100, 28_000)).toBeNull();
    expect(thickerThanNew(28_400, 28_000)).toMatchObject({ code: 'thicker-than-new' });
    expect(thickerThanNew(99_000, undefined)).toBeNull();
  });
});

describe('the cross-check', () => {
  const outboard = wave(12, [[1, 20, 30]]);
  const dtv = wave(12, [[1, 5, 200]]);
  const inboard = outboard.map((value, j) => value - dtv[j]! + 17);
  const set = (averaged: readonly number[]) => ({ averaged, sigma: 1 });

  test('agrees where outboard less inboard follows thickness, whatever the zeros', () => {
    const checked = crossCheck(set(outboard), set(inboard), set(dtv.map((t) => t + 26_000)));
    expect(checked.ok).toBe(true);
    expect(Math.abs(checked.by)).toBeLessThan(1e-9);
  });

  test('names the place of a wrong reading, and refuses sets that do not belong together', () => {
    const wrong = inboard.map((value, j) => (j === 7 ? value + 20 : value));
    expect(crossCheck(set(outboard), set(wrong), set(dtv))).toMatchObject({
      ok: false,
      position: 7,
    });
    expect(() => crossCheck(set(outboard.slice(1)), set(inboard), set(dtv))).toThrow(RangeError);
  });

  test('a clean set is doubted about once in a hundred', () => {
    const random = seededRandom(9);
    const noisy = (values: readonly number[]) => set(values.map((v) => v + random.normal()));
    const doubted = Array.from({ length: 2000 }).filter(
      () => !crossCheck(noisy(outboard), noisy(inboard), noisy(dtv)).ok,
    ).length;
    // One in a hundred of 2,000, and four standard deviations more.
    expect(doubted).toBeLessThan(20 + 4 * Math.sqrt(20));
    expect(doubted).toBeGreaterThan(2);
  });
});

describe('signatures', () => {
  test('angles apart', () => {
    expect([apartDeg(350, 10), apartDeg(10, 350), apartDeg(90, 270), apartDeg(0, 0)]).toEqual([
      20, 20, 180, 0,
    ]);
  });

  test.each([
    [200, 'high'],
    [30, 'low'],
  ] as const)('thin opposite %s° to the thick place: at the %s spot', (thickAt, at) => {
    const found = signaturesOf(
      runout(wave(12, [[1, 30, 20]])),
      thickness(wave(12, [[1, 8, thickAt]])),
      5,
    );
    expect(found).toMatchObject([{ kind: 'thin-place', at }]);
  });

  test('thin twice a turn at both; across the high spot it is no signature', () => {
    const wobble = runout(wave(12, [[1, 30, 0]]));
    expect(signaturesOf(wobble, thickness(wave(12, [[2, 8, 90]])), 5)).toMatchObject([
      { kind: 'thin-place', at: 'both' },
    ]);
    expect(signaturesOf(wobble, thickness(wave(12, [[1, 8, 270]])), 5)).toEqual([]);
  });

  test('saddle and nut pull, the latter only where the positions carry it', () => {
    const shape = (n: number) =>
      wave(n, [
        [2, 20, 10],
        [5, 20, 5],
      ]);
    expect(signaturesOf(runout(shape(15)), null, 5).map(({ kind }) => kind)).toEqual([
      'saddle',
      'nut-pull',
    ]);
    const few = signaturesOf(runout(shape(8)), null, 5).map(({ kind }) => kind);
    expect(few).not.toContain('nut-pull');
    expect(signaturesOf(null, null, 5)).toEqual([]);
  });

  test('each has words that name what to do or why', () => {
    const say = (value: number) => `${value.toFixed(0)} um`;
    const [pull] = signaturesOf(runout(wave(15, [[5, 30, 5]])), null, 5);
    expect(describeSignature(pull!, say).words).toMatch(/torque sequence/);
    const [saddle] = signaturesOf(runout(wave(12, [[2, 30, 5]])), null, 5);
    expect(describeSignature(saddle!, say).title).toBe('Saddle, 60 um');
  });

  test('within its limit nothing is named, nor a place that is not clear', () => {
    const wobble = runout(wave(12, [[1, 30, 20]]));
    expect(signaturesOf(wobble, thickness(wave(12, [[1, 4, 200]])), 5)).toEqual([]);
    const shape = wave(15, [
      [2, 9, 10],
      [5, 9, 5],
    ]);
    expect(signaturesOf(runout(shape), null, 5)).toEqual([]);
    const even = thickness(wave(12, [[3, 8, 0]]));
    expect(even.dtvVerdict.state).toBe('beyond');
    expect(signaturesOf(wobble, even, 5)).toEqual([]);
  });

  test('the thin place is that of the fit, with its uncertainty', () => {
    const wobble = runout(wave(12, [[1, 30, 20]]));
    const [thin] = signaturesOf(wobble, thickness(wave(12, [[1, 8, 187]])), 5);
    expect(thin).toMatchObject({ kind: 'thin-place', thinDeg: 7 });
    expect(describeSignature(thin!, String).words).toMatch(/^The rotor is thin at 7° ± \d+°, at/);
  });
});

describe('two sets against each other', () => {
  const angles = evenAngles(12);
  const one = { angles, averaged: averageLaps([wave(12, [[1, 20, 30]])]), sigma: 1 };

  test('the same shape with another zero is the same', () => {
    const other = { ...one, averaged: one.averaged.map((value) => value + 9) };
    const compared = compareSets(one, other);
    expect(compared.same).toBe(true);
    expect(compared.shiftOfMean).toBeCloseTo(9);
  });

  test('another shape is not; other positions are compared by the curve', () => {
    expect(compareSets(one, { ...one, averaged: wave(12, [[1, 20, 90]]) }).same).toBe(false);
    const finer = { angles: evenAngles(18), averaged: wave(18, [[1, 20, 30]]), sigma: 1 };
    expect(compareSets(one, finer)).toMatchObject({ same: true });
  });
});
