import fc from 'fast-check';
import type { Corner } from '../readings';
import { readFigures, wheelSays, type KeptFigures, type WheelCode } from '.';

describe('figures as they are typed', () => {
  test.each([
    ['1.9 2.4', 'pressure', 'bar', [1.9, 2.4]],
    ['1,9 / 2,4', 'pressure', 'bar', [1.9, 2.4]],
    ['28;35 psi', 'pressure', 'bar', [1.93, 2.413]],
    ['180 °F', 'temperature', '°C', [82.2]],
    ['-5', 'temperature', '°C', [-5]],
    ['118 120 96 121 119', 'torque', 'N·m', [118, 120, 96, 121, 119]],
    ['88 90 ft-lb', 'torque', 'N·m', [119.3, 122]],
    ['0.25 0.2 in', 'depth', 'mm', [6.35, 5.08]],
  ] as const)('%s as %s', (text, quantity, unit, figures) => {
    const read = readFigures(text, quantity, unit, [figures.length, figures.length]);
    if (!read.ok) throw new Error(read.message);
    read.figures.forEach((figure, i) => expect(figure).toBeCloseTo(figures[i]!, 1));
  });
  test.each([
    ['28 35 psi', 'pressure', 'bar', '28 35', 'psi'],
    ['28 35', 'pressure', 'psi', '28 35', 'psi'],
    ['118/120 Nm', 'torque', 'lb·ft', '118/120', 'N·m'],
    ['180f', 'temperature', '°C', '180', '°F'],
    ['180 ° F', 'temperature', '°C', '180', '°F'],
    ['0.2 0.3 "', 'depth', 'mm', '0.2 0.3', 'in'],
  ] as const)(
    '%s in a field of %s is said once, in its own unit',
    (typed, quantity, field, text, unit) => {
      expect(readFigures(typed, quantity, field, [1, 2])).toMatchObject({ text, unit });
    },
  );
  test.each([
    ['soft', /in figures/],
    ['1.9', /2 figures/],
    ['1.9 2.4 stone', /no unit here/],
    ['1.9 240', /cannot be/],
    ['1.2.3 4', /in figures/],
  ])('%s is refused in words', (text, why) => {
    const read = readFigures(text, 'pressure', 'bar', [2, 2]);
    expect(read.ok ? 'read' : read.message).toMatch(why);
  });
});

const at = (code: WheelCode, corner: Corner | null, ...figures: number[]): KeptFigures => ({
  code,
  corner,
  figures,
});
const said = (kept: KeptFigures[], should: number | null = 110): string[] =>
  wheelSays(kept, () => should).map(({ item, corner, value }) =>
    [corner, item.says, value].filter(Boolean).join(' '),
  );

describe('what the figures say', () => {
  test.each<[KeptFigures, string[]]>([
    [at('pressure', 'FL', 2.3, 2.4), ['FL tyre-pressure right']],
    [at('pressure', 'FL', 2.0, 2.4), ['FL tyre-pressure off']],
    [at('pressure', 'FL', 1.2, 2.4), ['FL tyre-pressure far']],
    [at('pressure', 'FL', 2.4, 0), []],
    [at('tread', 'FR', 5, 5, 3.2), ['FR tread-check one-side']],
    [at('tread', 'FR', 5, 5, 4.8), []],
    [at('rim', 'RL', 0.4, 0.5), ['RL rim-check within']],
    [at('rim', 'RL', 0.8, 0.5), ['RL rim-check beyond']],
    [at('rim', 'RL', 1.2, 0.5), ['RL rim-check far']],
    [at('nuts', 'RR', 108, 112, 110, 111, 109), ['RR nut-check even']],
    [at('nuts', 'RR', 60, 112, 110, 130, 90), ['RR nut-check uneven']],
    [at('nuts', 'RR', 210, 200, 205, 190, 200), ['RR nut-check over']],
    [at('nuts', 'RR', 5, 112, 110, 111, 109), ['RR nut-check loose']],
    [at('water', null, 1.1), ['fluid-check dry']],
    [at('water', null, 3.5), ['fluid-check some']],
    [at('water', null, 4.2), ['fluid-check wet']],
  ])('%j', (kept, expected) => {
    expect(said([kept])).toEqual(expected);
  });
  test('without a torque on file nuts are even or not, never loose or too tight', () => {
    expect(said([at('nuts', 'FL', 300, 305, 298)], null)).toEqual(['FL nut-check even']);
  });
  test('the wheel that drags, and the one that does not brake', () => {
    const heat = (fl: number, fr: number, rl: number, rr: number): KeptFigures[] => [
      ...[at('heat', 'FL', fl), at('heat', 'FR', fr), at('heat', 'RL', rl), at('heat', 'RR', rr)],
    ];
    const alike = ['RL wheel-heat alike', 'RR wheel-heat alike'];
    expect(said(heat(80, 82, 60, 58))).toEqual([
      'FL wheel-heat alike',
      'FR wheel-heat alike',
      ...alike,
    ]);
    expect(said(heat(120, 82, 60, 58))).toEqual(['FL wheel-heat warmer', ...alike]);
    expect(said(heat(180, 82, 60, 58))).toEqual(['FL wheel-heat hot', ...alike]);
    expect(said(heat(30, 75, 62, 58))).toEqual(['FL wheel-heat cold', ...alike]);
    // One alone has nothing to be held against.
    expect(said([at('heat', 'FL', 300)])).toEqual([]);
  });
  test('further from what it should be never says less', () => {
    const order = ['right', 'off', 'far'];
    const figure = fc.double({ min: 0, max: 6, noNaN: true });
    fc.assert(
      fc.property(figure, figure, (p, q) => {
        const rank = (off: number): number =>
          order.indexOf(wheelSays([at('pressure', 'FL', 2.4 + off, 2.4)], () => null)[0]!.value);
        expect(rank(Math.max(p, q))).toBeGreaterThanOrEqual(rank(Math.min(p, q)));
      }),
    );
  });
});
