import fc from 'fast-check';
import { passPlan, solveMachining, type MachiningInput } from '.';

const base: MachiningInput = {
  outboard: [0, 20, 34, 40, 34, 20, 0, -20, -34, -40, -34, -20],
  thickness: new Array(12).fill(27_000),
  lathe: { kind: 'on-vehicle' },
  gauge: { resolution: 1, repeatability: 1.5, mpe: 2 },
  limits: { machineTo: 26_500, discard: 26_000 },
};

test('a plain wobble costs its TIR and the clean-up on each side', () => {
  const cut = solveMachining(base);
  expect(cut.depthOutboard).toBeCloseTo(110);
  expect(cut.depthInboard).toBeCloseTo(110);
  expect(cut.finishedThickness).toBeCloseTo(27_000 - 80 - 60);
  expect(cut.budget).toBe(500);
  expect(cut.budgetPerSide).toBe(250);
  expect(cut.remainingRunout).toBe(20);
});

test('on the bench a hub that makes all the runout costs only the arbor error', () => {
  const hub = { kind: 'phasor', amplitude: 40, highSpotDeg: 90 } as const;
  const outboard = base.outboard.map((_, j) => 40 * Math.cos((j * Math.PI) / 6 - Math.PI / 2));
  const cut = solveMachining({ ...base, outboard, lathe: { kind: 'bench', arborError: 0, hub } });
  expect(cut.finishedThickness).toBeCloseTo(27_000 - 60, 6);
  expect(cut.remainingRunout).toBe(80);
});

test('an unknown hub gives a range whose low end decides', () => {
  const cut = solveMachining({ ...base, lathe: { kind: 'bench' } });
  const [low, high] = cut.finishedThicknessRange;
  expect(low).toBeLessThan(high);
  expect(cut.finishedThickness).toBe(low);
  expect(cut.remainingRunout).toBeNull();
  expect(cut.verdict.reasons).toContainEqual({ code: 'hub-unknown' });
});

test('below discard is beyond, and says so', () => {
  const cut = solveMachining({ ...base, limits: { discard: 27_001 } });
  expect(cut.verdict.state).toBe('beyond');
  expect(cut.verdict.reasons[0]).toMatchObject({ code: 'below-discard' });
});

test('a cut is within only above machine-to with its guard band', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 26_000, max: 27_200 }),
      fc.array(fc.integer({ min: -60, max: 60 }), { minLength: 12, maxLength: 12 }),
      fc.integer({ min: 0, max: 200 }),
      (machineTo, outboard, score) => {
        const cut = solveMachining({
          ...base,
          outboard,
          scoreOutboard: score,
          limits: { machineTo, discard: 25_900 },
        });
        const margin = cut.finishedThickness - machineTo;
        expect(cut.verdict.margin).toBeCloseTo(margin, 6);
        if (cut.verdict.state === 'within') {
          expect(margin).toBeGreaterThanOrEqual(cut.verdict.guardBand!);
        }
        expect(cut.equalCutsAlternative.finishedThickness).toBeLessThanOrEqual(
          cut.finishedThickness + 1e-6,
        );
        const total = cut.passes.outboard.reduce((sum, pass) => sum + pass, 0);
        expect(total).toBeCloseTo(cut.depthOutboard, 6);
      },
    ),
  );
});

test('turning the rotor on the lathe changes no depth', () => {
  const turned = [...base.outboard.slice(-5), ...base.outboard.slice(0, -5)];
  const lathe = { kind: 'bench' } as const;
  const a = solveMachining({ ...base, lathe });
  const b = solveMachining({ ...base, lathe, outboard: turned });
  expect(b.finishedThickness).toBeCloseTo(a.finishedThickness, 6);
});

test.each([
  [40, [40]],
  [50, [50]],
  [200, [150, 50]],
  [250, [100, 100, 50]],
  [201, [75.5, 75.5, 50]],
])('a side of %d is cut in %j', (depth, passes) => {
  expect(passPlan(depth, 150, 50)).toEqual(passes);
});
