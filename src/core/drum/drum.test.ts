import fc from 'fast-check';
import { adviseDrum, drumOptions, solveDrum, type DrumBans } from '.';

const MM = 1000;
const none: DrumBans = { cut: [], drum: [] };
const limits = {
  nominal: 228 * MM,
  machineTo: 229 * MM,
  discard: 229.5 * MM,
};
const drum = (...mm: number[]) => solveDrum({ diameters: mm.map((d) => d * MM), limits });

describe('a drum by four diameters', () => {
  test('round and new: nothing to do', () => {
    const result = drum(228.1, 228.1, 228.1, 228.1);
    expect(result.outOfRound).toBeCloseTo(0, 6);
    expect(result.round.state).toBe('within');
    expect(result.size?.state).toBe('within');
    expect(result.worn).toBeCloseTo(100, 6);
    expect(adviseDrum(result, none)).toBe('keep');
  });

  test('oval between the places: the fit finds more than was read', () => {
    // D + A·cos 2(θ − 22.5°): every place reads A/√2 off, and none reads the longest.
    const a = 0.12;
    const read = [0, 45, 90, 135].map(
      (deg) => 228.5 + a * Math.cos((2 * (deg - 22.5) * Math.PI) / 180),
    );
    const result = drum(...read);
    expect(result.largest).toBeCloseTo((228.5 + a) * MM, 6);
    expect(result.outOfRound).toBeCloseTo(2 * a * MM, 6);
    expect(result.round.state).toBe('beyond');
    expect(adviseDrum(result, none)).toBe('cut');
    // Cut to the largest place and 30 µm a side.
    expect(result.cut?.finished).toBeCloseTo((228.5 + a) * MM + 60, 6);
    expect(result.cut?.left).toBeCloseTo(229.5 * MM - (228.5 + a) * MM - 60, 6);
  });

  test('it never says better than what was read, and never misses an oval', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 180, noNaN: true }),
        (amplitude, at) => {
          const read = [0, 45, 90, 135].map(
            (deg) => 228_500 + amplitude * Math.cos((2 * (deg - at) * Math.PI) / 180),
          );
          const result = solveDrum({ diameters: read, limits });
          return (
            result.largest >= Math.max(...read) - 1e-6 &&
            Math.abs(result.outOfRound - 2 * amplitude) < 1e-6
          );
        },
      ),
    );
  });

  test('the spread of its figures is what it says it is', () => {
    const spread = 10;
    let seed = 7;
    const uniform = (): number => {
      seed = (seed * 16807) % 2147483647;
      return seed / 2147483647;
    };
    const normal = (): number =>
      Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const true4 = [228_620, 228_500, 228_380, 228_500];
    const ranges = Array.from({ length: 4000 }, () => {
      const diameters = true4.map((d) => d + spread * normal());
      return solveDrum({ diameters, limits, gauge: { repeatability: spread, mpe: 0 } }).outOfRound;
    });
    const mean = ranges.reduce((sum, r) => sum + r, 0) / ranges.length;
    const sd = Math.sqrt(ranges.reduce((sum, r) => sum + (r - mean) ** 2, 0) / ranges.length);
    // Order 4 is taken at its height: the range is called a little large, never small.
    expect(mean).toBeGreaterThan(240);
    expect(mean).toBeLessThan(252);
    expect(sd).toBeLessThan(Math.sqrt(3) * spread);
    expect(sd).toBeGreaterThan(1.3 * spread);
  });

  test('beyond its limit it is renewed, whatever else', () => {
    const result = drum(229.6, 229.58, 229.6, 229.59);
    expect(result.size?.state).toBe('beyond');
    expect(adviseDrum(result, none)).toBe('renew');
    expect(
      drumOptions(result, none).map(({ work, against }) => [work, against.length > 0]),
    ).toEqual([
      ['keep', true],
      ['cut', true],
      ['renew', false],
    ]);
  });

  test('too thin to cut: out of round near the limit is renewed', () => {
    expect(adviseDrum(drum(229.1, 228.9, 228.8, 228.9), none)).toBe('renew');
  });

  test('findings forbid: cracked is renewed, hard spots are not cut', () => {
    const oval = drum(228.5, 228.3, 228.2, 228.3);
    expect(adviseDrum(oval, none)).toBe('cut');
    expect(adviseDrum(oval, { cut: ['hard spots in the drum'], drum: [] })).toBe('renew');
    expect(adviseDrum(drum(228.1, 228.1, 228.1, 228.1), { cut: [], drum: ['it is cracked'] })).toBe(
      'renew',
    );
  });

  test('without a wear limit nobody says that it may stay or be cut', () => {
    const result = solveDrum({ diameters: [228_100, 228_100, 228_100, 228_100], limits: {} });
    expect(result.size).toBeNull();
    expect(result.cut).toBeNull();
    // It is not thrown away because its limit was not read; a crack condemns it all the same.
    expect(adviseDrum(result, none)).toBeNull();
    expect(adviseDrum(result, { cut: [], drum: ['it is cracked'] })).toBe('renew');
    expect(drumOptions(result, none)[0]?.against).toEqual(['its wear limit is not on file']);
    expect(drumOptions(result, none)[1]?.against).toEqual([
      'how far it may be machined is not on file',
    ]);
  });

  test('without a machining limit it is the wear limit less the reserve on both sides', () => {
    const { cut } = solveDrum({
      diameters: [228_100, 228_100, 228_100, 228_100],
      limits: { discard: 229_500 },
    });
    expect(cut?.verdict.limit).toBe(228_700);
    expect(cut?.verdict.reasons).toContainEqual({ code: 'machine-to-derived', reserve: 800 });
  });

  test('three diameters are none', () => {
    expect(() => solveDrum({ diameters: [1, 2, 3], limits: {} })).toThrow(RangeError);
  });
});
