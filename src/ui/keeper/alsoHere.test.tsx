import { act, render, screen } from '@testing-library/react';
import { clearBench, fakeBrowser } from '../../../tests/support/stripBench';
import { AlsoHere } from './AlsoHere';
import type { Heard } from './live';

let path = '/jobs/j/measure/FL';
jest.mock('next/navigation', () => ({ usePathname: () => path }));
jest.mock(
  './browser',
  () =>
    jest.requireActual<{ fakeBrowser: unknown }>('../../../tests/support/stripBench').fakeBrowser,
);
let hearer: (heard: Heard) => void = () => undefined;
jest.mock('./live', () => ({
  onHeard: (own: (heard: Heard) => void) => {
    hearer = own;
    return () => undefined;
  },
}));

const sent: unknown[] = [];
const at = (by: string, who: string | null, corner: string | null, job = 'j') =>
  act(async () => {
    hearer({ is: 'at', job, corner, by, who, screen: 'tablet, lift 2' });
    await jest.advanceTimersByTimeAsync(10);
  });

beforeEach(() => {
  jest.useFakeTimers();
  clearBench();
  sent.length = 0;
  path = '/jobs/j/measure/FL';
  Object.assign(fakeBrowser.browserKeeper(), { device: () => Promise.resolve('own') });
  global.fetch = ((_path: string, { body }: { body: string }) => {
    sent.push(JSON.parse(body));
    return Promise.resolve({ ok: true });
  }) as unknown as typeof fetch;
});
afterEach(() => jest.useRealTimers());

test('says where this screen is, and who else is at the job, as long as they say so', async () => {
  render(<AlsoHere jobId="j" />);
  await at('own', 'Ines', 'FL');
  expect(screen.queryByRole('status')).toBeNull();
  expect(sent).toEqual([{ job: 'j', corner: 'FL', by: 'own' }]);

  await at('a', 'Tobiah', 'FR');
  await at('b', null, null);
  expect(screen.getByRole('status').textContent).toBe(' · also here: Tobiah at FR, tablet, lift 2');
  await at('a', 'Tobiah', 'FL');
  expect(screen.getByRole('status').textContent).toContain('Tobiah at FL');
  // One goes to another job, one says nothing any more.
  await at('a', 'Tobiah', 'FL', 'another');
  expect(screen.getByRole('status').textContent).not.toContain('Tobiah');
  await act(async () => {
    await jest.advanceTimersByTimeAsync(70_000);
  });
  expect(screen.queryByRole('status')).toBeNull();
  expect(sent.length).toBeGreaterThan(3);
});
