import { lapOf, rawSet } from '../../../tests/support/sets';
import { readDial, readMicrometer, type VirtualCorner } from '../bench';
import { seededRandom } from '../numeric';
import {
  advise,
  assessCorner,
  measuredSet,
  sayAdvice,
  sayMove,
  type Advice,
  type CornerRecord,
  type MeasuredSet,
} from '.';

const gauge = { resolution: 1, repeatability: 1 };
const micrometer = { resolution: 1, repeatability: 1.5, mpe: 2 };

const maker = (value: number) => ({ value, source: 'maker' as const });
const LIMITS = { machineTo: maker(26_500), discard: maker(26_000), runout: maker(50) };

interface Truth {
  readonly hub?: number;
  readonly rotor?: readonly [number, number];
  readonly thickness?: number;
  readonly dtv?: number;
  readonly studs?: number;
}

const cornerOf = ({ hub = 5, rotor = [5, 200], thickness = 27_400, dtv = 3, studs = 5 }: Truth) =>
  ({
    studs,
    hub: [{ order: 1, amplitude: hub, highSpotDeg: 40 }],
    rotor: [{ order: 1, amplitude: rotor[0], highSpotDeg: rotor[1] }],
    meanThickness: thickness,
    thickness: [{ order: 1, amplitude: dtv, highSpotDeg: 60 }],
  }) satisfies VirtualCorner;

function sets(truth: Truth, shifts: readonly number[], drift = 0): MeasuredSet[] {
  const corner = cornerOf(truth);
  const random = seededRandom(11);
  const runouts = shifts.map((shift): MeasuredSet => {
    const run = { shift, positions: 12, laps: 1, gauge, drift };
    return { kind: 'runout', face: 'outboard', gauge, shift, ...readDial(corner, run, random) };
  });
  const run = { shift: shifts[0] ?? 0, positions: 12, laps: 1, gauge: micrometer };
  const laps = readMicrometer(corner, run, random);
  return [...runouts, { kind: 'thickness', laps, gauge: micrometer, shift: run.shift }];
}

const record = (own: readonly MeasuredSet[], more: Partial<CornerRecord> = {}): CornerRecord => ({
  corner: 'FL',
  fastening: 'studs',
  studs: 5,
  allowedShifts: null,
  limits: LIMITS,
  sets: own,
  ...more,
});

const adviceFor = (own: readonly MeasuredSet[], more: Partial<CornerRecord> = {}): Advice => {
  const whole = record(own, more);
  return advise(whole, assessCorner(whole));
};

describe('the advice for each outcome', () => {
  test('nothing measured, then thickness missing, then discard unknown', () => {
    expect(adviceFor([])).toEqual({ kind: 'measure', what: 'runout' });
    expect(adviceFor(sets({}, [0]).slice(0, 1))).toEqual({ kind: 'measure', what: 'thickness' });
    expect(adviceFor(sets({}, [0]), { limits: {} })).toEqual({
      kind: 'limit-missing',
      what: 'discard',
    });
  });
  test('within', () => {
    expect(adviceFor(sets({}, [0])).kind).toBe('within');
  });
  // 2026-11-27: an indexing that cured was told "leave this rotor as it is, look elsewhere".
  test('what a move cured is kept where it sits, and is not looked for elsewhere', () => {
    const advice = adviceFor(sets({ hub: 28, rotor: [30, 292], dtv: 1 }, [0, 2, 4]));
    expect(advice).toMatchObject({ kind: 'kept', from: 0, to: 4, limit: 50 });
    const { todo, why } = sayAdvice(advice, { ...record([]), units: 'mm' });
    expect(todo).toMatch(
      /^Cured by moving 1 stud (counter-)?clockwise as you face it: keep it there\.$/,
    );
    expect(why).toMatch(/Runout was 0\.06\d mm and is 0\.0\d\d mm/);
    expect(why).not.toMatch(/elsewhere/);
  });
  test('a second mounting, then the stud that cures it', () => {
    const truth: Truth = { hub: 28, rotor: [30, 292] };
    expect(adviceFor(sets(truth, [0]))).toEqual({ kind: 'second-mounting', from: 0, to: 2 });
    expect(adviceFor(sets(truth, [0, 2]))).toMatchObject({ kind: 'index', from: 2, to: 4 });
  });
  // 2026-11-28: a check without a discard thickness never came to the stud that cures it.
  describe('a quick check whose discard thickness is not known', () => {
    const check = { limits: {}, isCheck: true };
    const wobbling: Truth = { hub: 28, rotor: [30, 292], dtv: 1 };
    test('is told hub from rotor and moved all the same', () => {
      expect(adviceFor(sets(wobbling, [0]), check)).toMatchObject({ kind: 'second-mounting' });
      expect(adviceFor(sets(wobbling, [0, 2]), check)).toMatchObject({ kind: 'index', to: 4 });
      expect(adviceFor(sets(wobbling, [0, 2, 4]), check)).toMatchObject({ kind: 'kept', to: 4 });
    });
    test('is kept where it was moved to with no word on its thickness', () => {
      const advice = adviceFor(sets(wobbling, [0, 2, 4]), check);
      const { why } = sayAdvice(advice, { ...record([]), units: 'mm' });
      expect(why).not.toMatch(/thickness is within/);
      expect(why).toMatch(/nothing is said of its thickness/);
    });
    test('is not called cured where the move is too close to call', () => {
      const close = sets({ hub: 28, rotor: [53, 292], dtv: 1 }, [0, 4]);
      expect(adviceFor(close, check)).toMatchObject({ kind: 'too-close', what: 'runout' });
    });
    test('is called good by nothing, and nothing is cut', () => {
      const missing = { kind: 'limit-missing', what: 'discard' };
      expect(adviceFor(sets({}, [0]), check)).toEqual(missing);
      expect(adviceFor(sets({ dtv: 12, hub: 60 }, [0]), check)).toEqual(missing);
      expect(adviceFor(sets({ rotor: [45, 100] }, [0, 2]), check)).toEqual(missing);
    });
  });
  // 2026-11-29: of a carbon-ceramic rotor it was said that its thickness is within its limits.
  describe('runout alone', () => {
    const runouts = (truth: Truth, shifts: readonly number[]) => sets(truth, shifts).slice(0, -1);
    const say = (advice: Advice): string => sayAdvice(advice, { ...record([]), units: 'mm' }).why;
    test.each([
      ['a composite rotor', { isComposite: true }],
      ['a case', { isRunoutAsked: true }],
    ])('of %s: nothing is said of its thickness', (_, more) => {
      for (const advice of [
        adviceFor(runouts({}, [0]), more),
        adviceFor(runouts({ hub: 28, rotor: [30, 292] }, [0, 2, 4]), more),
        adviceFor(runouts({}, [0]), { ...more, foundBeyond: 70 }),
      ]) {
        expect(['within', 'kept', 'cleaned']).toContain(advice.kind);
        expect(say(advice)).toMatch(/nothing is said of its thickness/);
        expect(say(advice)).not.toMatch(/thickness[^.]* within/);
      }
    });
    test('where only its source is asked for, no metal is named', () => {
      const asked = { isRunoutAsked: true };
      expect(adviceFor([], asked)).toEqual({ kind: 'measure', what: 'runout' });
      const rotor = adviceFor(runouts({ rotor: [45, 100] }, [0, 2]), asked);
      expect(rotor).toMatchObject({ kind: 'no-place', limit: 50 });
      expect(say(rotor)).toMatch(/hub and rotor give, each/);
      expect(adviceFor(runouts({ hub: 44, rotor: [6, 90] }, [0, 2]), asked).kind).toBe('hub');
    });
  });
  test('a hub at fault is not answered with a new rotor', () => {
    const advice = adviceFor(sets({ hub: 44, rotor: [6, 90] }, [0, 2]));
    expect(advice).toMatchObject({ kind: 'hub', limit: 50 });
    expect(advice.kind === 'hub' && advice.hubTir).toBeCloseTo(88, -1);
  });
  test('a rotor that wobbles by itself is cut', () => {
    const advice = adviceFor(sets({ rotor: [45, 100] }, [0, 2]));
    expect(advice.kind).toBe('machine');
  });
  test('thickness variation needs metal, whatever the runout', () => {
    expect(adviceFor(sets({ dtv: 12 }, [0])).kind).toBe('machine');
  });
  test('too thin to cut is replaced, by the figure it fails by', () => {
    const advice = adviceFor(sets({ dtv: 12, thickness: 26_560 }, [0]));
    expect(advice).toMatchObject({ kind: 'replace', why: 'too-thin-to-cut' });
  });
  test('below discard is replaced before anything else', () => {
    const advice = adviceFor(sets({ thickness: 25_920, hub: 60 }, [0]));
    expect(advice).toMatchObject({ kind: 'replace', why: 'below-discard' });
    expect(advice.kind === 'replace' && advice.by).toBeCloseTo(83, -1);
  });
  test('too close to call', () => {
    expect(adviceFor(sets({ hub: 14.5, rotor: [10, 40] }, [0]))).toMatchObject({
      kind: 'too-close',
      what: 'runout',
    });
  });
  test('not valid comes before every other verdict on runout', () => {
    expect(adviceFor(sets({ hub: 60, dtv: 12 }, [0], 25)).kind).toBe('not-valid');
  });
  test('below discard is replaced, whatever else, even when the runout is not valid', () => {
    const advice = adviceFor(sets({ thickness: 25_000 }, [0], 25));
    expect(advice).toMatchObject({ kind: 'replace', why: 'below-discard' });
  });
  test('a rotor that goes on in one place only is never told to move', () => {
    const advice = adviceFor(sets({ hub: 28, rotor: [30, 60] }, [0]), { allowedShifts: [0] });
    expect(['machine', 'replace', 'hub']).toContain(advice.kind);
  });
});

test('the move is told in the sense of the corner and by what holds the wheel', () => {
  const wording = { corner: 'FL', studs: 5, fastening: 'studs', units: 'mm' } as const;
  expect(sayMove(wording, 0, 2)).toBe('2 studs clockwise as you face it');
  expect(sayMove({ ...wording, corner: 'RR', fastening: 'bolts' }, 0, 4)).toBe(
    '1 hole clockwise as you face it',
  );
  expect(sayMove(wording, 3, 3)).toBeNull();
});

test('every advice has words in both systems', () => {
  const truths: Truth[] = [{}, { hub: 28, rotor: [30, 292] }, { hub: 44 }, { dtv: 12 }];
  for (const units of ['mm', 'thou'] as const) {
    for (const truth of truths) {
      const whole = record(sets(truth, [0, 2]));
      const words = sayAdvice(advise(whole, assessCorner(whole)), { ...whole, units });
      expect(words.todo).toMatch(/\.$/);
      expect(words.why.length).toBeGreaterThan(20);
      expect(words.why + words.todo).not.toMatch(/NaN|undefined|null/);
    }
  }
});

describe('a set on file becomes a measured one', () => {
  const raw = rawSet({
    face: 'inboard',
    laps: 2,
    shift: 1,
    endPlayUm: 20,
    readings: lapOf([0, 1, 2, 3]),
  });
  test('only complete laps count, and closing readings only when each lap has one', () => {
    expect(measuredSet(raw)).toMatchObject({ laps: [[0, 1, 2, 3]], closing: undefined });
    const closed = { ...raw, readings: [...raw.readings, { lap: 0, position: 4, valueUm: 1 }] };
    expect(measuredSet(closed)).toMatchObject({ closing: [1], endPlay: 20 });
    expect(measuredSet({ ...raw, readings: raw.readings.slice(1) })).toBeNull();
  });
});
