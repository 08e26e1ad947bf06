/** @jest-environment jsdom */
import {
  apartFromPractice,
  practiceAgain,
  practiceId,
  practiceText,
  practiceTime,
  practiceWrites,
  watchPractice,
} from './practiceRoom';
import type { KeptWrite, WriteAnswer } from './types';

const write = (id: string, jobId: string | null): KeptWrite => ({
  ...{ id, jobId, number: 1, name: 'reading', input: { at: id }, place: id, about: id },
  ...{ by: null, href: '/', at: 0, status: { state: 'waiting' as const } },
});
const CASE = practiceId('RD-00001', 1);
const done = (_device: string, writes: readonly KeptWrite[]): Promise<WriteAnswer[]> =>
  Promise.resolve(writes.map(({ id }) => ({ id, state: 'done', value: null })));

beforeEach(() => localStorage.clear());

test('what is practised stays here, once each; the rest is sent as before', async () => {
  const send = jest.fn(done);
  const heard = jest.fn();
  const stop = watchPractice(heard);
  const answers = await apartFromPractice(send)('d', [write('a', CASE), write('b', 'a job')]);
  expect(answers.map(({ id, state }) => [id, state])).toEqual([
    ['a', 'done'],
    ['b', 'done'],
  ]);
  expect(send.mock.calls.map(([, writes]) => writes.map(({ id }) => id))).toEqual([['b']]);
  await apartFromPractice(send)('d', [write('a', CASE)]);
  expect(send).toHaveBeenCalledTimes(1);
  expect(practiceWrites(practiceText(CASE))).toEqual([
    { id: 'a', name: 'reading', input: { at: 'a' } },
  ]);
  expect(heard).toHaveBeenCalledTimes(1);
  stop();
});

test('with the server away practice goes on, and what belongs to the shop waits', async () => {
  const away = (): Promise<WriteAnswer[]> => Promise.reject(new Error('away'));
  const answers = await apartFromPractice(away)('d', [write('b', null), write('a', CASE)]);
  expect(answers.map(({ id, state }) => [id, state])).toEqual([
    ['a', 'done'],
    ['b', 'trouble'],
  ]);
  await expect(apartFromPractice(away)('d', [write('b', null)])).rejects.toThrow('away');
});

test('a browser that keeps nothing says so', async () => {
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new Error('quota');
  });
  const [answer] = await apartFromPractice(done)('d', [write('a', CASE)]);
  expect(answer).toMatchObject({ state: 'refused', message: expect.stringMatching(/storage/) });
  full.mockRestore();
});

test('a case that is worked again begins empty, and what it was stays', async () => {
  await apartFromPractice(done)('d', [write('a', CASE)]);
  expect(practiceTime('RD-00001')).toBe(1);
  practiceAgain('RD-00001');
  expect(practiceTime('RD-00001')).toBe(2);
  expect(practiceText(practiceId('RD-00001', 2))).toBe('[]');
  expect(practiceWrites(practiceText(CASE))).toHaveLength(1);
  expect(practiceWrites('{"no":"list"}')).toEqual([]);
  expect(practiceWrites('[1, null, {"id":"a","name":"x","input":1}]')).toHaveLength(1);
});
