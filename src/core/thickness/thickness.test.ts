import fc from 'fast-check';
import { machineToOf, solveThickness, temperatureFactor, type ThicknessInput } from '.';

const lap = [
  27_000, 27_004, 27_008, 27_010, 27_009, 27_005, 27_001, 26_997, 26_994, 26_992, 26_994, 26_997,
];
const input = (more: Partial<ThicknessInput> = {}): ThicknessInput => ({
  laps: [lap],
  gauge: { resolution: 1, repeatability: 1.5, mpe: 2 },
  limits: { discard: 26_000, dtv: 12 },
  ...more,
});

test('figures, thin and thick place', () => {
  const { figures, verdicts, machineTo, machineToDerived } = solveThickness(input());
  expect(figures).toMatchObject({ min: 26_992, max: 27_010, dtv: 18, taper: null });
  expect(figures.thin.position).toBe(9);
  expect(figures.thick.position).toBe(3);
  expect([machineTo, machineToDerived]).toEqual([26_400, true]);
  expect(verdicts.dtv.state).toBe('beyond');
  expect(verdicts.taper.state).toBe('not-measured');
});

test('the smallest is of both circles, all else of the outer', () => {
  const inner = lap.map((v) => v - 100);
  const { figures, verdicts } = solveThickness(input({ innerLaps: [inner] }));
  expect(figures.min).toBe(26_892);
  expect(figures.max).toBe(27_010);
  expect(figures.taper).toBeCloseTo(100);
  expect(verdicts.taper.state).toBe('beyond');
});

test('a rotor and a micrometer at one temperature need almost no correction', () => {
  expect(Math.abs(1 - temperatureFactor({ rotor: 35, micrometer: 35 }))).toBeLessThan(2e-5);
  expect(temperatureFactor({ rotor: 70 })).toBeLessThan(1);
  expect(temperatureFactor(undefined)).toBe(1);
});

test('a hot rotor is asked to cool', () => {
  const { verdicts } = solveThickness(input({ temperature: { rotor: 80 } }));
  expect(verdicts.discard.reasons).toContainEqual({ code: 'hot', temperature: 80 });
});

test('the zero error shifts every figure but no difference', () => {
  fc.assert(
    fc.property(fc.double({ min: -20, max: 20, noNaN: true }), (zeroError) => {
      const plain = solveThickness(input()).figures;
      const moved = solveThickness(input({ zeroError })).figures;
      expect(moved.min).toBeCloseTo(plain.min - zeroError, 6);
      expect(moved.dtv).toBeCloseTo(plain.dtv, 6);
    }),
  );
});

test.each([
  [26_992 - 4, 'within'],
  [26_992, 'too-close'],
  [26_992 + 4, 'beyond'],
])('discard at %d is %s', (discard, state) => {
  const { verdicts } = solveThickness(input({ limits: { discard, dtv: 12 } }));
  expect(verdicts.discard.state).toBe(state);
});

test('a machine-to thickness that is given is not derived', () => {
  expect(machineToOf({ machineTo: 26_300, discard: 26_000 })).toMatchObject({
    machineTo: 26_300,
    derived: false,
    reasons: [],
  });
});
