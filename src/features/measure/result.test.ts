import type { Advice } from '@/core/assessment';
import { advisedMove } from './result';

const index = (probability: number): Advice => ({
  ...{ kind: 'index', from: 0, to: 2, tir: 12, before: 70, limit: 50 },
  probability,
});
const second: Advice = { kind: 'second-mounting', from: 0, to: 2 };

test.each([
  ['a second mounting', second, { phase: 'before' }, { from: 0, to: 2 }],
  ['as found nothing is moved', second, { phase: 'as-found' }, null],
  ['a sure move', index(0.98), { phase: 'before' }, { from: 0, to: 2 }],
  ['a move that Decide weighs', index(0.7), { phase: 'before' }, null],
  ['a check has no Decide', index(0.7), { phase: 'before', isCheck: true }, { from: 0, to: 2 }],
  ['as found, surely', index(0.98), { phase: 'as-found' }, null],
  ['nothing said', null, { phase: 'before' }, null],
] as const)('the move that is drawn: %s', (_, advice, corner, expected) => {
  expect(advisedMove(advice, corner)).toEqual(expected);
});
