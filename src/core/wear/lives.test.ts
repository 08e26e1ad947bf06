import { rotorsOfCorner, sayBand, type LifeLine } from '.';

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
  expect(rotorsOfCorner([])).toEqual([]);
});

test('the band of a distance in words', () => {
  expect(sayBand({ km: 9000, low: null, high: null })).toMatch(/not known yet/);
  expect(sayBand({ km: 9000, low: 8000, high: null })).toBe('surely 8,000 km, at most not known');
  expect(sayBand({ km: 9000, low: 8000, high: 9900 })).toBe('surely 8,000 km, at most 9,900 km');
});
