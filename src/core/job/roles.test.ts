import { maySo, refuseRole, roleForCheck, takesBackDanger } from './roles';
import type { Check } from './types';

const check = (own: object): Check =>
  ({ note: null, by: 'Ines', at: new Date(), stamp: 's', seq: 1, place: 'FL', ...own }) as Check;

test.each([
  [null, 'apprentice', true],
  [null, 'technician', false],
  ['apprentice', 'technician', false],
  ['technician', 'technician', true],
  ['technician', 'lead', false],
  ['lead', 'lead', true],
] as const)('%s may what a role of %s is asked for: %s', (role, asked, may) => {
  expect(maySo(role, asked)).toBe(may);
  expect(refuseRole(role && { name: 'Wren', role }, asked) === null).toBe(may);
});

test('a refusal says what somebody is here, or asks for the name', () => {
  expect(refuseRole(null, 'lead')).toMatch(/who you are/);
  expect(refuseRole({ name: 'Wren', role: 'apprentice' }, 'technician')).toMatch(
    /Wren is an apprentice here: a technician or a lead does this/,
  );
});

test('looking and measuring is learnt; correcting, pulling and pumping is not', () => {
  for (const kind of ['look', 'figure', 'step', 'parts'] as const)
    expect(roleForCheck(kind)).toBe('apprentice');
  for (const kind of ['fixed', 'correct', 'rebuild', 'torque', 'pedal', 'hydraulics'] as const)
    expect(roleForCheck(kind)).toBe('technician');
});

describe('what takes a danger back', () => {
  const leak = check({ kind: 'look', item: 'leaks', value: ['leak'] });

  test.each<[string, Check | undefined, unknown, boolean]>([
    ['a leak taken back', leak, null, true],
    ['a leak called sound', leak, [], true],
    ['a leak said again', leak, ['leak'], false],
    ['a sound look taken back', check({ kind: 'look', item: 'leaks', value: [] }), null, false],
    ['nothing there before', undefined, ['leak'], false],
    [
      'a wheel said to be on',
      check({ kind: 'step', item: 'wheel-off', value: 'done' }),
      null,
      true,
    ],
    ['a step of no weight', check({ kind: 'step', item: 'steering', value: 'done' }), null, false],
    ['a pedal that sank', check({ kind: 'pedal', item: 'held', value: 'sank' }), 'held', true],
    ['a pedal that held', check({ kind: 'pedal', item: 'held', value: 'held' }), null, false],
    ['work on a drum', check({ kind: 'drum', item: 'done', value: 'done' }), null, true],
    ['an opened system', check({ kind: 'hydraulics', item: 'opened', value: 'done' }), null, true],
    [
      'how pistons went back',
      check({ kind: 'method', item: 'retraction', value: 'x' }),
      null,
      true,
    ],
  ])('%s', (_, before, value, expected) => expect(takesBackDanger(before, value)).toBe(expected));
});
