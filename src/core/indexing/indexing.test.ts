import fc from 'fast-check';
import { readDial, trueRunout, type VirtualCorner } from '../bench';
import { waveTir } from '../harmonics';
import { seededRandom } from '../numeric';
import {
  drawBands,
  drawReplaced,
  nextMountShift,
  shortestTurn,
  solveIndex,
  type IndexInput,
} from '.';

const fine = { resolution: 0.001, repeatability: 0.0005 };
const gauge = { resolution: 1, repeatability: 1 };
const all = (studs: number): number[] => Array.from({ length: studs }, (_, m) => m);

const truth = (studs: number, hub: [number, number], rotor: [number, number]): VirtualCorner => ({
  studs,
  hub: [{ order: 1, amplitude: hub[0], highSpotDeg: hub[1] }],
  rotor: [
    { order: 1, amplitude: rotor[0], highSpotDeg: rotor[1] },
    { order: 2, amplitude: 4, highSpotDeg: 33 },
  ],
  meanThickness: 27_000,
  thickness: [],
});

function input(
  corner: VirtualCorner,
  shifts: readonly number[],
  more: Partial<IndexInput> = {},
): IndexInput {
  const random = seededRandom(3);
  const used = more.gauge ?? fine;
  return {
    studs: corner.studs,
    mounts: shifts.map((shift) => ({
      shift,
      ...readDial(corner, { shift, positions: 12, laps: 1, gauge: used }, random),
    })),
    gauge: used,
    limit: 50,
    ...more,
  };
}

test('noise-free truth is recovered', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 3, max: 10 }),
      fc.double({ min: 5, max: 60, noNaN: true }),
      fc.double({ min: 0, max: 359, noNaN: true }),
      fc.double({ min: 5, max: 60, noNaN: true }),
      fc.double({ min: 0, max: 359, noNaN: true }),
      (studs, hub, hubAt, rotor, rotorAt) => {
        const corner = truth(studs, [hub, hubAt], [rotor, rotorAt]);
        const second = nextMountShift(studs, 0, [0], all(studs))!;
        const { separation } = solveIndex(input(corner, [0, second]));
        expect(separation[0]!.hub.amplitude).toBeCloseTo(hub, 1);
        expect(separation[0]!.rotor.amplitude).toBeCloseTo(rotor, 1);
        const apart = Math.abs(separation[0]!.hub.highSpotDeg - hubAt) % 360;
        expect(Math.min(apart, 360 - apart)).toBeLessThan(0.1);
      },
    ),
    { numRuns: 30 },
  );
});

test.each([
  [3, 1],
  [4, 1],
  [5, 2],
  [6, 2],
  [7, 2],
  [8, 3],
  [10, 3],
])('with %d studs the second mounting is %d on', (studs, expected) => {
  expect(nextMountShift(studs, 0, [0], all(studs))).toBe(expected);
});

test('the next mounting keeps to what the rotor allows', () => {
  expect(nextMountShift(4, 0, [0], [0, 2])).toBe(2);
  expect(nextMountShift(5, 0, [0], [0])).toBeNull();
  expect(nextMountShift(5, 1, [1], all(5))).toBe(3);
});

test('the shorter way round', () => {
  expect(shortestTurn(0, 4, 5)).toEqual({ studs: 1, sense: -1 });
  expect(shortestTurn(4, 0, 5)).toEqual({ studs: 1, sense: 1 });
  expect(shortestTurn(1, 3, 4)).toEqual({ studs: 2, sense: 1 });
});

test('one mounting tells nothing apart and asks for the next', () => {
  const result = solveIndex(input(truth(5, [20, 0], [20, 90]), [3]));
  expect(result.separation.every(({ separable }) => !separable)).toBe(true);
  expect(result.best.shift).toBe(3);
  expect(result.nextMount).toBe(0);
});

test('the best shift is an allowed one, its band holds it, and the seed fixes it', () => {
  const corner = truth(5, [28, 40], [30, 292]);
  const free = solveIndex(input(corner, [0, 2], { gauge, seed: 7 }));
  expect(free.best.shift).toBe(4);
  expect(free.verdict.state).toBe('within');
  const bound = solveIndex(input(corner, [0, 2], { gauge, seed: 7, allowedShifts: [0, 2] }));
  expect([0, 2]).toContain(bound.best.shift);
  expect(bound.predictions.map(({ shift }) => shift)).toEqual([0, 2]);
  for (const { low, tir, high } of free.predictions) {
    expect(low).toBeLessThanOrEqual(tir);
    expect(tir).toBeLessThanOrEqual(high);
  }
  expect(solveIndex(input(corner, [0, 2], { gauge, seed: 7 }))).toEqual(free);
});

test('hub readings stand in for a second mounting', () => {
  const corner = truth(5, [40, 120], [10, 30]);
  const face = readDial(
    { ...corner, hub: [{ order: 1, amplitude: 20, highSpotDeg: 120 }], rotor: [] },
    { shift: 0, positions: 8, laps: 1, gauge: fine },
    seededRandom(1),
  );
  const hub = { laps: face.laps, radius: 70_000, rotorRadius: 140_000 };
  const result = solveIndex(input(corner, [0], { hub }));
  expect(result.separation[0]).toMatchObject({ separable: true });
  expect(result.separation[0]!.hub.amplitude).toBeCloseTo(40, 1);
  expect(result.separation[0]!.rotor.amplitude).toBeCloseTo(10, 1);
  expect(result.nextMount).toBeNull();
});

test('three mountings that agree are consistent; one on dirt is not', () => {
  const corner = truth(5, [28, 40], [30, 292]);
  const good = input(corner, [0, 2, 4], { gauge });
  expect(solveIndex(good).consistent).toBe(true);
  const dirty = good.mounts.map((mount, i) =>
    i === 2
      ? {
          ...mount,
          closing: undefined,
          laps: mount.laps.map((lap) => lap.map((v, j) => v + 25 * Math.cos((j * Math.PI) / 6))),
        }
      : mount,
  );
  const result = solveIndex({ ...good, mounts: dirty });
  expect(result.consistent).toBe(false);
  expect(result.verdict.reasons.map(({ code }) => code)).toContain('inconsistent');
});

test('the 95 % band covers the truth about as often as it says', () => {
  const random = seededRandom(17);
  let covered = 0;
  const runs = 100;
  for (let i = 0; i < runs; i += 1) {
    const corner = truth(5, [25, 360 * random.uniform()], [25, 360 * random.uniform()]);
    const mounts = [0, 2].map((shift) => ({
      shift,
      laps: readDial(corner, { shift, positions: 12, laps: 1, gauge }, random).laps,
    }));
    const { predictions } = solveIndex({ studs: 5, mounts, gauge, limit: 50, seed: i });
    const exact = waveTir(trueRunout(corner, 3));
    const { low, high } = predictions[3]!;
    if (exact >= low && exact <= high) covered += 1;
  }
  // Binomial: 95 % of 100, less three standard deviations.
  expect(covered / runs).toBeGreaterThan(0.88);
});

test('the coarse drawing grid reads the TIR that the 0.5° grid reads', () => {
  const corner = truth(5, [28, 40], [30, 292]);
  const { orders, predictions } = solveIndex(input(corner, [0, 2]));
  const sure = orders.map((order) => ({
    ...order,
    factor: { hub: 0, cross: { re: 0, im: 0 }, rotor: 0 },
    alternatives: null,
  }));
  const bands = drawBands(sure, 5, [0, 1, 2, 3, 4], 50, 1, 10);
  bands.forEach(({ low, high }, i) => {
    expect(Math.abs(low - predictions[i]!.tir)).toBeLessThan(0.2);
    expect(high).toBeCloseTo(low, 9);
  });
});

test('of a rotor that is replaced and then indexed, the least TIR of all shifts is found, to the last digit', () => {
  const { orders } = solveIndex(input(truth(5, [28, 40], [30, 292]), [0, 2]));
  for (let seed = 1; seed <= 300; seed += 1) {
    const at = (shifts: readonly number[]): number =>
      drawReplaced(orders, 5, shifts, { rotor: 30 }, seed, 1)[0]!;
    expect(at(all(5))).toBe(Math.min(...all(5).map((shift) => at([shift]))));
  }
});
