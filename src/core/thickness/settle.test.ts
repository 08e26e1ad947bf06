import { seededRandom } from '../numeric';
import { evenAngles, isOnRaster } from '../readings';
import { toRadians } from '../units';
import { solveThickness, type ThicknessInput } from '.';
import { settle, settleFrom } from './settle';

const VARIANCE = 1.5 ** 2 + 1 / 12;
const wave =
  (amplitude: number, at = 40) =>
  (angle: number) =>
    27_000 + amplitude * Math.cos(toRadians(angle - at));

/** Reads as it is told to until it is settled, or no further place is named. */
function readOut(truth: (angle: number) => number, limit: number, seed: number) {
  const random = seededRandom(seed);
  const read = (angle: number): number => Math.round(truth(angle) + 1.5 * random.normal());
  return settleFrom(read, VARIANCE, limit);
}

test('a rotor far beyond is settled by its first eight places', () => {
  const { state, settling } = readOut(wave(15), 12, 1);
  expect(state).toBe('beyond');
  expect(settling).toMatchObject({ readings: 8, next: null });
});

test('a rotor that is true takes twelve readings to be within', () => {
  const { state, settling } = readOut(wave(0.5), 12, 2);
  expect(state).toBe('within');
  expect(settling.readings).toBe(12);
});

test('near the limit it goes on to sixteen and no further, on the raster', () => {
  const { state, settling } = readOut(wave(6), 12, 4);
  expect(state).toBe('too-close');
  expect(settling).toMatchObject({ readings: 16, next: null });
  const first = evenAngles(8).map((angleDeg) => ({ angleDeg, mean: wave(6)(angleDeg), count: 1 }));
  const { next } = settle(first, VARIANCE, 12).settling;
  expect(next!.every(isOnRaster)).toBe(true);
  expect(Math.abs(next![0] - 40)).toBeLessThanOrEqual(7.5);
  expect(Math.abs(next![1] - 220)).toBeLessThanOrEqual(7.5);
});

test('of the places near an extreme the one read least comes first', () => {
  const places = evenAngles(8).map((angleDeg) => ({
    angleDeg,
    mean: wave(6, 0)(angleDeg),
    count: 1,
  }));
  // The very top is at 0°, read once: its neighbours were not, and the later in theta is taken.
  expect(settle(places, VARIANCE, 12).settling.next).toEqual([7.5, 187.5]);
});

test('what the places keep of their own counts as roughness', () => {
  const rough = (angle: number): number => wave(2)(angle) + (angle % 90 === 0 ? 6 : -6);
  const places = evenAngles(24).map((angleDeg) => ({ angleDeg, mean: rough(angleDeg), count: 1 }));
  expect(settle(places, VARIANCE, 12).settling.roughness).toBeGreaterThan(4);
});

describe('in a thickness set', () => {
  const lap = evenAngles(8).map((angle) => Math.round(wave(4)(angle)));
  const input = (more: Partial<ThicknessInput> = {}): ThicknessInput => ({
    laps: [lap],
    gauge: { resolution: 1, repeatability: 1.5, mpe: 2 },
    limits: { discard: 26_000, dtv: 12 },
    ...more,
  });

  test('is judged as it always was unless it is read so', () => {
    expect(solveThickness(input()).figures.settling).toBeNull();
    const { verdicts } = solveThickness(input({ settle: true }));
    expect(verdicts.dtv.reasons.map(({ code }) => code)).toContain('read-next');
  });

  test('an extra place counts in extremes and variation, not in mean or orders', () => {
    const plain = solveThickness(input()).figures;
    const { figures } = solveThickness(input({ extra: [{ angle: 37.5, value: 27_020 }] }));
    expect(figures.thick).toEqual({ position: null, angleDeg: 37.5, value: 27_020 });
    expect(figures.max).toBe(27_020);
    expect(figures.dtv).toBe(27_020 - plain.min);
    expect([figures.mean, figures.orders]).toEqual([plain.mean, plain.orders]);
    expect(figures.settling?.readings).toBe(9);
  });

  test('an extra reading of a place of the lap joins its mean', () => {
    const first = lap[0]!;
    const { figures } = solveThickness(input({ extra: [{ angle: 0, value: first + 40 }] }));
    expect(figures.thick).toEqual({ position: 0, angleDeg: 0, value: first + 20 });
  });
});
