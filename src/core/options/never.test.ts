import fc from 'fast-check';
import { compare, cornerOf, known, recordOf } from '../../../tests/support/corners';
import type { AxleLimits } from '../assessment';
import { DEMO_SHOP } from '../bench';
import { toMicrometres } from '../units';
import { mayBeTaken, metalOf, rankOptions } from '.';

describe('never advised, whatever the corner, its limits and its units', () => {
  const corners = fc.record({
    hub: fc.double({ min: 0, max: 60, noNaN: true }),
    rotor: fc.double({ min: 0, max: 60, noNaN: true }),
    at: fc.double({ min: 0, max: 360, noNaN: true }),
    thickness: fc.double({ min: 25_500, max: 28_000, noNaN: true }),
    dtv: fc.double({ min: 0, max: 15, noNaN: true }),
    studs: fc.integer({ min: 3, max: 10 }),
  });
  const settings = fc.record({
    unit: fc.constantFrom('um' as const, 'mm' as const, 'thou' as const, 'in' as const),
    machineTo: fc.option(fc.double({ min: 26_000, max: 27_500, noNaN: true })),
    limit: fc.double({ min: 15, max: 150, noNaN: true }),
    captive: fc.boolean(),
    only: fc.option(fc.uniqueArray(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 2 })),
    mountings: fc.integer({ min: 1, max: 2 }),
    seed: fc.integer({ min: 0, max: 1000 }),
  });
  /** A figure as it is entered in a unit with its usual decimals, back in µm. */
  const entered = (um: number, unit: 'um' | 'mm' | 'thou' | 'in'): number => {
    const decimals = { um: 0, mm: 3, thou: 1, in: 4 }[unit];
    return toMicrometres(Number((um / toMicrometres(1, unit)).toFixed(decimals)), unit);
  };
  test('a cut below machine-to, a plate on a captive rotor, a place it cannot take, a part below discard', () => {
    fc.assert(
      fc.property(
        corners,
        settings,
        (truth, { unit, machineTo, limit, captive, only, mountings, seed }) => {
          const limits: AxleLimits = {
            nominal: known(28_000),
            discard: known(entered(26_000, unit)),
            runout: known(entered(limit, unit)),
            radius: known(entered(135_000, unit)),
            ...(machineTo === null ? {} : { machineTo: known(entered(machineTo, unit)) }),
          };
          const shifts = [0, 1].slice(0, captive || only ? 1 : mountings);
          const record = recordOf(
            cornerOf(truth),
            shifts,
            {
              limits,
              isCaptive: captive,
              allowedShifts: captive ? [0] : only,
            },
            seed,
          );
          const { options, assessment } = compare(record, DEMO_SHOP, 50);
          for (const option of options.filter((each) => mayBeTaken(each))) {
            const floor = (limits.machineTo ?? { value: limits.discard!.value + 400 }).value;
            if (metalOf(option.action) === 'cut') {
              const { guardBand } = option.finishedVerdict!;
              expect(option.finished! - guardBand!).toBeGreaterThanOrEqual(floor - 1e-9);
            }
            if (captive)
              expect(['index', 'plate', 'bench-indexed', 'new-indexed']).not.toContain(
                option.action,
              );
            if (option.shift !== null && record.allowedShifts) {
              expect(record.allowedShifts).toContain(option.shift);
            }
            if (metalOf(option.action) !== 'new') {
              expect(assessment.thickness!.min).toBeGreaterThanOrEqual(limits.discard!.value);
            }
          }
          const { recommended } = rankOptions(options);
          if (recommended) expect(mayBeTaken(recommended)).toBe(true);
        },
      ),
      { numRuns: 120 },
    );
  });
});
