import fc from 'fast-check';
import { readSweep, thinnedAt, type Sweep, type SweptLap } from '.';

const STUDS = 5;

/** A turn at even speed, so many readings a second, of a face. */
function turn(
  face: (angle: number) => number,
  { rate = 20, seconds = 15, marks = STUDS + 1, pace = (share: number) => share } = {},
): Sweep {
  const times = Array.from({ length: rate * seconds }, (_, i) => (1000 * (i + 0.5)) / rate);
  return {
    times,
    values: times.map((time) => face(360 * pace(time / (1000 * seconds)))),
    marks: Array.from({ length: marks }, (_, i) => (1000 * seconds * i) / (marks - 1)),
  };
}
const lapOf = (sweep: Sweep, wanted?: number): SweptLap => {
  const read = readSweep(sweep, STUDS, wanted);
  if (!read.ok) throw new Error(read.message);
  return read.lap;
};
const why = (sweep: Sweep, studs = STUDS, wanted?: number): string => {
  const read = readSweep(sweep, studs, wanted);
  return read.ok ? '' : read.message;
};
const wobble = (angle: number): number => 25 * Math.cos((angle * Math.PI) / 180 - 1);

describe('a sweep becomes a lap of even places', () => {
  test('as many as have a reading each, in the order of the turn', () => {
    const lap = lapOf(turn(wobble));
    expect([lap.positions, lap.readings]).toEqual([240, 300]);
    lap.values.forEach((value, j) => expect(value).toBeCloseTo(wobble(1.5 * j), 1));
    expect(lap.closing).toBeCloseTo(wobble(0), 1);
  });

  test('fewer readings are fewer places, too few are refused', () => {
    expect(lapOf(turn(wobble, { rate: 10 })).positions).toBe(120);
    expect(lapOf(turn(wobble, { rate: 5 })).positions).toBe(60);
    expect(why(turn(wobble, { rate: 3 }))).toMatch(/45 readings came in.*more slowly/i);
    expect(why(turn(wobble, { rate: 10 }), STUDS, 240)).toMatch(/240 places/);
  });

  test('a short gap is bridged and told, a long one is refused with where it is', () => {
    const whole = turn(wobble);
    const without = (from: number, to: number): Sweep => {
      const kept = whole.times.map(
        (time) => time < (from / 360) * 15_000 || time > (to / 360) * 15_000,
      );
      return {
        ...whole,
        times: whole.times.filter((_, i) => kept[i]),
        values: whole.values.filter((_, i) => kept[i]),
      };
    };
    const lap = lapOf(without(100, 109));
    expect(lap.positions).toBe(240);
    expect(lap.gaps).toHaveLength(1);
    expect(lap.gaps[0]!.from).toBeCloseTo(100, -1);
    lap.values.forEach((value, j) => expect(value).toBeCloseTo(wobble(1.5 * j), 0));
    expect(why(without(100, 120))).toMatch(/From (99|100)° to 12[01]° of the turn no reading came/);
  });

  test('what the base crept stands in the closing reading', () => {
    const lap = lapOf(turn((angle) => wobble(angle) + (6 * angle) / 360));
    expect(lap.closing - lap.values[0]!).toBeCloseTo(6, 1);
  });

  test('studs that are marked as they pass put an uneven turn right', () => {
    const pace = (share: number): number => (share < 0.5 ? 0.8 * share : 0.4 + 1.2 * (share - 0.5));
    const sweep = turn(wobble, { pace, rate: 40 });
    const passed = (angle: number): number =>
      15_000 * (angle < 144 ? angle / 360 / 0.8 : 0.5 + (angle / 360 - 0.4) / 1.2);
    const marked = { ...sweep, marks: [0, 72, 144, 216, 288, 360].map(passed) };
    const off = ({ values, positions }: SweptLap): number =>
      Math.max(...values.map((value, j) => Math.abs(value - wobble((360 * j) / positions))));
    expect(off(lapOf(marked))).toBeLessThan(0.5);
    expect(off(lapOf({ ...sweep, marks: [0, 15_000] }))).toBeGreaterThan(5);
    const { slowest, isMarked } = lapOf(marked).pace;
    expect(isMarked).toBe(true);
    expect(slowest?.ratio).toBeCloseTo(1.5, 1);
  });

  test.each([
    [{ marks: 4 }, /2 of 4 studs were marked/],
    [{ seconds: 2, rate: 100 }, /turn slowly/],
    [{ seconds: 200, rate: 2 }, /in one go/],
  ])('%j is refused in words', (options, message) => {
    expect(why(turn(wobble, options))).toMatch(message);
  });

  test('what came before the mark and after it does not count', () => {
    const whole = turn(wobble, { rate: 30 });
    const cut = { ...whole, marks: [3000, 6000, 9000, 12_000] };
    expect(readSweep(cut, 3).ok && lapOf({ ...cut, marks: [3000, 12_000] }).readings).toBe(270);
  });
});

describe('a sweep at other places', () => {
  const curve = Array.from({ length: 240 }, (_, j) => wobble(1.5 * j));

  test('is what the face is there', () => {
    const angles = [0, 45, 90, 352.5];
    thinnedAt(curve, angles, 6).forEach((value, i) =>
      expect(value).toBeCloseTo(wobble(angles[i]!), 1),
    );
  });

  test('every place counts alike: thinned over the whole turn the mean stays', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -500, max: 500 }), { minLength: 240, maxLength: 240 }),
        fc.constantFrom(8, 12, 24, 60),
        (values, n) => {
          const angles = Array.from({ length: n }, (_, j) => (360 * j) / n);
          const thin = thinnedAt(values, angles, 360 / n);
          const mean = (list: readonly number[]): number =>
            list.reduce((sum, value) => sum + value, 0) / list.length;
          expect(mean(thin)).toBeCloseTo(mean(values), 6);
        },
      ),
    );
  });
});
