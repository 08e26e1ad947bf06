import { BENCH_CORNER, benchSet, typedLap } from '../../../tests/support/sets';
import {
  doubtedReading,
  enter,
  openBench,
  reduce,
  type BenchEvent,
  type BenchSet,
  type BenchState,
} from './model';
import { heardOf } from './heard';
import { placeName } from './placeName';
import { advisedStep, askedPlace } from './result';
import { sayOnBench, solveSet } from './solve';

const SHOP = { units: 'mm', gauges: [] } as const;

const set = (more: Partial<BenchSet> = {}): BenchSet => benchSet({ positions: 4, ...more });

const type = (state: BenchState, text: string): BenchState => {
  const typed = reduce(state, { type: 'type', text });
  return reduce(typed, enter(typed, SHOP));
};

const play = (state: BenchState, events: BenchEvent[]): BenchState => events.reduce(reduce, state);

test('a number, Enter, next, to the closing reading and the end', () => {
  let state = openBench([set()]);
  for (const text of ['0', '0.01', '0.02', '0.01']) state = type(state, text);
  expect(state.cursor).toEqual({ lap: 0, position: 4 });
  state = type(state, '0.001');
  expect(state.cursor).toBeNull();
  expect(state.sets[0]!.readings.map(({ valueUm }) => valueUm)).toEqual([0, 10, 20, 10, 1]);
});

test('the closing reading may be left out, a position may not', () => {
  let state = openBench([set()]);
  state = type(state, '');
  expect(state.error).toMatch(/Type the reading at position 1/);
  for (const text of ['0', '1um', '2um', '3um', '']) state = type(state, text);
  expect(state.cursor).toBeNull();
});

test('a refused text stays in the field with its message', () => {
  const state = type(openBench([set()]), '28.0');
  expect(state).toMatchObject({ draft: '28.0', cursor: { lap: 0, position: 0 } });
  expect(state.error).toMatch(/cannot be a runout reading/);
  expect(reduce(state, { type: 'type', text: '2' }).error).toBeNull();
});

test('a slip is corrected in place and the first open place follows', () => {
  let state = openBench([set()]);
  for (const text of ['0', '0.9', '0.02']) state = type(state, text);
  state = play(state, [
    { type: 'step', by: -1 },
    { type: 'step', by: -1 },
  ]);
  expect(state).toMatchObject({ cursor: { position: 1 }, draft: '0.9' });
  state = type(state, '0.009');
  expect(state.cursor).toEqual({ lap: 0, position: 3 });
  expect(state.sets[0]!.readings).toHaveLength(3);
});

test('a reading that a slip explains is doubted, once the next is asked for', () => {
  let state = openBench([set({ positions: 8 })]);
  for (const text of ['0', '0.01', '0.02', '0.03']) state = type(state, text);
  expect(doubtedReading(state.sets[0]!, state.cursor, SHOP)).toBeNull();
  state = type(state, '-0.04');
  const doubted = doubtedReading(state.sets[0]!, state.cursor, SHOP)!;
  expect([doubted.typed, doubted.slip.kind, doubted.slip.text]).toEqual(['-0.04', 'sign', '0.04']);
  const reading = { ...doubted.place, valueUm: 40, text: '0.04', unit: 'mm' };
  state = reduce(state, { type: 'read', reading });
  expect(state.cursor).toEqual({ lap: 0, position: 5 });
  expect(doubtedReading(state.sets[0]!, state.cursor, SHOP)).toBeNull();
  expect(doubtedReading(state.sets[0]!, null, SHOP)).toBeNull();
});

test('the cursor does not leave the set, and comes back from its end', () => {
  let state = play(openBench([set()]), [{ type: 'step', by: -1 }]);
  expect(state.cursor).toEqual({ lap: 0, position: 0 });
  for (const text of ['0', '0', '0', '0', '0']) state = type(state, text);
  expect(reduce(state, { type: 'step', by: 1 }).cursor).toBeNull();
  expect(reduce(state, { type: 'step', by: -1 }).cursor).toEqual({ lap: 0, position: 4 });
});

test('another lap goes on where the first ended', () => {
  let state = openBench([set({ kind: 'thickness' })]);
  for (let i = 0; i < 4; i += 1) state = type(state, '27.1');
  expect(state.cursor).toBeNull();
  state = reduce(state, { type: 'add-lap', id: 'a' });
  expect(state.cursor).toEqual({ lap: 1, position: 0 });
});

test('the bench opens at the latest set that is not read to its end', () => {
  const done = set({
    id: 'b',
    kind: 'thickness',
    readings: [0, 1, 2, 3].map((position) => ({
      lap: 0,
      position,
      valueUm: 27_000,
      text: '27',
      unit: 'mm',
    })),
  });
  expect(openBench([set({ id: 'x' }), set(), done]).currentId).toBe('a');
  expect(openBench([done]).currentId).toBe('b');
  expect(openBench([set({ isAside: true })]).currentId).toBeNull();
});

test('an untouched bench opens at what this device holds; one that is in use stays', () => {
  const plan = { kind: 'runout', positions: 4, shift: 0, face: 'outboard', left: [] };
  const held = [
    { name: 'set-begin', input: { ...plan, id: 'h' } },
    ...[0, 1].map((position) => ({
      name: 'reading',
      input: { setId: 'h', lap: 0, position, text: '0.01', unit: 'mm', was: null },
    })),
  ];
  const fresh = reduce(openBench([]), { type: 'hold', held });
  expect([fresh.currentId, fresh.cursor]).toEqual(['h', { lap: 0, position: 2 }]);
  const used = reduce(openBench([]), { type: 'pick-set', id: null });
  expect(reduce(used, { type: 'hold', held }).currentId).toBeNull();
});

test('any text and any event leave a bench that still stands', () => {
  let state = openBench([set()]);
  for (const text of ['', '1', 'x', '-', '0.01', '999', '\u2212.5', '1e9', '0']) {
    state = type(state, text);
    state = play(state, [
      { type: 'step', by: 1 },
      { type: 'step', by: -1 },
      { type: 'pick-place', cursor: { lap: 0, position: 2 } },
      { type: 'pick-set', id: 'a' },
    ]);
    expect(state.sets).toHaveLength(1);
  }
});

describe('beyond the laps', () => {
  const values = [0, 9, 15, 17, 15, 9, 0, -9, -15, -17, -15, -9];
  const read = typedLap(values);
  const whole = (more: Partial<BenchSet> = {}) =>
    set({ positions: 12, endPlayUm: 0, readings: read, ...more });

  test('a set whose laps are read asks for a slow turn: its highest place, then its lowest', () => {
    const own = whole();
    const asked = askedPlace(own, solveSet(own, BENCH_CORNER));
    expect(asked).toEqual({ lap: 0, position: 13 });
    let state = reduce(openBench([own]), { type: 'pick-place', cursor: asked! });
    state = type(state, '0.018');
    expect(state.cursor).toEqual({ lap: 0, position: 14 });
    expect(reduce(state, { type: 'step', by: -1 }).cursor).toEqual(asked);
    state = type(state, '-0.018');
    expect(state.cursor).toBeNull();
    const result = solveSet(state.sets[0]!, BENCH_CORNER);
    expect(result?.kind === 'runout' && result.runout.turned?.curveBelieved).toBe(true);
    expect(askedPlace(state.sets[0]!, result)).toBeNull();
    expect(advisedStep(result, null)).toBe('next');
  });

  test('a slow turn may be left out whole, and the first place comes before it', () => {
    const own = whole();
    const at = reduce(openBench([own]), { type: 'pick-place', cursor: { lap: 0, position: 13 } });
    expect(reduce(at, enter(at, SHOP)).cursor).toBeNull();
    expect(reduce(at, { type: 'step', by: -1 }).cursor).toEqual({ lap: 0, position: 12 });
  });

  test('a turn that is read at one end only counts for nothing, and is asked for at the other', () => {
    const high = { lap: 0, position: 13, valueUm: 18, text: '0.018', unit: 'mm' };
    const own = whole({ readings: [...read, high] });
    const result = solveSet(own, BENCH_CORNER);
    expect(result?.kind === 'runout' && result.runout.turned).toBeNull();
    expect(askedPlace(own, result)).toEqual({ lap: 0, position: 14 });
  });

  test('a dial that counts the other way round has its highs for lows', () => {
    const turn = [12, -30].map((valueUm, i) => ({
      lap: 0,
      position: 13 + i,
      valueUm,
      text: String(valueUm),
      unit: 'um',
    }));
    const own = whole({ turned: true, readings: [...read, ...turn] });
    const result = solveSet(own, BENCH_CORNER);
    expect(result?.kind === 'runout' && result.runout.turned?.value).toBeCloseTo(42.5);
  });

  test('thickness asks for its places in turn until it is settled', () => {
    const truth = [5, 7, 5, 0, -4, -5, -4, 0].map((value) => 27_000 + value);
    const eight = { kind: 'thickness', positions: 8, settle: true, readings: typedLap(truth) };
    let own = set(eight as Partial<BenchSet>);
    const asked: number[] = [];
    for (let i = 0; i < 12; i += 1) {
      const place = askedPlace(own, solveSet(own, BENCH_CORNER));
      if (!place) break;
      asked.push((place.position - 9) * 7.5);
      const valueUm = asked.length % 2 === 1 ? 27_007 : 26_995;
      const reading = { ...place, valueUm, text: `${valueUm / 1000}`, unit: 'mm' };
      own = { ...own, readings: [...own.readings, reading] };
    }
    expect(asked.length).toBeGreaterThan(3);
    // High and low by turns, near the places of the curve.
    expect(asked.filter((_, i) => i % 2 === 0).every((angle) => angle < 90)).toBe(true);
    expect(asked.filter((_, i) => i % 2 === 1).every((angle) => angle > 180)).toBe(true);
    expect(solveSet(own, BENCH_CORNER)).toMatchObject({ figures: { settling: { next: null } } });
  });
});

test.each([
  [0, 'Position 1 of 12 (chalk mark, stud 1)'],
  [1, 'Position 2 of 12 (30°, 30° after stud 1)'],
  [2, 'Position 3 of 12 (60°, 12° before stud 2)'],
  [12, 'Position 1 again, to close the lap'],
  [13, 'Slow turn: stop at the highest place and read it'],
  [16, 'Slow turn 2: stop at the lowest place and read it'],
])('place %d names itself', (position, name) => {
  expect(placeName(set({ positions: 12 }), position, BENCH_CORNER)).toBe(name);
});

describe('what is heard', () => {
  const own = set({ positions: 12, readings: typedLap([0, 9, 15]) });
  const reading = (position: number, valueUm: number) => ({
    lap: 0,
    position,
    valueUm,
    text: String(valueUm / 1000),
    unit: 'mm',
  });
  const after = (...more: ReturnType<typeof reading>[]) => ({
    ...own,
    readings: [...own.readings, ...more],
  });

  test('of a reading is its place and its figure in steps, and the next place', () => {
    const read = reading(3, -17);
    const next = { lap: 0, position: 4 };
    const heard = heardOf(after(read), read, next, null, BENCH_CORNER);
    expect(heard.spoken).toBe('4: minus 17');
    expect(heard.told).toBe(
      'position 4 of 12, -0.017. Next: Position 5 of 12 (120°, 24° before stud 3).',
    );
  });

  test('of one that is doubted is another tone, and at the end the verdict', () => {
    const far = reading(3, 1500);
    const values = [0, 9, 15, 17, 15, 9, 0, -9, -15, -17, -15, -9];
    const doubted = { ...own, readings: [...typedLap(values.slice(0, 3)), far] };
    const next = { lap: 0, position: 4 };
    const off = heardOf(doubted, far, next, null, BENCH_CORNER);
    expect(off.as).toBe('doubted');
    expect(off.told).toMatch(/^position 4 of 12, 1\.5; it stands far off, F2 makes it /);
    const whole = set({ positions: 12, endPlayUm: 0, readings: typedLap(values) });
    const last = whole.readings.at(-1)!;
    const end = heardOf(whole, last, null, solveSet(whole, BENCH_CORNER), BENCH_CORNER);
    expect(end.as).toBe('end');
    expect(end.told).toBe('position 12 of 12, -0.009. Within, 0.034 mm, limit 0.050 mm.');
  });

  test('of the closing reading is the verdict, though a slow turn is asked for after it', () => {
    const values = [0, 9, 15, 17, 15, 9, 0, -9, -15, -17, -15, -9];
    const closing = reading(12, 0);
    const whole = set({ positions: 12, endPlayUm: 0, readings: [...typedLap(values), closing] });
    const result = solveSet(whole, BENCH_CORNER);
    const heard = heardOf(whole, closing, { lap: 0, position: 13 }, result, BENCH_CORNER);
    expect(heard.as).toBe('end');
    expect(heard.told).toMatch(
      /^1 again, 0\. Within, 0\.034 mm, limit 0\.050 mm\. Next: Slow turn: stop at the highest/,
    );
  });

  test('a turn and a place between are named as what they are', () => {
    const high = reading(13, 18);
    const turned = set({ positions: 12, readings: [high] });
    const next = { lap: 0, position: 14 };
    expect(heardOf(turned, high, next, null, BENCH_CORNER).spoken).toBe('highest: 18');
    const between = { ...reading(9 + 5, 27_405), text: '27.405' };
    const thick = set({ kind: 'thickness', positions: 8, readings: [between] });
    expect(heardOf(thick, between, null, null, BENCH_CORNER).spoken).toBe('37.5 degrees: 405');
  });
});

test('the bench does not say what is asked', () => {
  const advice = { kind: 'hub', hubTir: 60, limit: 50 } as const;
  expect(sayOnBench(advice, { ...BENCH_CORNER, isCheck: true }).todo).not.toMatch(/decide/);
  expect(sayOnBench(advice, { ...BENCH_CORNER, isCheck: true, isAnswered: true }).todo).toBe(
    'Everything is read here: decide.',
  );
});
