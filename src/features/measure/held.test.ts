import type { KeptWrite } from '@/ui/keeper';
import { overWaiting } from './held';

const write = (text: string, was: string | null, state = 'waiting'): KeptWrite =>
  ({ place: 'reading s 0 3', input: { text, was }, status: { state } }) as unknown as KeptWrite;

describe('what a reading is written over', () => {
  // 2026-11-27: typed twice offline, the second was taken for one over what no server had.
  test('is what the first that still waits there was written over', () => {
    const waiting = [write('0.010', null), write('0.033', '0.010')];
    expect(overWaiting(waiting, 'reading s 0 3', '0.033')).toBeNull();
  });

  test('is what the screen shows where nothing waits there', () => {
    expect(overWaiting([write('0.010', null)], 'reading s 0 4', '0.020')).toBe('0.020');
    expect(overWaiting([write('0.010', null, 'refused')], 'reading s 0 3', '0.020')).toBe('0.020');
  });
});
