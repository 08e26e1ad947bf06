import { benchSet } from '../../../tests/support/sets';
import {
  doubtedReading,
  enter,
  openBench,
  reduce,
  type BenchEvent,
  type BenchSet,
  type BenchState,
} from './model';

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
