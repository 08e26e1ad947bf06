import { act, render } from '@testing-library/react';
import { clearBench, fakeBrowser } from '../../../tests/support/stripBench';
import { JobWatch } from './JobWatch';

const refresh = jest.fn();
const router = { refresh };
jest.mock('next/navigation', () => ({ useRouter: () => router, usePathname: () => '/jobs/j' }));
jest.mock(
  './browser',
  () =>
    jest.requireActual<{ fakeBrowser: unknown }>('../../../tests/support/stripBench').fakeBrowser,
);

let version: number | null = 5;
const asked: string[] = [];

const tenSeconds = () =>
  act(async () => {
    await jest.advanceTimersByTimeAsync(10_100);
  });

beforeEach(() => {
  jest.useFakeTimers();
  clearBench();
  refresh.mockClear();
  asked.length = 0;
  version = 5;
  global.fetch = ((path: string) => {
    asked.push(path);
    if (version === null) return Promise.reject(new TypeError('away'));
    return Promise.resolve({ ok: true, json: () => Promise.resolve({ version }) });
  }) as unknown as typeof fetch;
});
afterEach(() => jest.useRealTimers());

// 2026-11-27: two tablets typed different figures at one place; the first went on showing its own.
test('a page is loaded anew once another screen has written in its job, and once only', async () => {
  render(<JobWatch jobId="j" version={5} />);
  await tenSeconds();
  expect(refresh).not.toHaveBeenCalled();
  version = 7;
  await tenSeconds();
  await tenSeconds();
  expect(refresh).toHaveBeenCalledTimes(1);
});

test('it asks nothing while something of its own is on its way, and bears a server that is away', async () => {
  render(<JobWatch jobId="j" version={5} />);
  version = null;
  await tenSeconds();
  expect(asked).toContain('/api/v1/jobs/j/version');
  expect(refresh).not.toHaveBeenCalled();
  const order = { name: 'check', input: {}, place: 'p', jobId: 'j', about: 'a' };
  jest
    .spyOn(fakeBrowser.browserKeeper(), 'current')
    .mockReturnValue({ writes: [order as never], lately: [], isAway: true, isRead: true });
  version = 9;
  await tenSeconds();
  expect(refresh).not.toHaveBeenCalled();
});
