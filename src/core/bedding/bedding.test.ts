import fc from 'fast-check';
import {
  extentOf,
  HEAT_DEFAULTS,
  predictHeat,
  proposeSpacing,
  SHIPPED_PROGRAMMES,
  SPECIFIC_HEAT,
  stopEnergy,
  stopRise,
  stopsOf,
  type Heat,
  type Programme,
} from './index';

const heat: Heat = {
  vehicleKg: 1800,
  rotorKg: 8,
  share: 0.7,
  ambient: 20,
  tau: 240,
  ceiling: 300,
};

/** A programme of equal stops, evenly spaced. */
const even = (stops: number, spacing: number, from = 60, to = 15): Programme => ({
  groups: [{ stops, from, to, hard: 'moderate', spacing }],
  coolMinutes: 0,
  gentleKm: 0,
  note: '',
});

const programmes = fc.record({
  groups: fc.array(
    fc.record({
      stops: fc.integer({ min: 1, max: 12 }),
      from: fc.integer({ min: 25, max: 130 }),
      to: fc.integer({ min: 0, max: 20 }),
      hard: fc.constantFrom('light' as const, 'moderate' as const, 'firm' as const),
      spacing: fc.integer({ min: 5, max: 240 }),
    }),
    { minLength: 1, maxLength: 4 },
  ),
  coolMinutes: fc.integer({ min: 0, max: 20 }),
  gentleKm: fc.constant(0),
  note: fc.constant(''),
});

describe('the thermal estimate', () => {
  test('agrees with the sum of a geometric series for evenly spaced equal stops', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 5, max: 600 }),
        fc.integer({ min: 25, max: 120 }),
        (stops, spacing, from) => {
          const { stops: predicted } = predictHeat(even(stops, spacing, from), heat);
          const q = Math.exp(-spacing / heat.tau);
          const rise =
            ((1800 / 2) * ((from / 3.6) ** 2 - (15 / 3.6) ** 2) * 0.7) / 2 / (8 * SPECIFIC_HEAT);
          for (const { number, after } of predicted) {
            const closed = 20 + (rise * (1 - q ** number)) / (1 - q);
            expect(Math.abs((after as number) - closed)).toBeLessThan(0.005 * (closed - 20));
          }
        },
      ),
    );
  });

  test('energy is conserved: what went in is in the iron or was given off', () => {
    fc.assert(
      fc.property(programmes, (programme) => {
        const { taken, given, end } = predictHeat(programme, heat);
        const held = heat.rotorKg * SPECIFIC_HEAT * ((end as number) - (heat.ambient as number));
        expect(Math.abs(taken - given - held)).toBeLessThan(1e-6 * taken + 1e-6);
      }),
    );
  });

  test('a stop from 60 to 15 km/h, by hand', () => {
    expect(stopEnergy(heat, { from: 60, to: 15 })).toBeCloseTo(82_031.25, 2);
    expect(stopRise(heat, { from: 60, to: 15 })).toBeCloseTo(20.51, 2);
  });
});

describe('the proposed spacing', () => {
  test('stays below the ceiling wherever one stop alone does, and never shortens a spacing', () => {
    fc.assert(
      fc.property(programmes, fc.integer({ min: 120, max: 400 }), (programme, ceiling) => {
        const own = { ...heat, ceiling };
        const proposed = proposeSpacing(programme, own);
        const hottest = Math.max(...programme.groups.map((group) => stopRise(own, group)));
        if (!proposed) {
          // Only where one stop from near ambient passes the ceiling by itself.
          expect(hottest).toBeGreaterThan(ceiling - 20 - 1);
          return;
        }
        expect(predictHeat(proposed, own).over).toEqual([]);
        proposed.groups.forEach((group, i) =>
          expect(group.spacing).toBeGreaterThanOrEqual(programme.groups[i]!.spacing),
        );
      }),
      { numRuns: 60 },
    );
  });

  test('a programme that is cool enough stays as it is', () => {
    const { moderate } = SHIPPED_PROGRAMMES;
    expect(proposeSpacing(moderate, heat)).toEqual(moderate);
  });

  test('a small rotor under a heavy vehicle gets longer gaps', () => {
    const own = { ...heat, vehicleKg: 3500, rotorKg: 5, ceiling: HEAT_DEFAULTS.ceiling };
    const { moderate } = SHIPPED_PROGRAMMES;
    expect(predictHeat(moderate, own).over.length).toBeGreaterThan(0);
    expect(proposeSpacing(moderate, own)?.groups[0]?.spacing).toBeGreaterThan(45);
  });
});

describe('programmes', () => {
  test('stops are counted through all groups, the first without a gap', () => {
    const stops = stopsOf(SHIPPED_PROGRAMMES.progressive);
    expect(stops.map(({ from }) => from)).toEqual([25, 25, 25, 45, 45, 45, 65, 65, 65, 85, 85, 85]);
    expect(stops.map(({ number }) => number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    expect(stops[0]?.gap).toBe(0);
    expect(stops[1]?.gap).toBe(60);
  });

  test('time and distance of ten stops from 60 to 15 every 45 s, then ten minutes', () => {
    const { seconds, metres } = extentOf(SHIPPED_PROGRAMMES.moderate);
    const braking = 45 / 3.6 / 3;
    expect(seconds).toBeCloseTo(9 * 45 + braking + 600, 6);
    const cruise = 60 / 3.6;
    expect(metres).toBeCloseTo(
      10 * (37.5 / 3.6) * braking + 9 * (45 - braking) * cruise + 600 * cruise,
      6,
    );
  });

  test('nothing is assumed of the pad maker’s own instructions', () => {
    expect(stopsOf(SHIPPED_PROGRAMMES.maker)).toEqual([]);
    expect(extentOf(SHIPPED_PROGRAMMES.maker)).toEqual({ seconds: 0, metres: 0 });
  });
});
