import {
  areEven,
  averageLaps,
  axleOf,
  checkClosure,
  evenAngles,
  facingSense,
  implausible,
  LENGTH_KINDS,
  playVariance,
  pooledRepeatability,
  readingUncertainty,
  readTyped,
} from '.';

test('a lap closes up to a tenth of the limit', () => {
  const laps = [
    [0, 1, 2, 3],
    [10, 10, 10, 10],
  ];
  expect(checkClosure(laps, [4, 10], 1, 50)).toEqual({ errors: [4, 0], allowed: 5, ok: true });
  expect(checkClosure(laps, [5.1, 10], 1, 50).ok).toBe(false);
});

test('a coarse gauge may close within its resolution', () => {
  expect(checkClosure([[0, 0, 0, 0]], [9], 10, 50).ok).toBe(true);
});

describe('repeatability', () => {
  const angles = evenAngles(4);

  test('needs two laps, and pools what they do not share', () => {
    expect(pooledRepeatability([[1, 2, 3, 4]], angles)).toBeNull();
    // d is ±(1, -1, -1, 1): no offset, no drift; 8 squares over (2 - 1)(4 - 2).
    const laps = [
      [1, -1, -1, 1],
      [-1, 1, 1, -1],
    ];
    expect(pooledRepeatability(laps, angles)).toBeCloseTo(2);
  });

  test('leaves out each lap’s offset and drift, and the shape that they share', () => {
    const shape = [5, -20, 3, 11];
    const laps = [0, 7, -3].map((offset, l) =>
      shape.map((value, j) => value + offset + (l * 4 * angles[j]!) / 360),
    );
    expect(pooledRepeatability(laps, angles)).toBeCloseTo(0, 6);
  });
});

test('push and pull counts where the gauge does not explain it, unless the wheel was pressed', () => {
  const gauge = { resolution: 1, repeatability: 1 };
  expect(playVariance(gauge, 4, false)).toBe(0);
  expect(playVariance(gauge, 12, false)).toBeCloseTo(12);
  expect(playVariance(gauge, 12, true)).toBe(0);
  expect(playVariance({ resolution: 10, repeatability: 3 }, 14, false)).toBe(0);
  expect(playVariance(gauge, undefined, false)).toBe(0);
});

test('laps are averaged place by place', () => {
  expect(
    averageLaps([
      [0, 4],
      [2, 6],
    ]),
  ).toEqual([1, 5]);
});

test('uncertainty takes the larger spread and the rounding', () => {
  const gauge = { resolution: 12, repeatability: 3 };
  expect(readingUncertainty(gauge, 1, null)).toBeCloseTo(Math.sqrt(9 + 12));
  expect(readingUncertainty(gauge, 4, 6)).toBeCloseTo(Math.sqrt(9 + 12));
});

test('even angles are known as such, from any start', () => {
  expect(areEven(evenAngles(7))).toBe(true);
  expect(areEven(evenAngles(8).map((angle) => angle + 11))).toBe(true);
  expect(areEven([0, 90, 180, 271])).toBe(false);
});

test('theta grows clockwise on a left wheel, counter-clockwise on a right one', () => {
  expect(['FL', 'RL'].map((corner) => facingSense(corner as 'FL'))).toEqual([1, 1]);
  expect(['FR', 'RR'].map((corner) => facingSense(corner as 'FR'))).toEqual([-1, -1]);
  expect(axleOf('RL')).toBe('rear');
});

test('a slip of unit is named with the unit that would fit', () => {
  const read = readTyped('28', 'in', LENGTH_KINDS.thickness);
  expect(read.ok || read.message).toMatch(/28 in cannot be a rotor thickness.*Is the unit mm\?/);
  expect(implausible('28 mm', 28_000, 'mm', LENGTH_KINDS.thickness)).toBeNull();
  expect(readTyped('0.02 mm', 'in', LENGTH_KINDS.deviation).ok).toBe(true);
});
