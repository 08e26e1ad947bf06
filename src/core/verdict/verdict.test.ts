import {
  describeReason,
  judge,
  lapsToSettle,
  notMeasured,
  sayMicrometres,
  sayReason,
  type Judgement,
} from '.';

const base: Judgement = {
  value: 40,
  limit: 50,
  side: 'upper',
  variance: { perLap: 4, constant: 1 },
  laps: 1,
};
const U = 1.645 * Math.sqrt(5);

describe('each edge of a verdict', () => {
  test.each([
    [50 - U - 1e-9, 'within'],
    [50 - U + 1e-9, 'too-close'],
    [50, 'too-close'],
    [50 + U, 'too-close'],
    [50 + U + 1e-9, 'beyond'],
  ])('upper limit, value %d', (value, state) => {
    expect(judge({ ...base, value }).state).toBe(state);
  });
  test.each([
    [50 + U + 1e-9, 'within'],
    [50 + U - 1e-9, 'too-close'],
    [50 - U, 'too-close'],
    [50 - U - 1e-9, 'beyond'],
  ])('lower limit, value %d', (value, state) => {
    expect(judge({ ...base, side: 'lower', value }).state).toBe(state);
  });
  test('not valid overrides, the figures stay', () => {
    const verdict = judge({ ...base, value: 90, invalid: true });
    expect(verdict).toMatchObject({ state: 'not-valid', value: 90, margin: -40 });
  });
  test('not measured has no figures', () => {
    expect(notMeasured(12, 'Thickness')).toMatchObject({
      state: 'not-measured',
      value: null,
      margin: null,
      guardBand: null,
    });
  });
  test('the margin is positive on the good side', () => {
    expect(judge(base).margin).toBe(10);
    expect(judge({ ...base, side: 'lower' }).margin).toBe(-10);
  });
});

describe('laps to settle', () => {
  test('is the smallest number whose guard band fits', () => {
    const laps = lapsToSettle(base.variance, 2)!;
    const band = (l: number): number => 1.645 * Math.sqrt(4 / l + 1);
    expect(band(laps)).toBeLessThanOrEqual(2);
    expect(band(laps - 1)).toBeGreaterThan(2);
  });
  test('is null when the gauge is too coarse, or the value is the limit', () => {
    expect(lapsToSettle(base.variance, 1.6)).toBeNull();
    expect(lapsToSettle(base.variance, 0)).toBeNull();
    expect(judge({ ...base, value: 50 }).reasons).toContainEqual({
      ...{ code: 'gauge-too-coarse', needs: 0 },
    });
    const [near] = judge({ ...base, value: 49 }).reasons;
    expect(near && describeReason(near, sayMicrometres)).toMatch(
      /sure within 1\.0 µm would|laps in all/,
    );
    expect(describeReason({ code: 'gauge-too-coarse', needs: 0 }, sayMicrometres)).toMatch(
      /at the limit itself/,
    );
    expect(describeReason({ code: 'gauge-too-coarse', needs: 4 }, sayMicrometres)).toMatch(
      /sure within 4\.0 µm would/,
    );
  });
});

test('reasons are sentences in the units asked for', () => {
  const reason = { code: 'closure', lap: 0, error: -12, allowed: 5 } as const;
  expect(describeReason(reason, sayMicrometres)).toContain('12.0 \u00b5m');
  expect(describeReason(reason, (um) => `${um} x`)).toContain('12 x');
  // 2026-11-29: the reports said them in µm, whatever the shop reads in.
  expect(sayReason(reason, 'mm')).toContain('0.012 mm');
  expect(sayReason(reason, 'thou')).toContain('0.5 thou');
  const thin = { code: 'below-discard', min: 25_900, discard: 26_000 } as const;
  expect(sayReason(thin, 'thou')).toMatch(/1\.02\d* in/);
});
