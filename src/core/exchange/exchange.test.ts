import fc from 'fast-check';
import { lapOf, rawSet } from '../../../tests/support/sets';
import { findSolver } from '../contracts';
import type { RawSet } from '../assessment';
import { contractCase, readSetTable, SET_COLUMNS, writeSetCsv, type TableSet } from '.';

const sets = (text: string): readonly TableSet[] => {
  const table = readSetTable(text);
  if (!table.ok) throw new Error(table.message);
  return table.sets;
};
const message = (text: string): string => {
  const table = readSetTable(text);
  return table.ok ? '' : table.message;
};
const texts = (set: TableSet | undefined): string[] => set?.readings.map(({ text }) => text) ?? [];

describe('a pasted table', () => {
  test('a bare column of figures is one lap', () => {
    const [set] = sets('0.012\n0.020\n-0.004\n0.001\n');
    expect(set).toMatchObject({ positions: 4, laps: 1, unit: null, angles: null, kind: null });
    expect(texts(set)).toEqual(['0.012', '0.020', '-0.004', '0.001']);
  });

  test('tabs and decimal commas, as a spreadsheet gives them, with the unit in the heading', () => {
    const [set] = sets('Position\tRunout (µm)\n1\t12,5\n2\t20\n3\t-4\n4\t1\n');
    expect(set).toMatchObject({ positions: 4, unit: 'um' });
    expect(texts(set)[0]).toBe('12,5');
  });

  test('semicolons, laps, angles and the closing reading', () => {
    const [set] = sets(
      'lap;position;angle_deg;value_mm\n1;1;0;0\n1;2;80;0,01\n1;3;200;0,02\n1;4;300;0,01\n1;close;360;0\n2;1;0;0\n2;2;80;0\n2;3;200;0\n2;4;300;0\n',
    );
    expect(set).toMatchObject({ laps: 2, positions: 4, angles: [0, 80, 200, 300], unit: 'mm' });
    expect(set!.readings.filter(({ position }) => position === 4)).toHaveLength(1);
  });

  test('several sets are told apart', () => {
    const two = sets(
      'set,kind,shift,value_mm\na,runout,2,0\na,runout,2,0.01\nb,thickness,0,27.9\n',
    );
    expect(two.map(({ name, kind, shift, positions }) => [name, kind, shift, positions])).toEqual([
      ['a', 'runout', 2, 2],
      ['b', 'thickness', 0, 1],
    ]);
  });

  test.each([
    ['', /nothing in it/],
    ['value\n', /no readings/],
    ['a,b\n1,2\n', /No column is named/],
    ['1,2;3\n', /Several columns without names/],
    ['position,value\n1,0.1\n1,0.2\n', /Line 3: position 1 of lap 1 stands twice/],
    ['position,value\n999,0.1\n', /Line 2: “999” is not a position/],
    ['value\nabc\n', /Line 2: “abc” is not a figure/],
    ['lap,value\n0,1\n', /is not a lap from 1/],
    ['angle,value\n0,1\nx,2\n', /angle is missing/],
    ['x'.repeat(300_000), /too long/],
  ])('%j is refused in words', (text, words) => {
    expect(message(text)).toMatch(words);
  });

  test('no text breaks it', () => {
    fc.assert(fc.property(fc.string({ maxLength: 200 }), (text) => readSetTable(text) !== null));
  });
});

const reading = fc.integer({ min: -9_000_000, max: 9_000_000 }).map((nm) => nm / 1000);

test('sets are read back as they were written', () => {
  const any = fc.record({
    kind: fc.constantFrom('runout' as const, 'thickness' as const, 'hub' as const),
    positions: fc.integer({ min: 4, max: 72 }),
    shift: fc.integer({ min: 0, max: 9 }),
    values: fc.array(reading, { minLength: 73, maxLength: 73 }),
  });
  fc.assert(
    fc.property(any, ({ kind, positions, shift, values }) => {
      const readings = values
        .slice(0, kind === 'thickness' ? positions : positions + 1)
        .map((valueUm, position) => ({ lap: 0, position, valueUm }));
      const set = {
        corner: 'FL',
        phase: 'before',
        kind,
        face: 'inboard',
        shift,
        positions,
        readings,
      };
      const text = writeSetCsv([set]);
      expect(text.split('\n')[0]).toBe(SET_COLUMNS.join(','));
      const [back] = sets(text);
      expect(back).toMatchObject({ kind, positions, shift, laps: 1, angles: null, unit: 'mm' });
      expect(back!.readings.map(({ text: typed }) => Math.round(Number(typed) * 1e6))).toEqual(
        readings.map(({ valueUm }) => Math.round(valueUm * 1000)),
      );
    }),
    { numRuns: 60 },
  );
});

describe('a set as the solvers take it', () => {
  const set = rawSet({ face: 'inboard', endPlayUm: 10, readings: lapOf([0, 10, 20, 10, 1]) });

  test('is accepted by the contract, and says the same', () => {
    const own = contractCase(set, 5, {})!;
    const answer = findSolver('runout')!.run(own.input);
    expect(answer).toMatchObject({
      ok: true,
      result: { tirAsRead: expect.closeTo(19.5, 0) as number },
    });
  });

  test('a thickness needs its discard thickness; an empty set is nothing', () => {
    const thick: RawSet = {
      ...set,
      kind: 'thickness',
      rotorCelsius: 30,
      readings: [0, 1, 2, 3].map((j) => ({ lap: 0, position: j, valueUm: 27_000 + j })),
    };
    expect(contractCase(thick, 5, {})).toBeNull();
    const limits = { discard: { value: 26_000, source: 'maker' as const } };
    const own = contractCase(thick, 5, limits)!;
    expect(findSolver('thickness')!.run(own.input).ok).toBe(true);
    expect(contractCase({ ...set, readings: [] }, 5, {})).toBeNull();
  });
});

describe('what is read beyond the laps', () => {
  const turned = {
    ...rawSet({
      readings: [
        ...lapOf([0, 10, 0, -10, 1]),
        { lap: 0, position: 5, valueUm: 14 },
        { lap: 0, position: 6, valueUm: -12 },
      ],
    }),
    corner: 'FL',
    phase: 'before',
  };
  const settled = {
    ...rawSet({
      kind: 'thickness',
      positions: 8,
      settle: true,
      readings: [
        ...lapOf([27_000, 27_002, 27_004, 27_003, 27_001, 26_998, 26_997, 26_998]),
        { lap: 0, position: 9 + 14, valueUm: 27_005 },
        { lap: 1, position: 9 + 14, valueUm: 27_004 },
      ],
    }),
    corner: 'FL',
    phase: 'before',
  };

  test('goes through the table and comes back where it was', () => {
    const text = writeSetCsv([turned, settled]);
    expect(text).toContain('turn 1 high,,0.014');
    expect(text).toContain('extra,105,27.005');
    const [one, two] = sets(text);
    expect(one).toMatchObject({ positions: 4, laps: 1, settle: false });
    expect(two).toMatchObject({ positions: 8, laps: 1, settle: true });
    const places = (set: TableSet | undefined) =>
      set?.readings.map(({ lap, position }) => `${lap}.${position}`).sort();
    expect(places(one)).toEqual(
      turned.readings.map(({ lap, position }) => `${lap}.${position}`).sort(),
    );
    expect(places(two)).toEqual(
      settled.readings.map(({ lap, position }) => `${lap}.${position}`).sort(),
    );
  });

  test('is part of the case that the solvers take', () => {
    const run = contractCase(turned, 5, {});
    expect(run?.input.turns).toEqual([{ high: 14, low: -12 }]);
    expect(findSolver('runout')?.run(run!.input)).toMatchObject({ ok: true });
    const limits = { discard: { value: 26_000, source: 'maker' } } as const;
    const thick = contractCase(settled, 5, limits);
    expect(thick?.input).toMatchObject({
      settle: true,
      extra: [
        { angle: 105, value: 27_005 },
        { angle: 105, value: 27_004 },
      ],
    });
    expect(findSolver('thickness')?.run(thick!.input)).toMatchObject({ ok: true });
  });

  test.each([
    ['kind,position,value\nrunout,turn 0 high,1\n', /Line 2: “turn 0 high” is not a place/],
    ['kind,position,angle,value\nthickness,extra,11,27\n', /multiple of 7\.5/],
  ])('%j is refused in words', (text, words) => {
    expect(message(text)).toMatch(words);
  });
});
