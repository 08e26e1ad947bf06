import { act, render } from '@testing-library/react';
import { bench, clearBench, fakeBrowser } from '../../../tests/support/stripBench';
import { KeeperProvider } from './context';
import type { WriteOrder } from './types';

const JOB = '0a5b6b6e-6f6f-4f6f-8f6f-000000000001';
const refresh = jest.fn();
const router = { refresh };
jest.mock('next/navigation', () => ({
  useRouter: () => router,
  usePathname: () => window.location.pathname,
}));
jest.mock(
  './browser',
  () =>
    jest.requireActual<{ fakeBrowser: unknown }>('../../../tests/support/stripBench').fakeBrowser,
);

const order: WriteOrder = {
  name: 'check',
  input: { jobId: JOB, kind: 'look', place: 'FL', item: 'hose', value: [], note: null, seen: null },
  place: `check ${JOB} look FL hose`,
  jobId: JOB,
  about: 'FL, look: hose, sound',
};

const isThere = jest.fn(() => Promise.resolve({ ok: true }));

/** Writes on a page of a job, waits longer than a burst of answers takes, and counts its reloads. */
async function reloadsAfter(answer: object, path = `/jobs/${JOB}/strip/FL`): Promise<number> {
  window.history.pushState(null, '', path);
  bench.answer = answer;
  const { unmount } = render(<KeeperProvider who={null}>page</KeeperProvider>);
  await act(async () => {
    void fakeBrowser.browserKeeper().keep(order, { by: null, href: `/jobs/${JOB}/strip/FL` });
    await new Promise((resolve) => setTimeout(resolve, 200));
  });
  unmount();
  return refresh.mock.calls.length;
}

beforeEach(() => {
  clearBench();
  refresh.mockClear();
  global.fetch = isThere as unknown as typeof fetch;
});

describe('what a page shows is loaded anew', () => {
  test('once something that it shows was written', async () => {
    expect(await reloadsAfter({ state: 'done', value: { kept: true, stamp: 'b' } })).toBe(1);
  });

  // 2026-11-27: theirs was told in the dialog, and “Leave theirs” left the page without it.
  test('once another screen is known to have written there', async () => {
    const theirs = { by: 'Ines', stamp: 'a', value: [] };
    expect(await reloadsAfter({ state: 'conflict', value: { kept: false, theirs } })).toBe(1);
  });

  test('not for what was refused: nothing stands differently', async () => {
    const refused = { state: 'refused', message: 'No.', fields: {}, code: 'refused' };
    expect(await reloadsAfter(refused)).toBe(0);
  });

  test('not on a page of another job', async () => {
    const done = { state: 'done', value: { kept: true, stamp: 'b' } };
    expect(await reloadsAfter(done, '/jobs/0a5b6b6e-6f6f-4f6f-8f6f-000000000002/decide')).toBe(0);
  });

  test('not while the server is away', async () => {
    isThere.mockImplementation(() => Promise.reject(new TypeError('away')));
    expect(await reloadsAfter({ state: 'done', value: { kept: true, stamp: 'b' } })).toBe(0);
    isThere.mockImplementation(() => Promise.resolve({ ok: true }));
  });
});
