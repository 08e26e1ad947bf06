import { readDial, readMicrometer, type VirtualCorner } from '../bench';
import { seededRandom } from '../numeric';
import { assessCorner, measuredFindings, recordingFinding, type CornerRecord } from '.';

const gauge = { resolution: 1, repeatability: 1 };
const TRUTH: VirtualCorner = {
  studs: 5,
  hub: [{ order: 1, amplitude: 40, highSpotDeg: 30 }],
  rotor: [
    { order: 1, amplitude: 10, highSpotDeg: 200 },
    { order: 5, amplitude: 12, highSpotDeg: 10 },
  ],
  meanThickness: 27_000,
  thickness: [{ order: 1, amplitude: 12, highSpotDeg: 210 }],
};

function record(shifts: readonly number[], drift = 0): CornerRecord {
  const random = seededRandom(2);
  const maker = (value: number) => ({ value, source: 'maker' as const });
  const run = (shift: number) => ({ shift, positions: 12, laps: 1, gauge, drift });
  return {
    corner: 'FR',
    fastening: 'studs',
    studs: 5,
    allowedShifts: null,
    limits: { discard: maker(26_000), runout: maker(50), dtv: maker(12) },
    sets: [
      ...shifts.map((shift) => ({
        kind: 'runout' as const,
        face: 'outboard' as const,
        shift,
        gauge,
        ...(shift === 0 ? { endPlay: 24 } : {}),
        ...readDial(TRUTH, run(shift), random),
      })),
      {
        kind: 'thickness' as const,
        shift: shifts.at(-1) ?? 0,
        gauge,
        laps: readMicrometer(TRUTH, run(shifts.at(-1) ?? 0), random),
      },
    ],
  };
}

const found = (own: CornerRecord): Record<string, string | number> =>
  Object.fromEntries(
    measuredFindings(own, assessCorner(own)).map(({ code, value }) => [code, value]),
  );

test('readings weigh as shares of their limits, at their corner', () => {
  const own = record([0, 2]);
  const findings = found(own);
  expect(findings.runout).toBeGreaterThan(1);
  expect(findings['thickness-variation']).toBeCloseTo(2, 0);
  expect(findings['hub-share']).toBeCloseTo(80 / 50, 1);
  expect(findings['rotor-share']).toBeCloseTo(20 / 50, 1);
  expect(findings['nut-pull']).toBeCloseTo(24 / 50, 1);
  expect(findings['end-play']).toBeCloseTo(0.8, 9);
  expect(measuredFindings(own, assessCorner(own)).every(({ corner }) => corner === 'FR')).toBe(
    true,
  );
});

test('one mounting tells no shares, and nothing measured tells nothing', () => {
  const findings = found(record([0]));
  expect(findings['hub-share']).toBeUndefined();
  expect(findings['thin-at-high']).toBe('yes');
  expect(found({ ...record([0]), sets: [] })).toEqual({});
});

test('a lap that did not close is not weighed', () => {
  const findings = found(record([0], 60));
  expect(findings.runout).toBeUndefined();
  expect(findings['nut-pull']).toBeUndefined();
});

const BRAKED = [{ kind: 'braking' as const, start: 0, end: 5 }];
const result = (order: number | null, ratio: number | null, windows = BRAKED) => ({
  strongest: order === null ? null : { axis: 'x', order, amplitude: 0.4 },
  brakingToCoasting: ratio,
  windows,
});

test.each([
  [result(1, 8), 'braking-1'],
  [result(2, null), 'braking-2'],
  [result(1, 1.1), 'always-1'],
  [result(4.1, 1), 'other'],
  [result(5, 3), 'other'],
  [result(null, null), 'nothing'],
  [result(1, null, []), undefined],
  [result(null, null, []), undefined],
])('a recording is told as a finding: %#', (own, value) =>
  expect(recordingFinding(own)?.value).toBe(value),
);
