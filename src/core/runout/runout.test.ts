import fc from 'fast-check';
import { solveRunout, type RunoutInput } from '.';

const input = (laps: number[][], more: Partial<RunoutInput> = {}): RunoutInput => ({
  face: 'outboard',
  laps,
  gauge: { resolution: 1, repeatability: 1 },
  limit: 50,
  ...more,
});
const lapArbitrary = fc.array(fc.integer({ min: -80, max: 80 }), { minLength: 12, maxLength: 12 });

test('rotating all readings rotates the answer', () => {
  fc.assert(
    fc.property(lapArbitrary, fc.integer({ min: 1, max: 11 }), (lap, by) => {
      const turned = [...lap.slice(-by), ...lap.slice(0, -by)];
      const a = solveRunout(input([lap]));
      const b = solveRunout(input([turned]));
      expect(b.tirAsRead).toBeCloseTo(a.tirAsRead, 9);
      expect(b.tirFitted).toBeCloseTo(a.tirFitted, 6);
      expect(b.verdict.state).toBe(a.verdict.state);
      a.orders.forEach((order, i) => {
        expect(b.orders[i]!.amplitude).toBeCloseTo(order.amplitude, 8);
        if (order.amplitude < 1e-6) return;
        const period = 360 / order.order;
        const apart = Math.abs(b.orders[i]!.highSpotDeg - order.highSpotDeg - by * 30) % period;
        expect(Math.min(apart, period - apart)).toBeLessThan(1e-5);
      });
    }),
  );
});

test('an inboard dial reads the other way round', () => {
  const lap = [0, 12, 30, 41, 33, 12, -4, -20, -31, -28, -15, -3];
  const outboard = solveRunout(input([lap]));
  const inboard = solveRunout(input([lap.map((v) => -v)], { face: 'inboard' }));
  expect(inboard.high).toEqual(outboard.high);
  expect(inboard.orders).toEqual(outboard.orders);
});

test('a constant added to all readings changes nothing but the places', () => {
  fc.assert(
    fc.property(lapArbitrary, fc.integer({ min: -500, max: 500 }), (lap, by) => {
      const a = solveRunout(input([lap]));
      const b = solveRunout(input([lap.map((v) => v + by)]));
      expect(b.verdict.value).toBeCloseTo(a.verdict.value!, 6);
    }),
  );
});

test('a lap that did not close and a loose bearing each make it not valid', () => {
  const lap = [0, 5, 9, 10, 9, 5, 0, -5, -9, -10, -9, -5];
  const open = solveRunout(input([lap], { closing: [20] }));
  expect(open.verdict).toMatchObject({ state: 'not-valid', value: expect.any(Number) });
  const loose = solveRunout(input([lap], { endPlay: { value: 60, limit: 30 } }));
  expect(loose.verdict.state).toBe('not-valid');
  expect(loose.verdict.reasons[0]).toMatchObject({ code: 'end-play' });
});

test('what is doubtful is said', () => {
  const few = solveRunout(input([[0, 10, 0, -10, 0, 4]], { studs: 5 }));
  expect(few.verdict.reasons.map(({ code }) => code)).toEqual(
    expect.arrayContaining(['few-positions', 'folded-order']),
  );
  const lap = [0, 5, 9, 10, 9, 5, 0, -5, -9, -10, -9, -5];
  const shaky = solveRunout(input([lap, lap.map((v, j) => v + (j % 2 ? 14 : -14))]));
  expect(shaky.verdict.reasons.map(({ code }) => code)).toContain('repeatability');
});
