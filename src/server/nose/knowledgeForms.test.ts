import { KNOWLEDGE } from '@/core/contracts';
import { NO_OVERRIDES } from '@/core/diagnosis';
import { changesIn, withoutWeight, withWeight, type Fields } from './knowledgeForms';

const shipped = (changes: Fields = {}): Fields => ({
  ...Object.fromEntries(
    KNOWLEDGE.causes.map(({ code, prior }) => [`prior.${code}`, String(prior)]),
  ),
  ...Object.fromEntries(
    KNOWLEDGE.findings.map(({ code, minutes }) => [`minutes.${code}`, String(minutes)]),
  ),
  ...changes,
});

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
  const form = (decibans: string): Fields => ({ answer: 'pull left', cause: 'hose', decibans });
  const one = withWeight(NO_OVERRIDES, form('3'))!;
  const two = withWeight(one, form('-4'))!;
  expect(two.weights).toEqual([{ finding: 'pull', value: 'left', cause: 'hose', decibans: -4 }]);
  expect(withoutWeight(two, form('')).weights).toEqual([]);
  expect(withWeight(NO_OVERRIDES, form('much'))).toBeNull();
  expect(withWeight(NO_OVERRIDES, form('21'))).toBeNull();
});
