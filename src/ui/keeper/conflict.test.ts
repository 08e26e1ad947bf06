import { overTheirs, sayTheirs } from './conflict';
import type { KeptWrite } from './types';

const met = (name: string, input: unknown, theirs: unknown): KeptWrite => ({
  ...{ name, input, id: 'w', number: 1, place: 'p', jobId: 'j', about: 'it', by: null },
  ...{ href: '/', at: 0, status: { state: 'conflict', value: { kept: false, theirs } } },
});

// 2026-11-27: a check has a place in the order of its writing, which was taken for a line of the ledger.
test('a check goes over the stamp of what another wrote, whatever else its row holds', () => {
  const input = { value: [], seen: 'old' };
  const write = met('check', input, { stamp: 'theirs', seq: 7, value: ['old'], by: 'Wren' });
  expect(overTheirs(write)).toEqual({ input: { value: [], seen: 'theirs' } });
  expect(sayTheirs(write)).toBe('Wren wrote there meanwhile: old.');
});

test('a reading goes over the text of what another wrote', () => {
  const write = met('reading', { text: '0.02', was: null }, { text: '0.03', by: null });
  expect(overTheirs(write)).toEqual({ input: { text: '0.02', was: '0.03' } });
});

test('a form goes over the last line that it was told of', () => {
  const theirs = { by: 'Tobiah', said: 'SK-1: model A → model B', seq: 41 };
  const write = met('vehicle', { id: 'v', form: {} }, theirs);
  expect(overTheirs(write)).toEqual({ seen: { upTo: 41, isOwnSeen: true } });
  expect(sayTheirs(write)).toBe('Tobiah changed this meanwhile: SK-1: model A → model B.');
});
