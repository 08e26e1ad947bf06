import { distanceLeft, outlasts, wearByDefault, wearFromHistory, wearOfModel } from '.';

const measured = (km: number, thickness: number) => ({ kind: 'measured' as const, km, thickness });

test('the slope of the thickness on the odometer, whatever the order it is told in', () => {
  const rate = wearFromHistory([measured(30_000, 27_400), measured(10_000, 27_800)], 2)!;
  expect(rate.perKm).toBeCloseTo(0.02, 12);
  expect(rate.count).toBe(2);
  // u of a slope through two readings: u √2 / distance.
  expect(rate.u).toBeCloseTo((2 * Math.SQRT2) / 20_000, 12);
});

test('metal that a lathe took off is no wear', () => {
  const rate = wearFromHistory(
    [
      measured(0, 28_000),
      measured(10_000, 27_800),
      { kind: 'cut', km: 10_000, removed: 500 },
      measured(20_000, 27_100),
    ],
    2,
  )!;
  expect(rate.perKm).toBeCloseTo(0.02, 12);
});

test('only what was measured since the rotor was fitted counts', () => {
  const events = [
    measured(0, 26_200),
    { kind: 'fitted' as const, km: 5000 },
    measured(5000, 28_000),
    measured(15_000, 27_700),
  ];
  expect(wearFromHistory(events, 2)!.perKm).toBeCloseTo(0.03, 12);
});

test('readings that scatter more than the gauge widen the band', () => {
  const straight = [0, 1, 2, 3].map((i) => measured(i * 10_000, 28_000 - 200 * i));
  const scattered = straight.map((event, i) => ({
    ...event,
    thickness: event.thickness + (i % 2 === 0 ? 40 : -40),
  }));
  expect(wearFromHistory(scattered, 2)!.u!).toBeGreaterThan(5 * wearFromHistory(straight, 2)!.u!);
});

test('no rate from one reading, from one distance, or from a rotor that grew', () => {
  expect(wearFromHistory([measured(1000, 28_000)], 2)).toBeNull();
  expect(wearFromHistory([measured(1000, 28_000), measured(1000, 27_900)], 2)).toBeNull();
  expect(wearFromHistory([measured(0, 27_000), measured(10_000, 27_100)], 2)).toBeNull();
});

test('a model’s median needs three rotors before it has a band', () => {
  expect(wearOfModel([])).toBeNull();
  expect(wearOfModel([0.02, 0.02])).toMatchObject({ perKm: 0.02, u: null, count: 2 });
  expect(wearOfModel([0.01, 0.02, 0.09])).toMatchObject({ perKm: 0.02, source: 'model' });
  expect(wearOfModel([0.01, 0.02, 0.09])!.u).toBeCloseTo(0.0436, 3);
});

test('distance left with the band of its slope, and none without one', () => {
  const left = distanceLeft(27_000, 26_000, { perKm: 0.02, u: 0.005 });
  expect(left.km).toBeCloseTo(50_000, 6);
  expect(left.low).toBeCloseTo(1000 / (0.02 + 1.96 * 0.005), 6);
  expect(left.high).toBeCloseTo(1000 / (0.02 - 1.96 * 0.005), 6);
  expect(distanceLeft(27_000, 26_000, { perKm: 0.02, u: 0.02 }).high).toBeNull();
  expect(distanceLeft(27_000, 26_000, wearByDefault('organic'))).toEqual({
    km: 100_000,
    low: null,
    high: null,
  });
  expect(distanceLeft(25_900, 26_000, wearByDefault('low-metallic')).km).toBe(0);
});

test('a rotor outlasts its pads, or it is not known', () => {
  const of = (km: number) => ({ km, low: null, high: null });
  expect(outlasts(of(60_000), of(40_000))).toBe(true);
  expect(outlasts(of(30_000), of(40_000))).toBe(false);
  expect(outlasts(of(30_000), null)).toBeNull();
});
