import { dialShows, micrometerShows, readDial, type VirtualCorner } from '../bench';
import { lapOf, rawSet } from '../../../tests/support/sets';
import { seededRandom } from '../numeric';
import {
  assessCorner,
  assessHubFace,
  measuredSet,
  readingNotes,
  type CornerRecord,
  type MeasuredSet,
  type RawSet,
  type RunoutSet,
  type ThicknessSet,
} from '.';

const gauge = { resolution: 1, repeatability: 1 };
const truth: VirtualCorner = {
  studs: 5,
  hub: [{ order: 1, amplitude: 20, highSpotDeg: 40 }],
  rotor: [{ order: 1, amplitude: 15, highSpotDeg: 200 }],
  meanThickness: 27_400,
  thickness: [{ order: 1, amplitude: 4, highSpotDeg: 60 }],
};
const clean = { corner: truth, faults: {} };

const dial = (face: 'outboard' | 'inboard', angles: readonly number[], seed: number): RunoutSet => {
  const random = seededRandom(seed);
  const laps = [angles.map((turn) => dialShows(clean, { shift: 0, face, turn, gauge }, random))];
  return { kind: 'runout', face, gauge, shift: 0, laps, angles };
};
const thick = (
  angles: readonly number[],
  seed: number,
  more: Partial<ThicknessSet> = {},
): ThicknessSet => {
  const random = seededRandom(seed);
  const laps = [angles.map((turn) => micrometerShows(clean, { shift: 0, turn, gauge }, random))];
  return { kind: 'thickness', gauge, shift: 0, laps, angles, ...more };
};
const record = (sets: readonly MeasuredSet[]): CornerRecord => ({
  corner: 'FL',
  fastening: 'studs',
  studs: 5,
  allowedShifts: null,
  limits: {
    discard: { value: 26_000, source: 'stamped' },
    nominal: { value: 28_000, source: 'maker' },
  },
  sets,
});
const OWN = [0, 25, 61, 90, 124, 150, 181, 215, 240, 269, 301, 333];

describe('own angles', () => {
  test('are fitted where they are: the high spot is found as on even ones', () => {
    const { runout } = assessCorner(record([dial('outboard', OWN, 1)]));
    const first = runout!.orders.find(({ order }) => order === 1)!;
    const even = Array.from({ length: 12 }, (_, j) => 30 * j);
    const same = assessCorner(record([dial('outboard', even, 2)])).runout!.orders[0]!;
    expect(Math.abs(first.amplitude - same.amplitude)).toBeLessThan(2.5);
    expect(Math.abs(first.highSpotDeg - same.highSpotDeg)).toBeLessThan(12);
  });

  test('plan no cut: that needs even positions from the chalk mark', () => {
    const sets = [dial('outboard', OWN, 1), thick(OWN, 2)];
    expect(assessCorner(record(sets)).machining).toBeNull();
    const plain = sets.map(({ angles: _, ...set }) => set as MeasuredSet);
    expect(assessCorner(record(plain)).machining).not.toBeNull();
  });
});

describe('both faces and the micrometer', () => {
  test('agree on a sound corner; one false place is named', () => {
    const sets = [dial('outboard', OWN, 1), dial('inboard', OWN, 2), thick(OWN, 3)];
    expect(assessCorner(record(sets)).crossCheck?.ok).toBe(true);
    const [lap = []] = sets[1]!.laps;
    const wrong = { ...sets[1]!, laps: [lap.map((value, j) => (j === 5 ? value + 25 : value))] };
    const doubted = assessCorner(record([sets[0]!, wrong, sets[2]!]));
    expect(doubted.crossCheck).toMatchObject({ ok: false, position: 5 });
    for (const { reasons } of [doubted.runout!.verdict, doubted.thickness!.dtvVerdict]) {
      expect(reasons.map(({ code }) => code)).toContain('cross-check');
    }
  });

  test('are not compared across mountings or positions', () => {
    const moved = { ...dial('inboard', OWN, 2), shift: 2 };
    expect(
      assessCorner(record([dial('outboard', OWN, 1), moved, thick(OWN, 3)])).crossCheck,
    ).toBeNull();
    const { angles: _, ...elsewhere } = dial('inboard', OWN, 2);
    const sets = [dial('outboard', OWN, 1), elsewhere, thick(OWN, 3)];
    expect(assessCorner(record(sets)).crossCheck).toBeNull();
  });
});

test('the inner circle gives the taper, whatever zero and heat it was read with', () => {
  const outer = thick(OWN, 3);
  const inner: ThicknessSet = {
    ...outer,
    circle: 'inner',
    laps: outer.laps.map((lap) => lap.map((value) => value - 100 + 30)),
    zeroError: 30,
  };
  const { thickness } = assessCorner(record([outer, inner]));
  expect(thickness!.taper).toBeCloseTo(100, 6);
  expect(thickness!.min).toBeLessThan(27_350);
  expect(assessCorner(record([outer])).thickness!.taper).toBeNull();
});

test('a later mounting is held against what the earlier ones predict', () => {
  const mount = (shift: number, seed: number, tilt = 0): RunoutSet => {
    const { laps } = readDial(truth, { shift, positions: 12, laps: 1, gauge }, seededRandom(seed));
    const turned = laps.map((lap) =>
      lap.map((value, j) => value + tilt * Math.cos((2 * Math.PI * j) / 12)),
    );
    return { kind: 'runout', face: 'outboard', gauge, shift, laps: turned };
  };
  const two = assessCorner(record([mount(0, 1), mount(2, 2)]));
  expect(two.mounting).toBeNull();
  const good = assessCorner(record([mount(0, 1), mount(2, 2), mount(4, 3)])).mounting!;
  expect(good.ok).toBe(true);
  expect(good.measured).toBeGreaterThan(good.low - 4);
  expect(good.measured).toBeLessThan(good.high + 4);
  const dirty = assessCorner(record([mount(0, 1), mount(2, 2), mount(4, 3, 12)])).mounting!;
  expect(dirty.ok).toBe(false);
  expect(dirty.miss).toBeGreaterThan(12);
});

describe('circumstances stand with the verdict', () => {
  const raw = rawSet({ positions: 12, readings: lapOf(Array.from({ length: 12 }, (_, j) => j)) });
  const codes = (set: RawSet): string[] =>
    assessCorner(record([measuredSet(set)!])).runout!.verdict.reasons.map(({ code }) => code);

  test('what was left out or not noted, an overdue gauge, a virtual one', () => {
    expect(codes(raw)).toContain('not-closed');
    expect(codes(raw)).not.toContain('not-prepared');
    const asked = { ...raw, leftOut: [] };
    expect(codes(asked)).toContain('not-prepared');
    expect(codes({ ...asked, torqueNm: 110, endPlayUm: 10 })).not.toContain('not-prepared');
    const old = {
      ...raw,
      gaugeName: 'D',
      gaugeDue: '2031-01-31',
      createdAt: new Date('2031-02-01'),
    };
    expect(codes(old)).toContain('overdue');
    expect(codes({ ...raw, isVirtual: true })).toContain('virtual');
  });

  test('a dial that counts the other way is turned when measured, its closing reading too', () => {
    const shown = { ...raw, readings: lapOf([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 2]) };
    const [usual, turned] = [measuredSet(shown)!, measuredSet({ ...shown, turned: true })!];
    expect(turned.laps[0]).toEqual(usual.laps[0]!.map((value) => 0 - value));
    expect(turned).toMatchObject({ closing: [-2] });
    const thickness = { ...shown, kind: 'thickness', turned: true } as const;
    expect(measuredSet(thickness)!.laps[0]![1]).toBe(1);
  });

  test('a hub face with play in its bearing is not valid, and tells hub from rotor no more', () => {
    const hub = measuredSet({ ...raw, kind: 'hub', endPlayUm: 60 })!;
    expect(hub.kind === 'hub' && assessHubFace(hub, 5).verdict.state).toBe('not-valid');
  });

  test('a thickness says its zero error, its heat, and when it is thicker than new', () => {
    const set: RawSet = {
      ...raw,
      kind: 'thickness',
      zeroErrorUm: 8,
      rotorCelsius: 60,
      readings: raw.readings.map((reading) => ({ ...reading, valueUm: 28_400 + reading.position })),
    };
    const { thickness } = assessCorner(record([measuredSet(set)!]));
    expect(thickness!.dtvVerdict.reasons.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['zero-error', 'temperature', 'hot', 'thicker-than-new']),
    );
  });

  test('an overdue or virtual gauge stands with every verdict that rests on it, and in the report', () => {
    const set = {
      ...raw,
      gaugeName: 'D',
      gaugeDue: '2031-01-31',
      createdAt: new Date('2031-02-01'),
    };
    const thickness: RawSet = {
      ...set,
      kind: 'thickness',
      isVirtual: true,
      readings: raw.readings.map((reading) => ({ ...reading, valueUm: 27_000 + reading.position })),
    };
    const sets = [measuredSet(set)!, measuredSet(thickness)!];
    const { index, machining, thicknessVerdicts } = assessCorner(record(sets));
    const codesOf = (reasons: readonly { code: string }[]) => reasons.map(({ code }) => code);
    expect(codesOf(index!.verdict.reasons)).toContain('overdue');
    expect(codesOf(thicknessVerdicts!.verdicts.discard.reasons)).toContain('virtual');
    expect(codesOf(machining!.bench.verdict.reasons)).toEqual(
      expect.arrayContaining(['overdue', 'virtual']),
    );
    expect(codesOf(readingNotes(sets))).toEqual(['overdue', 'virtual']);
  });
});
