import { waveTir } from '../harmonics';
import { mountedWave, predictShifts, solveIndex, type SeparatedOrder } from '../indexing';
import { polar, ZERO } from '../numeric';
import { advisePlate, bestPlate, everyPlate, platePhasor, solvePlate, withPlate } from '.';

const gauge = { resolution: 1, repeatability: 1 };
const plates = { corrections: [60, 120, 180], referenceRadius: 140_000 };

/** A first order without uncertainty: hub and rotor tilts in µm and degrees. */
const sure = (hub: number, rotor: number, at = 0): SeparatedOrder => ({
  order: 1,
  separable: true,
  hub: polar(hub, (at * Math.PI) / 180),
  rotor: polar(rotor, 0),
  factor: { hub: 0, cross: ZERO, rotor: 0 },
  alternatives: null,
});
const choice = (orders: readonly SeparatedOrder[], studs = 5) => ({
  orders,
  studs,
  allowedShifts: Array.from({ length: studs }, (_, m) => m),
  last: 0,
  plates,
  rotorRadius: 140_000,
});
const indexOf = (orders: readonly SeparatedOrder[], state: 'within' | 'beyond') => {
  const [best] = predictShifts(orders, 5, [0], 50, 1);
  return { orders, best: best!, verdict: { state } } as unknown as Parameters<
    typeof advisePlate
  >[0];
};

test('a plate takes away a hub tilt of its own size opposite to its thick place', () => {
  const orders = [sure(30, 0, 180)];
  const best = bestPlate(everyPlate(choice(orders)), 0, 5)!;
  expect(best).toMatchObject({ correction: 60, thickAtStud: 1, shift: 0 });
  expect(best.tir).toBeCloseTo(0, 6);
});

test('its tilt grows with the radius', () => {
  const at = (rotorRadius: number) => platePhasor(120, 1, { studs: 5, plates, rotorRadius }).re;
  expect(at(140_000)).toBeCloseTo(60, 9);
  expect(at(70_000)).toBeCloseTo(30, 9);
});

test('the quick enumeration agrees with waves summed one by one', () => {
  const orders = [
    sure(23, 31, 77),
    { ...sure(4, 3, 10), order: 2 },
    { ...sure(1, 2, 200), order: 3 },
  ];
  const all = everyPlate(choice(orders, 7));
  expect(all).toHaveLength(3 * 7 * 7);
  for (const fit of all.filter((_, i) => i % 11 === 0)) {
    const z = platePhasor(fit.correction, fit.thickAtStud, { ...choice(orders, 7) });
    const slow = waveTir(mountedWave(withPlate(orders, z), fit.shift, 7));
    expect(fit.tir).toBeCloseTo(slow, 6);
  }
});

test('of plates that are the same to the micrometre the smaller, the nearer, the lower stud', () => {
  const fit = (correction: number, thickAtStud: number, shift: number, tir: number) => ({
    correction,
    thickAtStud,
    shift,
    tir,
  });
  const fits = [
    fit(120, 1, 0, 10.1),
    fit(60, 4, 2, 10.4),
    fit(60, 3, 1, 10.3),
    fit(60, 2, 1, 10.2),
  ];
  expect(bestPlate(fits, 0, 5)).toEqual(fit(60, 2, 1, 10.2));
  expect(bestPlate([], 0, 5)).toBeUndefined();
});

test('no plate where indexing is within, where the hub is not told apart, or where it gains too little', () => {
  const orders = [sure(40, 0, 180)];
  const { orders: _, ...rest } = choice(orders);
  expect(advisePlate(indexOf(orders, 'within'), rest, 50, 1)).toBeNull();
  expect(advisePlate(indexOf(orders, 'beyond'), rest, 50, 1)).not.toBeNull();
  const mixed = [{ ...sure(40, 0, 180), separable: false }];
  expect(advisePlate(indexOf(mixed, 'beyond'), rest, 50, 1)).toBeNull();
  const small = [sure(2, 0, 180)];
  expect(advisePlate(indexOf(small, 'beyond'), rest, 1, 1)).toBeNull();
});

test('a solved plate carries the index solution and a band that holds its prediction', () => {
  const wave = (shift: number) =>
    Array.from({ length: 12 }, (_, j) => {
      const angle = (2 * Math.PI * j) / 12;
      return 60 * Math.cos(angle - 1) + 10 * Math.cos(angle - 2 - (shift * 2 * Math.PI) / 5);
    });
  const input = {
    studs: 5,
    mounts: [0, 2].map((shift) => ({ shift, laps: [wave(shift)] })),
    gauge,
    limit: 50,
  };
  const { plate, ...index } = solvePlate({ ...input, plates, rotorRadius: 140_000 });
  expect(index).toEqual(solveIndex(input));
  expect(plate).not.toBeNull();
  expect(plate!.tir).toBeLessThan(index.best.tir - 5);
  expect(plate!.low).toBeLessThanOrEqual(plate!.tir);
  expect(plate!.high).toBeGreaterThanOrEqual(plate!.tir);
});
