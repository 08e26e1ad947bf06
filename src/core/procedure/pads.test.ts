import fc from 'fast-check';
import { padMeanings, readFigure, reservoirRise, thinnestPad, type PadFigures } from '.';

describe('pads', () => {
  const pads = (...mm: (number | null)[]): PadFigures => {
    const [a, b, c, d] = mm.map((value) => (value === null ? null : value * 1000));
    return {
      innerLeading: a ?? null,
      innerTrailing: b ?? null,
      outerLeading: c ?? null,
      outerTrailing: d ?? null,
    };
  };
  const kinds = (own: PadFigures, other: PadFigures | null = null) =>
    padMeanings(own, other).map(({ kind }) => kind);

  test.each<[string, PadFigures, PadFigures | null, string[]]>([
    ['even', pads(9, 9, 9, 9), pads(9, 9, 9, 9), []],
    ['inner 2.1 mm thinner', pads(9.9, 9.9, 12, 12), null, ['inner-outer']],
    ['exactly 2 mm and below a quarter says nothing', pads(10, 10, 12, 12), null, []],
    ['a quarter of the thicker', pads(2.9, 2.9, 4, 4), null, ['inner-outer']],
    ['taper over 1.5 mm', pads(8, 9.6, 9, 9), null, ['taper']],
    ['taper of exactly 1.5 mm says nothing', pads(8, 9.5, 9, 9), null, []],
    ['side to side', pads(9, 9, 9, 9), pads(6, 6, 6, 6), ['side']],
    ['nothing measured', pads(null, null, null, null), pads(9, 9, 9, 9), []],
    ['one end of one pad', pads(9, null, null, null), null, []],
  ])('%s', (_, own, other, expected) => expect(kinds(own, other)).toEqual(expected));

  test('name the pad, the end and the part to look at', () => {
    const [difference] = padMeanings(pads(4, 4.2, 8, 8), null);
    expect([difference?.say, difference?.by]).toEqual(['Inner pad is worn more', 3900]);
    expect(difference?.means).toMatch(/pins/);
    expect(padMeanings(pads(8, 6, 7, 7), null)[0]?.say).toBe(
      'Inner pad tapers towards its trailing end',
    );
    expect(thinnestPad(pads(8, 6, null, 7))).toBe(6000);
    expect(thinnestPad(pads(null, null, null, null))).toBeNull();
  });

  test('swapping inner and outer swaps what is said and keeps the size', () => {
    const mm = fc.double({ min: 0.5, max: 15, noNaN: true });
    fc.assert(
      fc.property(mm, mm, (a, b) => {
        const [one, two] = [
          padMeanings(pads(a, a, b, b), null),
          padMeanings(pads(b, b, a, a), null),
        ];
        return one.length === two.length && one.every((m, i) => Math.abs(m.by - two[i]!.by) < 1e-6);
      }),
    );
  });
});

test('the reservoir rises by piston area times travel, summed over calipers', () => {
  const caliper = { pistons: 1, diameter: 40_000, travel: 10_000 };
  expect(reservoirRise([caliper])).toBeCloseTo(12.566, 3);
  expect(reservoirRise([caliper, { ...caliper, pistons: 2 }])).toBeCloseTo(3 * 12.566, 2);
  expect(reservoirRise([])).toBe(0);
});

test('a stored figure is read back, and anything else is none', () => {
  expect(readFigure({ text: '9.5', unit: 'mm', um: 9500 })).toEqual({
    text: '9.5',
    unit: 'mm',
    um: 9500,
  });
  for (const bad of [null, 5, 'x', {}, { text: '9', unit: 'mm' }])
    expect(readFigure(bad)).toBeNull();
});
