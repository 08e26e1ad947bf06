import fc from 'fast-check';
import { distanceLeft, forecastAt, odometerSpan, rotorsOfCorner, sayBand, type LifeLine } from '.';

const line = (number: number, own: Partial<LifeLine> = {}): LifeLine => ({
  number,
  km: 10_000 * number,
  before: 27_000 - 100 * number,
  after: null,
  what: 'measured',
  ...own,
});

test('a rotor is fitted, measured, cut and taken off; the next one begins there', () => {
  const rotors = rotorsOfCorner([
    line(1),
    line(2, { what: 'cut', after: 26_500 }),
    line(3, { what: 'renewed', before: 26_100, after: 28_000 }),
    line(4, { before: 27_900 }),
  ]);
  expect(rotors).toHaveLength(2);
  expect(rotors[0]).toEqual({
    count: 1,
    fitted: null,
    removed: { number: 3, km: 30_000 },
    thicknesses: [
      { km: 10_000, thickness: 26_900 },
      { km: 20_000, thickness: 26_800 },
      { km: 20_000, thickness: 26_500 },
      { km: 30_000, thickness: 26_100 },
    ],
    latest: { km: 30_000, thickness: 26_100 },
    cuts: [{ number: 2, km: 20_000, removed: 300 }],
  });
  expect(rotors[1]).toMatchObject({
    count: 2,
    fitted: { number: 3, km: 30_000 },
    removed: null,
    cuts: [],
  });
  expect(rotors[1]?.thicknesses.map(({ thickness }) => thickness)).toEqual([28_000, 27_900]);
});

test('what was not measured is left out; a cut of unknown depth says so', () => {
  const [rotor] = rotorsOfCorner([
    line(1, { before: null }),
    line(2, { what: 'cut', after: null }),
  ]);
  expect(rotor?.thicknesses).toEqual([{ km: 20_000, thickness: 26_800 }]);
  expect(rotor?.cuts).toEqual([{ number: 2, km: 20_000, removed: null }]);
  // The thickness before it holds no more, and nothing is forecast from it.
  expect(rotor?.latest).toBeNull();
  expect(rotorsOfCorner([])).toEqual([]);
});

test('the band of a distance in words', () => {
  expect(sayBand({ km: 9000, low: null, high: null })).toMatch(/not known yet/);
  expect(sayBand({ km: 9000, low: 8000, high: null })).toBe(
    '95 % sure by these readings: 8,000 km to not known',
  );
  expect(sayBand({ km: 9000, low: 8000, high: 9900 })).toBe(
    '95 % sure by these readings: 8,000 km to 9,900 km',
  );
});

test('what holds is the last measurement, a cut\u2019s own thickness, or nothing on a new rotor', () => {
  const latest = (...lines: LifeLine[]) => rotorsOfCorner(lines).at(-1)?.latest;
  expect(latest(line(1), line(2, { before: null }))).toEqual({ km: 10_000, thickness: 26_900 });
  expect(latest(line(1, { what: 'cut', after: 26_700 }))).toEqual({
    km: 10_000,
    thickness: 26_700,
  });
  expect(latest(line(1, { what: 'cut' }), line(2))).toEqual({ km: 20_000, thickness: 26_800 });
  expect(latest(line(1, { what: 'renewed' }))).toBeNull();
});

describe('a forecast', () => {
  const from = { km: 40_000, thickness: 27_000 };

  test('falls by the rate, faster and slower at the ends of its band', () => {
    const { thickness, fastest, slowest } = forecastAt(from, 50_000, { perKm: 0.02, u: 0.002 });
    expect(thickness).toBeCloseTo(26_800, 9);
    expect(fastest).toBeCloseTo(27_000 - 239.2, 9);
    expect(slowest).toBeCloseTo(27_000 - 160.8, 9);
  });

  test('meets the discard thickness where the distance left says so', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.1, noNaN: true }),
        fc.double({ min: 0.0001, max: 0.0004, noNaN: true }),
        fc.integer({ min: 100, max: 3000 }),
        (perKm, u, above) => {
          const floor = from.thickness - above;
          const left = distanceLeft(from.thickness, floor, { perKm, u });
          const at = (km: number) => forecastAt(from, from.km + km, { perKm, u });
          expect(at(left.km).thickness).toBeCloseTo(floor, 6);
          expect(at(left.low ?? 0).fastest).toBeCloseTo(floor, 6);
          if (left.high !== null) expect(at(left.high).slowest).toBeCloseTo(floor, 6);
        },
      ),
    );
  });

  test('wear never adds metal, and a rate without a band has none', () => {
    expect(forecastAt(from, 60_000, { perKm: 0.01, u: 0.02 }).slowest).toBe(27_000);
    expect(forecastAt(from, 60_000, { perKm: 0.01, u: null })).toMatchObject({
      fastest: null,
      slowest: null,
    });
  });

  test('a chart spans what was measured and at most twice as far on, at whole steps', () => {
    expect(odometerSpan([26_473, 74_569], { fromKm: 74_569, km: 13_000 })).toEqual([
      25_000, 90_000,
    ]);
    expect(odometerSpan([26_473, 74_569], { fromKm: 74_569, km: 900_000 })).toEqual([
      25_000, 175_000,
    ]);
    expect(odometerSpan([12_000], null)).toEqual([10_000, 15_000]);
    expect(odometerSpan([12_000], { fromKm: 12_000, km: 500_000 })).toEqual([10_000, 55_000]);
  });
});
