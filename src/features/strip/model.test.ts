import { fitInto, kindOfFile } from './photo';
import {
  checkAt,
  foundOf,
  keyOf,
  lookKey,
  lookStateOf,
  toggled,
  withChange,
  type CheckView,
} from './model';
import { sayCheck } from './say';

const look = (item: string, value: unknown): CheckView => ({
  kind: 'look',
  place: 'FL',
  item,
  value,
  note: null,
  by: 'Wren',
  at: '14:02',
  stamp: 's1',
});

describe('a look', () => {
  test('is one of three things', () => {
    expect(lookStateOf(undefined)).toBe('not-looked');
    expect(lookStateOf(look('hose', []))).toBe('sound');
    expect(lookStateOf(look('hose', ['old']))).toBe('wrong');
    expect(foundOf(look('hose', 'odd'))).toBeUndefined();
  });

  test.each([
    ['sound when nothing was said', undefined, null, []],
    ['sound again takes it back', [], null, null],
    ['sound over what was found', ['old'], null, []],
    ['a condition when nothing was said', undefined, 'old', ['old']],
    ['a condition over sound', [], 'old', ['old']],
    ['one more condition', ['old'], 'bulged', ['old', 'bulged']],
    ['one condition less', ['old', 'bulged'], 'old', ['bulged']],
    ['the last condition off is not looked at, not sound', ['old'], 'old', null],
  ])('becomes %s', (_, found, condition, after) =>
    expect(toggled(found, condition)).toEqual(after),
  );

  test.each([
    ['1', { answer: 0 }],
    ['4', { answer: 3 }],
    ['5', null],
    ['0', null],
    ['Enter', { step: 1 }],
    ['ArrowDown', { step: 1 }],
    ['ArrowUp', { step: -1 }],
    ['x', null],
  ])('key %s leads to %j with four answers', (key, to) => expect(lookKey(key, 4)).toEqual(to));
});

describe('a change on its way', () => {
  const checks = [look('hose', []), look('pins', ['dry'])];
  const change = { kind: 'look', place: 'FL', item: 'hose', note: null } as const;

  test('is laid over what stands, with the stamp that was seen', () => {
    const after = withChange(checks, { ...change, value: ['old'] });
    expect(checkAt(after, change)).toMatchObject({ value: ['old'], stamp: 's1', at: 'now' });
    expect(after.length).toBe(2);
  });

  test('taken back leaves nothing; a new one has no stamp', () => {
    expect(checkAt(withChange(checks, { ...change, value: null }), change)).toBeUndefined();
    const fresh = withChange([], { ...change, value: [] });
    expect(fresh[0]?.stamp).toBe('');
    expect(keyOf(change)).toBe('look FL hose');
  });
});

test('what a check says, in words', () => {
  const condition = {
    code: 'old',
    name: 'Old',
    tell: '',
    means: '',
    forbids: [],
    says: { code: '', value: '' },
  };
  const named = {
    items: [
      { code: 'hose', group: 'lines', name: 'Hose', soundSays: null, conditions: [condition] },
    ],
    figures: [{ code: 'lip', group: 'rotor', name: 'Lip', of: 'amount' as const }],
    steps: [],
  };
  expect(sayCheck(named, 'hose', [])).toBe('Hose: Sound');
  expect(sayCheck(named, 'hose', ['old'])).toBe('Hose: Old');
  expect(sayCheck(named, 'hose', null)).toBe('Hose: not looked at');
  expect(sayCheck(named, 'lip', { text: '0.4', unit: 'mm', um: 400 })).toBe('Lip: 0.4');
  expect(sayCheck(named, 'lip', { text: '0.5', unit: 'mm' })).toBe('Lip: 0.5');
  expect(sayCheck(named, 'wheel-off', 'left-out')).toBe('wheel-off: Left out');
});

describe('a photo', () => {
  const bytes = (text: string) => Uint8Array.from(text, (char) => char.charCodeAt(0));
  test.each([
    ['\0\0\0\x18ftypheic\0\0', 'heic'],
    ['\0\0\0\x1cftypmif1\0\0', 'heic'],
    ['\0\0\0\x18ftypisom\0\0', 'other'],
    ['MZ\x90\0', 'program'],
    ['\x7fELF\x02', 'program'],
    ['#!/bin/sh', 'program'],
    ['\xff\xd8\xff\xe0', 'other'],
    ['', 'other'],
  ])('%j is %s by its own bytes', (text, kind) => expect(kindOfFile(bytes(text))).toBe(kind));

  test.each([
    [[4000, 3000], 1600, [1600, 1200]],
    [[300, 200], 1600, [300, 200]],
    [[1, 9000], 320, [1, 320]],
  ])('%j fits into %i', ([width, height], edge, to) =>
    expect(fitInto(width!, height!, edge)).toEqual(to),
  );
});
