import fc from 'fast-check';
import { readDial, readMicrometer, type VirtualCorner } from '../bench';
import { seededRandom } from '../numeric';
import {
  advise,
  assessCorner,
  assessHubFace,
  cleaningFinding,
  compareCleaning,
  hubFaceLimit,
  measuredSet,
  sayAdvice,
  sayCleaning,
  type CornerRecord,
  type HubSet,
  type MeasuredSet,
  type RunoutSet,
} from '.';

const gauge = { resolution: 1, repeatability: 1 };
const micrometer = { resolution: 1, repeatability: 1.5, mpe: 2 };
const stamped = (value: number) => ({ value, source: 'stamped' as const });
const LIMITS = {
  machineTo: stamped(26_500),
  discard: stamped(26_000),
  runout: stamped(50),
  radius: stamped(140_000),
};

/** A corner whose hub tilts by `hub` at the rotor\u2019s circle and whose rotor by `rotor`. */
const corner = (hub: number, rotor: number, at = 220, dtv = 3): VirtualCorner => ({
  studs: 5,
  hub: [{ order: 1, amplitude: hub, highSpotDeg: 40 }],
  rotor: [{ order: 1, amplitude: rotor, highSpotDeg: at }],
  meanThickness: 27_400,
  thickness: [{ order: 1, amplitude: dtv, highSpotDeg: 60 }],
});

const runout = (truth: VirtualCorner, seed = 3): RunoutSet => ({
  kind: 'runout',
  face: 'outboard',
  gauge,
  shift: 0,
  ...readDial(truth, { shift: 0, positions: 12, laps: 1, gauge }, seededRandom(seed)),
});
/** The hub face read on a circle of half the rotor\u2019s radius: half of its tilt there. */
const hubFace = (amplitude: number, radius = 70_000): HubSet => ({
  kind: 'hub',
  gauge,
  shift: 0,
  radius,
  ...readDial(
    {
      ...corner(0, 0),
      hub: [{ order: 1, amplitude: (amplitude * radius) / 140_000, highSpotDeg: 40 }],
    },
    { shift: 0, positions: 12, laps: 1, gauge },
    seededRandom(5),
  ),
});
const thickness = (truth: VirtualCorner): MeasuredSet => ({
  kind: 'thickness',
  gauge: micrometer,
  shift: 0,
  laps: readMicrometer(
    truth,
    { shift: 0, positions: 12, laps: 1, gauge: micrometer },
    seededRandom(7),
  ),
});
const record = (sets: readonly MeasuredSet[], more: Partial<CornerRecord> = {}): CornerRecord => ({
  corner: 'FL',
  fastening: 'studs',
  studs: 5,
  allowedShifts: null,
  limits: LIMITS,
  sets,
  ...more,
});

describe('the hub face as a set of its own', () => {
  test('tells hub from rotor with one mounting, and so the stud to move to', () => {
    const truth = corner(28, 30, 292);
    const own = record([hubFace(28), runout(truth), thickness(truth)]);
    const { index } = assessCorner(own);
    const [first] = index!.separation;
    expect(first).toMatchObject({ order: 1, separable: true });
    expect(Math.abs(first!.hub.amplitude - 28)).toBeLessThan(2.5);
    expect(Math.abs(first!.rotor.amplitude - 30)).toBeLessThan(2.5);
    expect(index!.nextMount).toBeNull();
    const without = assessCorner(record([runout(truth), thickness(truth)]));
    expect(without.index!.separation[0]!.separable).toBe(false);
  });

  test('is left alone where the rotor\u2019s radius is not known: no figure is made up', () => {
    const truth = corner(28, 30, 292);
    const { radius: _, ...limits } = LIMITS;
    const own = record([hubFace(28), runout(truth), thickness(truth)], { limits });
    expect(assessCorner(own).index!.separation[0]!.separable).toBe(false);
  });

  test('is judged against the workshop default on its own circle', () => {
    expect(hubFaceLimit(70_000)).toBe(25);
    expect(hubFaceLimit(56_000)).toBe(20);
    expect(assessHubFace(hubFace(6), 5).verdict.state).toBe('within');
    const bad = assessHubFace(hubFace(60), 5).verdict;
    expect([bad.state, bad.limit]).toEqual(['beyond', 25]);
  });

  test('comes from what is on file, its radius the default where none is noted', () => {
    const raw = {
      kind: 'hub' as const,
      face: 'outboard' as const,
      positions: 4,
      laps: 1,
      shift: 0,
      resolutionUm: 1,
      repeatabilityUm: 1,
      mpeUm: null,
      zeroErrorUm: null,
      rotorCelsius: null,
      endPlayUm: null,
      radiusUm: null,
      readings: [0, 1, 2, 3].map((position) => ({ lap: 0, position, valueUm: position })),
    };
    expect(measuredSet(raw)).toMatchObject({ kind: 'hub', radius: 70_000 });
    expect(measuredSet({ ...raw, radiusUm: 64_000 })).toMatchObject({ radius: 64_000 });
  });
});

describe('what findings and house rules rule out', () => {
  const machineOnly = corner(4, 30, 220, 12);
  const sets = [runout(machineOnly), thickness(machineOnly)];

  test('a rotor that would be cut is replaced instead, with the reason', () => {
    expect(advise(record(sets), assessCorner(record(sets))).kind).toBe('machine');
    const own = record(sets, {
      ruledOut: [{ what: 'machining', why: 'hot spots of hardened iron' }],
    });
    const advice = advise(own, assessCorner(own));
    expect(advice).toMatchObject({ kind: 'replace', why: 'no-cut-allowed' });
    expect(sayAdvice(advice, { ...own, units: 'mm' }).why).toBe(
      'It may not be machined: hot spots of hardened iron. Replace rotors in pairs.',
    );
  });

  test('equal cuts, where the house asks for them, take the deeper side twice', () => {
    const own = assessCorner(record(sets)).machining!.onVehicle;
    const equal = assessCorner(record(sets, { equalCuts: true })).machining!.onVehicle;
    expect(equal.depthOutboard).toBe(equal.depthInboard);
    expect(equal.depthOutboard).toBeCloseTo(Math.max(own.depthOutboard, own.depthInboard), 6);
    expect(equal.finishedThickness).toBeLessThanOrEqual(own.finishedThickness);
  });

  test('a condemned rotor is replaced whatever it measures', () => {
    const good = corner(4, 4);
    const own = record([runout(good), thickness(good)], {
      ruledOut: [{ what: 'rotor', why: 'its vent fins are rusted through' }],
    });
    const advice = advise(own, assessCorner(own));
    expect(advice).toMatchObject({ kind: 'replace', why: 'condemned' });
    expect(sayAdvice(advice, { ...own, units: 'thou' }).why).toMatch(/Whatever it measures/);
  });

  test('no corner, however it measures, is advised a cut that is ruled out', () => {
    const any = fc.record({
      hub: fc.double({ min: 0, max: 60, noNaN: true }),
      rotor: fc.double({ min: 0, max: 80, noNaN: true }),
      dtv: fc.double({ min: 0, max: 30, noNaN: true }),
      thick: fc.integer({ min: 25_900, max: 28_000 }),
      what: fc.constantFrom('machining' as const, 'rotor' as const),
    });
    fc.assert(
      fc.property(any, ({ hub, rotor, dtv, thick, what }) => {
        const truth = { ...corner(hub, rotor, 100, dtv), meanThickness: thick };
        const own = record([runout(truth), thickness(truth)], {
          ruledOut: [{ what, why: 'seen' }],
        });
        const { kind } = advise(own, assessCorner(own));
        return what === 'rotor' ? kind === 'replace' : kind !== 'machine';
      }),
      { numRuns: 60 },
    );
  });
});

describe('as found against cleaned', () => {
  const solved = (truth: VirtualCorner, seed: number) =>
    assessCorner(record([runout(truth, seed)])).firstRunout;

  test('most of it went: the seat was the source', () => {
    const cleaning = compareCleaning(solved(corner(4, 45), 1), solved(corner(4, 6), 2))!;
    expect(cleaning.change).toBe('less');
    expect(cleaning.dirt).toBeGreaterThan(70);
    expect(cleaning.asFound).toBeGreaterThan(cleaning.cleaned);
    expect(sayCleaning(cleaning, (value) => `${value.toFixed(0)} um`)).toMatch(
      /^Runout as found \d+ um, cleaned \d+ um\. Most of it went/,
    );
    expect(cleaningFinding(cleaning, 'FL')).toEqual({
      code: 'cleaning',
      value: 'less',
      corner: 'FL',
    });
  });

  test('little changed: the source is hub or rotor', () => {
    const cleaning = compareCleaning(solved(corner(4, 45), 1), solved(corner(4, 44), 2));
    expect(cleaning?.change).toBe('same');
    expect(cleaningFinding(cleaning, 'FR')).toMatchObject({ value: 'same' });
  });

  test('neither is clear, or one is missing or not valid: nothing is said', () => {
    const half = compareCleaning(solved(corner(4, 45), 1), solved(corner(4, 30), 2));
    expect(half?.change).toBe('unclear');
    expect(cleaningFinding(half, 'FL')).toBeNull();
    expect(compareCleaning(null, solved(corner(4, 6), 2))).toBeNull();
    const drifting = { ...runout(corner(4, 45)), closing: [200] };
    const bad = assessCorner(record([drifting])).firstRunout;
    expect(compareCleaning(bad, solved(corner(4, 6), 2))).toBeNull();
    expect(cleaningFinding(null, 'FL')).toBeNull();
  });
});
