import { KNOWLEDGE } from '@/core/contracts';
import { NO_OVERRIDES } from '@/core/diagnosis';
import { answersOf, changesIn, withoutWeight, withWeight } from './model';

function shipped(changes: Readonly<Record<string, string>> = {}): FormData {
  const form = new FormData();
  for (const { code, prior } of KNOWLEDGE.causes) form.set(`prior.${code}`, String(prior));
  for (const { code, minutes } of KNOWLEDGE.findings) form.set(`minutes.${code}`, String(minutes));
  for (const [name, value] of Object.entries(changes)) form.set(name, value);
  return form;
}

test('only what differs from the shipped numbers is the shop\u2019s own', () => {
  expect(changesIn(shipped())).toEqual({ ok: true, value: { priors: {}, minutes: {} } });
  expect(changesIn(shipped({ 'prior.hose': '7,5', 'minutes.pins-check': '9' }))).toEqual({
    ok: true,
    value: { priors: { hose: 7.5 }, minutes: { 'pins-check': 9 } },
  });
});

test.each([
  [{ 'prior.hose': '' }, /Collapsed hose.*: write a share/],
  [{ 'prior.hose': '0' }, /write a share/],
  [{ 'minutes.pins-check': 'long' }, /Slide pins: write minutes/],
])('a number that is none is named: %j', (changes, words) => {
  const read = changesIn(shipped(changes));
  expect(read.ok ? '' : read.words).toMatch(words);
});

test('a weight is added, replaced and dropped', () => {
  const form = (decibans: string): FormData => {
    const own = new FormData();
    own.set('answer', 'pull left');
    own.set('cause', 'hose');
    own.set('decibans', decibans);
    return own;
  };
  const one = withWeight(NO_OVERRIDES, form('3'))!;
  const two = withWeight(one, form('-4'))!;
  expect(two.weights).toEqual([{ finding: 'pull', value: 'left', cause: 'hose', decibans: -4 }]);
  expect(withoutWeight(two, form('')).weights).toEqual([]);
  expect(withWeight(NO_OVERRIDES, form('much'))).toBeNull();
  expect(withWeight(NO_OVERRIDES, form('21'))).toBeNull();
});

test('every answer can be given a weight', () => {
  expect(answersOf().map(({ value }) => value)).toContain('felt both');
});
