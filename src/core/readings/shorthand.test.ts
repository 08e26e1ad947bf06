import fc from 'fast-check';
import { asMinus, expandDial, expandThickness, flipSign, mayBeginWhole } from '.';

const dial = (unit: 'mm' | 'in' | 'thou' | 'um', resolution: number) => ({
  unit,
  resolution,
  previous: null,
});
const after = (previous: string | null) => ({ unit: 'mm' as const, resolution: 1, previous });

describe('a dial reading without a decimal mark', () => {
  test.each([
    ['12', 1, '0.012'],
    ['-3', 10, '-0.03'],
    ['+7', 1, '0.007'],
    ['0', 1, '0.000'],
    ['-0', 1, '0.000'],
    ['5', 2, '0.010'],
    ['2', 12.7, '0.0254'],
  ])('%s on steps of %s µm is %s mm', (text, resolution, whole) => {
    expect(expandDial(text, dial('mm', resolution))).toBe(whole);
  });

  test('counts thousandths of an inch where the dial does, and leaves thou and µm alone', () => {
    expect(expandDial('4', dial('in', 2.54))).toBe('0.0004');
    expect(expandDial('4', dial('thou', 2.54))).toBe('4');
    expect(expandDial('4', dial('um', 1))).toBe('4');
  });

  test.each(['0.012', '12 um', '.5', '1,2', '', '-', 'x'])('"%s" stays as typed', (text) => {
    expect(expandDial(text, dial('mm', 1))).toBe(text);
  });
});

describe('the last digits of a thickness', () => {
  test.each([
    ['91', '27.986', '27.991'],
    ['79', '27.986', '27.979'],
    ['03', '27.998', '28.003'],
    ['98', '28.003', '27.998'],
    ['986', '27.991', '27.986'],
    ['27984', '27.986', '27.984'],
    ['84', '27,986', '27,984'],
  ])('%s after %s is %s', (text, previous, whole) => {
    expect(expandThickness(text, after(previous))).toBe(whole);
  });

  test('one digit is not enough to be sure, and nothing is made up without one before', () => {
    expect(expandThickness('4', after('27.986'))).toBe('4');
    expect(expandThickness('84', after(null))).toBe('84');
    expect(expandThickness('27986', after(null))).toBe('27.986');
    expect(expandThickness('27.5', after('27.986'))).toBe('27.5');
    expect(expandThickness('84', after('28'))).toBe('84');
  });

  test('any thickness within 49 steps of the one before is reached by its last two digits', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5000, max: 60_000 }),
        fc.integer({ min: -49, max: 49 }),
        (before, step) => {
          const text = (value: number) => (value / 1000).toFixed(3);
          const next = text(before + step);
          expect(expandThickness(next.slice(-2), after(text(before)))).toBe(next);
        },
      ),
    );
  });
});

test('the sign turns both ways', () => {
  expect([flipSign('12'), flipSign('-12'), flipSign('+1'), flipSign('−4')]).toEqual([
    '-12',
    '12',
    '-1',
    '4',
  ]);
});

test('a minus is put once', () => {
  expect([asMinus('12'), asMinus('-12'), asMinus('+12')]).toEqual(['-12', '-12', '-12']);
});

test('a step that is no decimal one is not guessed at', () => {
  expect(expandDial('3', dial('mm', 1 / 3))).toBe('3');
});

// 2026-11-30: with a decimal comma the first two digits of a whole figure were taken for its last ones.
test.each([
  ['26', '26.004', true],
  ['25', '26,004', true],
  ['27', '26,004', true],
  ['04', '26,004', false],
  ['10', '1023.6', true],
  ['98', '9.812', false],
  ['08', '0.8654', false],
])('whether %s could begin a figure near %s', (digits, whole, may) => {
  expect(mayBeginWhole(digits, whole)).toBe(may);
});
