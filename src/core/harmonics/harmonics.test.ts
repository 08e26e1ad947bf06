import fc from 'fast-check';
import { conditionNumber, leastSquares, seededRandom } from '../numeric';
import { evenAngles, inRadians } from '../readings';
import {
  describeOrders,
  designMatrix,
  findOutliers,
  fitEven,
  fitHarmonics,
  fittableOrders,
  foldedOrder,
  phasorsOf,
  waveAt,
  waveTir,
} from '.';

const wave = (angles: readonly number[], orders: [number, number, number][]): number[] =>
  inRadians(angles).map((angle) =>
    orders.reduce(
      (sum, [k, size, high]) => sum + size * Math.cos(k * (angle - (high * Math.PI) / 180)),
      7,
    ),
  );

describe('the fit', () => {
  test('recovers noise-free truth at even and uneven angles', () => {
    const truth: [number, number, number][] = [
      [1, 40, 200],
      [2, 9, 100],
      [3, 4, 50],
    ];
    const uneven = [0, 29, 61, 88, 121, 152, 178, 211, 243, 268, 302, 331];
    for (const angles of [evenAngles(12), uneven]) {
      const fit = fitHarmonics(angles, wave(angles, truth), 1);
      describeOrders(fit).forEach(({ amplitude, highSpotDeg }, i) => {
        expect(amplitude).toBeCloseTo(truth[i]![1], 8);
        expect(highSpotDeg).toBeCloseTo(truth[i]![2], 6);
      });
      expect(fit.mean).toBeCloseTo(7, 8);
    }
  });

  test('the fast path for even angles is its slow twin', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 72 }),
        fc.array(fc.double({ min: -200, max: 200, noNaN: true }), { minLength: 72, maxLength: 72 }),
        (n, pool) => {
          const values = pool.slice(0, n);
          const design = designMatrix(inRadians(evenAngles(n)), [1, 2, 3]);
          const fast = fitEven(design, values);
          const slow = leastSquares(design, values);
          fast.coefficients.forEach((c, i) => expect(c).toBeCloseTo(slow.coefficients[i]!, 6));
          fast.leverages.forEach((h, i) => expect(h).toBeCloseTo(slow.leverages[i]!, 9));
          slow.unscaledCovariance.forEach((row, r) =>
            row.forEach((c, i) => expect(fast.inverse[r]![i]).toBeCloseTo(c, 9)),
          );
        },
      ),
      { numRuns: 40 },
    );
  });

  test('turning all readings turns the answer', () => {
    const values = wave(evenAngles(12), [
      [1, 30, 77],
      [2, 6, 20],
    ]);
    const before = describeOrders(fitHarmonics(evenAngles(12), values, 1));
    const turned = [...values.slice(-3), ...values.slice(0, -3)];
    const after = describeOrders(fitHarmonics(evenAngles(12), turned, 1));
    expect(after[0]!.highSpotDeg).toBeCloseTo(before[0]!.highSpotDeg + 90, 8);
    expect(after[1]!.highSpotDeg).toBeCloseTo((before[1]!.highSpotDeg + 90) % 180, 8);
    expect(after[0]!.amplitude).toBeCloseTo(before[0]!.amplitude, 8);
  });

  test('its uncertainty is what repeated noise shows, and close to the best possible', () => {
    const random = seededRandom(5);
    const angles = evenAngles(12);
    const sigma = 2;
    const found = Array.from({ length: 4000 }, () => {
      const noisy = wave(angles, [[1, 50, 10]]).map((v) => v + sigma * random.normal());
      return describeOrders(fitHarmonics(angles, noisy, sigma))[0]!.amplitude;
    });
    const mean = found.reduce((s, a) => s + a, 0) / found.length;
    const spread = Math.sqrt(found.reduce((s, a) => s + (a - mean) ** 2, 0) / found.length);
    expect(spread / (sigma * Math.sqrt(2 / 12))).toBeLessThan(1.05);
    expect(spread / (sigma * Math.sqrt(2 / 12))).toBeGreaterThan(0.95);
  });

  test('orders follow the number of positions and of studs', () => {
    expect(fittableOrders(evenAngles(4))).toEqual([1]);
    expect(fittableOrders(evenAngles(6))).toEqual([1, 2]);
    expect(fittableOrders(evenAngles(12), 5)).toEqual([1, 2, 3, 5]);
    expect(fittableOrders(evenAngles(10), 5)).toEqual([1, 2, 3]);
    expect(fittableOrders(evenAngles(12), 3)).toEqual([1, 2, 3]);
    expect(fittableOrders([0, 1, 2, 3, 4, 5, 6, 7])).toEqual([]);
  });

  test('very uneven angles drop orders until the rest can be told', () => {
    const lumped = [0, 5, 10, 120, 125, 130, 240, 245, 250];
    const orders = fittableOrders(lumped);
    expect(orders.length).toBeGreaterThan(0);
    expect(orders.length).toBeLessThan(3);
    expect(conditionNumber(designMatrix(inRadians(lumped), orders))).toBeLessThanOrEqual(10);
    expect(conditionNumber(designMatrix(inRadians(lumped), [1, 2, 3]))).toBeGreaterThan(10);
  });

  test('an order that too few positions cannot see folds where the handbook says', () => {
    expect(foldedOrder(8, 5)).toBe(3);
    expect(foldedOrder(4, 5)).toBe(1);
    expect(foldedOrder(6, 5)).toBe(1);
    expect(foldedOrder(11, 5)).toBeNull();
  });

  test('noise alone is called clear in about 5 %', () => {
    const random = seededRandom(9);
    const angles = evenAngles(24);
    const clear = Array.from({ length: 2000 }, () =>
      describeOrders(
        fitHarmonics(
          angles,
          angles.map(() => random.normal()),
          1,
        ),
      ),
    ).filter(([first]) => first!.clear).length;
    expect(clear / 2000).toBeGreaterThan(0.02);
    expect(clear / 2000).toBeLessThan(0.075);
  });
});

describe('the wave', () => {
  test('TIR of a pure first order is twice its amplitude', () => {
    expect(waveTir([{ order: 1, z: { re: 30, im: 0 } }])).toBeCloseTo(60, 9);
  });
  test('the grid is the wave', () => {
    const fit = fitHarmonics(evenAngles(12), wave(evenAngles(12), [[1, 30, 45]]), 1);
    expect(waveAt(phasorsOf(fit), Math.PI / 4)).toBeCloseTo(30, 8);
  });
});

describe('outliers', () => {
  const gauge = { resolution: 1, repeatability: 1 };
  const angles = evenAngles(12);
  const clean = wave(angles, [[1, 40, 30]]);

  test('a slipped decimal point is found where it is', () => {
    const slipped = clean.map((value, j) => (j === 4 ? value * 10 : value));
    expect(findOutliers(angles, slipped, 1, gauge).map(({ position }) => position)).toEqual([4]);
  });
  test('two of them are found one after the other', () => {
    const many = evenAngles(24);
    const two = wave(many, [[1, 40, 30]]).map((v, j) => v + (j === 4 ? 90 : j === 15 ? -30 : 0));
    const found = findOutliers(many, two, 1, gauge).map(({ position }) => position);
    expect(found).toEqual([4, 15]);
  });
  test('clean readings have none', () => {
    expect(findOutliers(angles, clean, 1, gauge)).toEqual([]);
  });
});

describe('drift as a column of the fit', () => {
  const angles = evenAngles(12);
  const shape = wave(angles, [
    [1, 20, 50],
    [2, 3, 10],
  ]);
  const drifting = (perLap: number) => ({
    values: shape.map((value, j) => value + (perLap * angles[j]!) / 360),
    closing: { mean: shape[0]! + perLap, laps: 1, expected: 3 },
  });

  test('is estimated, drawn a little towards none, and leaves the wave nearly as it was', () => {
    const { values, closing } = drifting(4);
    const fit = fitHarmonics(angles, values, 1, { studs: 5, closing });
    expect(fit.drift!.perLap).toBeGreaterThan(2.9);
    expect(fit.drift!.perLap).toBeLessThan(4);
    const plain = fitHarmonics(angles, values, 1, { studs: 5 });
    const [truth] = fitHarmonics(angles, shape, 1, { studs: 5 }).orders;
    const miss = ({ orders }: typeof fit): number =>
      Math.hypot(orders[0]!.a - truth!.a, orders[0]!.b - truth!.b);
    expect(miss(fit)).toBeLessThan(miss(plain) / 2);
  });

  test('costs certainty, one degree of freedom for two rows, and even places agree with QR', () => {
    const { values, closing } = drifting(0);
    const fit = fitHarmonics(angles, values, 1, { closing });
    const plain = fitHarmonics(angles, values, 1);
    expect(fit.degreesOfFreedom).toBe(plain.degreesOfFreedom + 1);
    expect(fit.orders[0]!.covariance.bb).toBeGreaterThan(plain.orders[0]!.covariance.bb);
    expect(plain.drift).toBeNull();
    // A thousandth of a degree off even goes through QR.
    const uneven = angles.map((angle, j) => (j === 5 ? angle + 1e-6 : angle));
    const slow = fitHarmonics(uneven, values, 1, { closing });
    slow.orders.forEach(({ a, b, covariance }, i) => {
      expect(fit.orders[i]!.a).toBeCloseTo(a, 5);
      expect(fit.orders[i]!.b).toBeCloseTo(b, 5);
      expect(fit.orders[i]!.covariance.ab).toBeCloseTo(covariance.ab, 6);
    });
    expect(fit.drift!.uncertainty).toBeCloseTo(slow.drift!.uncertainty, 6);
  });
});
