import { advise, assessCorner, type CornerRecord, type MeasuredSet } from '../assessment';
import { dialShows, type BenchFaults } from '../bench';
import { trials } from '../../../tests/support/trials';
import { seededRandom, type RandomSource } from '../numeric';
import { evenAngles } from '../readings';
import { WORKSHOP_DEFAULTS } from '../verdict';
import {
  faceOf,
  faultsLeft,
  judgeApart,
  partsOf,
  caseOf,
  readCode,
  runoutByShift,
  SOURCES,
  writeCode,
  type BenchAction,
  type PracticeCase,
  type Source,
} from '.';

const CASES = Array.from({ length: 200 }, (_, i) =>
  caseOf({ level: 'apart', subject: 'both', seed: (i * 99_991 + 17) % 2 ** 25 }),
);
const GAUGE = WORKSHOP_DEFAULTS.dialIndicator;

function lapAt(
  own: PracticeCase,
  faults: BenchFaults,
  shift: number,
  random: RandomSource,
): MeasuredSet {
  const read = (turn: number): number =>
    dialShows(
      { corner: own.virtual, faults },
      { shift, face: 'outboard', turn, gauge: GAUGE },
      random,
    );
  return {
    ...{ kind: 'runout', face: 'outboard', shift, gauge: GAUGE, isSeatSaid: true },
    ...{ laps: [evenAngles(12).map(read)], closing: [read(360)] },
  };
}

const recordOf = (own: PracticeCase, sets: readonly MeasuredSet[]): CornerRecord => ({
  ...{ corner: own.corner, fastening: 'studs', studs: own.studs, allowedShifts: null },
  ...{ limits: own.limits, sets, isRunoutAsked: true },
});

/** Looks, puts right, reads, and goes where the tool advises; names the source by what it says. */
function byAdvice(own: PracticeCase, random: RandomSource) {
  const actions: BenchAction[] = [
    { kind: 'look', fault: 'dirt' },
    { kind: 'look', fault: 'nuts' },
  ];
  const found = (['dirt', 'nuts'] as const).filter((fault) => own.faults[fault]);
  for (const fault of found) actions.push({ kind: 'remedy', fault });
  const left = faultsLeft(own.faults, actions);
  let sets = [lapAt(own, left, 0, random)];
  let shift = 0;
  for (let i = 0; i < 4; i += 1) {
    const record = recordOf(own, sets);
    const advice = advise(record, assessCorner(record, 100));
    const to = advice.kind === 'second-mounting' || advice.kind === 'index' ? advice.to : null;
    if (to === null || to === shift) break;
    shift = to;
    sets = [...sets, lapAt(own, left, shift, random)];
  }
  const { index } = assessCorner(recordOf(own, sets), 100);
  const first = index?.separation.find(({ order }) => order === 1);
  const share = first ? first.hub.amplitude / (first.hub.amplitude + first.rotor.amplitude) : 0.5;
  const source: Source = found[0] ?? (share > 0.75 ? 'hub' : share < 0.25 ? 'rotor' : 'both');
  return judgeApart(own, sets, actions, 13 * sets.length, source);
}

test('its codes have letters of their own, and every source comes up', () => {
  const code = writeCode({ level: 'apart', subject: 'both', seed: 5 });
  expect(code).toBe('TB-00005');
  expect(readCode('tb 00005')).toEqual({ level: 'apart', subject: 'both', seed: 5 });
  expect(new Set(CASES.map(({ source }) => source)).size).toBe(SOURCES.length);
});

test('as first marked it is beyond; what can be cured can be cured clearly', () => {
  for (const own of CASES) {
    const all = runoutByShift(own.virtual);
    const isFault = own.source === 'dirt' || own.source === 'nuts';
    expect(Object.keys(own.faults)).toEqual(isFault ? [own.source] : []);
    const first = judgeApart(
      own,
      [lapAt(own, faultsLeft(own.faults, []), 0, seededRandom(1))],
      [],
      13,
      null,
    );
    expect(first.stays!.truth).toBeGreaterThan(50);
    const least = Math.min(...all);
    expect(least <= 36 || least >= 56).toBe(true);
  }
});

test('by the tool’s own advice 98 of 100 are told apart and stay well, and none harms', () => {
  const random = seededRandom(11);
  const cases = CASES.slice(0, trials(CASES.length, 60));
  const results = cases.map((own) => byAdvice(own, random));
  expect(results.filter(({ isHarm }) => isHarm)).toEqual([]);
  expect(results.filter(({ isRight }) => isRight).length / cases.length).toBeGreaterThanOrEqual(
    0.98,
  );
});

test('who reads once and blames the rotor is right in less than half', () => {
  const random = seededRandom(12);
  const right = CASES.filter((own) => {
    const sets = [lapAt(own, faultsLeft(own.faults, []), 0, random)];
    return judgeApart(own, sets, [], 13, 'rotor').isRight;
  }).length;
  expect(right / CASES.length).toBeLessThan(0.5);
});

test('what a face is made of adds up to it', () => {
  for (const own of CASES.slice(0, 20)) {
    const faults = faultsLeft(own.faults, []);
    for (const shift of [0, 1]) {
      const parts = partsOf(own.virtual, faults, shift);
      expect(parts.map(({ of }) => of).includes('dirt')).toBe(own.source === 'dirt' && shift === 0);
      const whole = faceOf(own.virtual, faults, shift);
      for (const angle of [0, 75, 310]) {
        const sum = parts.reduce((all, { face }) => all + face(angle), 0);
        expect(sum).toBeCloseTo(whole(angle), 6);
      }
    }
  }
});

test('what to do better is one sentence', () => {
  const of = (source: Source) => CASES.find((own) => own.source === source)!;
  const random = seededRandom(13);
  const once = (source: Source, said: Source | null) => {
    const own = of(source);
    return judgeApart(own, [lapAt(own, faultsLeft(own.faults, []), 0, random)], [], 13, said)
      .sentence;
  };
  expect(once('nuts', 'hub')).toMatch(/^Put the torque wrench/);
  expect(once('both', 'both')).toMatch(/^A better place was there/);
  expect(once('hub', 'rotor')).toMatch(/^It comes from the hub/);
  expect(judgeApart(of('hub'), [], [], 0, 'hub').sentence).toMatch(/^Runout was not measured/);
});

test('left with its dirt it comes back with a thin place; clean and where it sits best it does not', () => {
  const own = CASES.find(({ source }) => source === 'dirt')!;
  const dirty = faultsLeft(own.faults, []);
  const left = judgeApart(own, [lapAt(own, dirty, 0, seededRandom(2))], [], 13, 'hub');
  expect(left.stays!.comesBack).toMatchObject({ why: 'variation' });
  expect(left.stays!.comesBack!.km).toBeGreaterThan(0);
  const actions: BenchAction[] = [{ kind: 'remedy', fault: 'dirt' }];
  const { shift } = left.possible;
  const sets = [lapAt(own, faultsLeft(own.faults, actions), shift, seededRandom(2))];
  const put = judgeApart(own, sets, actions, 13, 'dirt');
  const kmOf = (each: typeof left): number => each.stays!.comesBack?.km ?? Infinity;
  expect(kmOf(put)).toBeGreaterThan(2 * kmOf(left));
});
