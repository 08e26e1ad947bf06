import { KNOWLEDGE } from '../contracts';
import { checkMinutes } from './find';
import {
  judgeReplay,
  recordedOf,
  replayChecksLeft,
  replayState,
  type ReplayAction,
  type ReplayCase,
} from './replay';

const own: ReplayCase = {
  ...{ number: 1012, knowledge: KNOWLEDGE, axle: 'front', causes: ['stuck-pins'] },
  found: [
    { code: 'felt', value: 'pedal' },
    { code: 'drag', value: 'yes' },
    { code: 'pins-check', value: 'stuck', corner: 'FL' },
    { code: 'pins-check', value: 'free', corner: 'FR' },
  ],
};
const check = (code: string): ReplayAction => ({ kind: 'check', code });
const answer = (code: string): ReplayAction => ({ kind: 'answer', code });
const findingOf = (code: string) => KNOWLEDGE.findings.find((each) => each.code === code)!;

test('what was written down is given at every corner, and costs its minutes; what was not costs none', () => {
  expect(recordedOf(own, 'pins-check').map(({ corner }) => corner)).toEqual(['FL', 'FR']);
  const start = replayState(own, []);
  const felt = replayState(own, [check('felt')]);
  expect(felt.minutes).toBeCloseTo(checkMinutes(own, start, findingOf('felt')));
  // Nobody wrote of a hum: it is asked, nothing is learned, and the button does not tell beforehand.
  const noise = replayState(own, [check('noise')]);
  expect(noise).toMatchObject({ minutes: 0, asked: ['noise'] });
  expect(checkMinutes(own, start, findingOf('noise'))).toBeGreaterThan(0);
  expect(replayChecksLeft(own, noise).map(({ code }) => code)).not.toContain('noise');
});

test('asked twice it is asked once, the wheel comes off once, and after the answer nothing counts', () => {
  const twice = replayState(own, [check('felt'), check('felt')]);
  expect(twice).toEqual(replayState(own, [check('felt')]));
  const first = replayState(own, [check('pins-check')]);
  expect(first.isWheelOff).toBe(true);
  expect(first.minutes).toBeCloseTo(findingOf('pins-check').minutes + KNOWLEDGE.wheelOffMinutes);
  const set: ReplayAction = { kind: 'set', id: 'before FL 0', readings: 13 };
  const given = replayState(own, [set, set]);
  expect(given.sets).toEqual(['before FL 0']);
  expect(given.minutes).toBeCloseTo(13 * 0.15);
  const ended = replayState(own, [answer('hose'), check('felt')]);
  expect(ended).toMatchObject({ asked: [], answer: 'hose' });
});

test('the same as it was signed with, and how sure it was after each step', () => {
  const result = judgeReplay(own, [check('drag'), check('pins-check'), answer('stuck-pins')]);
  expect(result).toMatchObject({ isSame: true, nose: { code: 'stuck-pins' } });
  expect(result.sentence).toBe('You say what it was signed with: stuck slide pins.');
  const [drag, pins] = result.steps;
  expect(pins!.before).toBe(drag!.after);
  expect(pins!.after).toBeGreaterThan(0.5);
  expect(result.minutes).toBeLessThan(result.allMinutes);
});

test('something else: what was recorded, not asked, and would have told is named', () => {
  const result = judgeReplay(own, [check('felt'), answer('dtv-front')]);
  expect(result.isSame).toBe(false);
  expect(result.missed[0]?.code).toBe('pins-check');
  expect(result.sentence).toMatch(/^It was signed with stuck slide pins\. .* would have told\.$/);
});

test('a job that was signed without a cause says so instead of calling anything wrong', () => {
  const result = judgeReplay({ ...own, causes: [] }, [answer('hose')]);
  expect(result.isSame).toBeNull();
  expect(result.sentence).toMatch(/^It was signed without a cause/);
});
