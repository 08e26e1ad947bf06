import {
  areEven,
  averageLaps,
  axleOf,
  checkClosure,
  evenAngles,
  facingSense,
  implausible,
  LENGTH_KINDS,
  pooledRepeatability,
  readingUncertainty,
  readTyped,
  removeDrift,
} from '.';

test('drift is taken out lap by lap, in proportion to the angle', () => {
  const angles = evenAngles(4);
  const laps = [
    [0, 1, 2, 3],
    [10, 10, 10, 10],
  ];
  const closure = checkClosure(laps, [4, 10], 1, 50);
  expect(closure).toEqual({ errors: [4, 0], allowed: 5, ok: true });
  expect(removeDrift(laps, closure, angles)).toEqual([[0, 0, 0, 0], laps[1]]);
});

test('a lap that did not close is left as it is', () => {
  const laps = [[0, 1, 2, 3]];
  const closure = checkClosure(laps, [5.1], 1, 50);
  expect(closure.ok).toBe(false);
  expect(removeDrift(laps, closure, evenAngles(4))).toEqual(laps);
});

test('a coarse gauge may close within its resolution', () => {
  expect(checkClosure([[0, 0, 0, 0]], [9], 10, 50).ok).toBe(true);
});

test('repeatability pools the laps and needs two', () => {
  expect(pooledRepeatability([[1, 2, 3, 4]])).toBeNull();
  expect(
    pooledRepeatability([
      [0, 0, 0, 0],
      [2, 2, 2, 2],
    ]),
  ).toBeCloseTo(Math.SQRT2);
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
