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

describe('where the server tells of writes', () => {
  const sources: { emit: (name: string, data?: object) => void }[] = [];
  class FakeSource extends EventTarget {
    static readonly CLOSED = 2;
    readonly readyState = 1;
    constructor() {
      super();
      sources.push(this);
    }
    emit(name: string, data?: object): void {
      this.dispatchEvent(new MessageEvent(name, { data: JSON.stringify(data) }));
    }
  }
  const own = 'own-browser';
  const heard = (data: object) =>
    act(async () => {
      sources[0]!.emit('message', data);
      await jest.advanceTimersByTimeAsync(50);
    });

  test('a page follows another screen at once, its own browser not at all, and asks nothing meanwhile', async () => {
    global.EventSource = FakeSource as unknown as typeof EventSource;
    jest.spyOn(fakeBrowser.browserKeeper(), 'current').mockReturnValue({
      ...{ writes: [], lately: [], isAway: false, isRead: true },
    });
    Object.assign(fakeBrowser.browserKeeper(), { device: () => Promise.resolve(own) });
    render(<JobWatch jobId="j" version={5} />);
    await heard({ is: 'here' });
    asked.length = 0;
    await tenSeconds();
    expect(asked).toEqual([]);
    version = 8;
    await heard({ is: 'written', job: 'another', by: 'tablet' });
    await heard({ is: 'written', job: 'j', by: own });
    expect(asked).toEqual([]);
    await heard({ is: 'written', job: 'j', by: 'tablet' });
    expect(refresh).toHaveBeenCalledTimes(1);
    // The connection was lost and is back: what was written meanwhile is looked for.
    version = 9;
    await act(async () => {
      sources[0]!.emit('open');
      await jest.advanceTimersByTimeAsync(50);
    });
    expect(refresh).toHaveBeenCalledTimes(2);
    // A server that says nothing any more is asked again.
    version = 10;
    await tenSeconds();
    await tenSeconds();
    await tenSeconds();
    expect(refresh).toHaveBeenCalledTimes(3);
  });
});
