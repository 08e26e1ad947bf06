import { render, screen } from '@testing-library/react';
import { HELD_AT, isHold, mayBeHeld, NOT_HELD, PAGES, TITLE } from '@/workers/offline/held';
import { grouped, HeldList } from './HeldList';
import { forgetPages, isHeldElsewhere, renderedAt } from './heldPage';

const JOB = '978f2296-20b7-4c38-9ed0-74727d930df3';
const OTHER = '078f2296-20b7-4c38-9ed0-74727d930df3';
const page = (path: string, title: string, at: number) => ({ path, title, at });

type Asked = string | { readonly url: string };
const hrefOf = (asked: Asked): string =>
  new URL(typeof asked === 'string' ? asked : asked.url, window.location.href).href;

/** A browser’s stores of answers, as far as they are asked here. */
let stores = new Map<string, Map<string, Response>>();
const caches = {
  open: (name: string) => {
    const store = stores.get(name) ?? new Map<string, Response>();
    stores.set(name, store);
    return Promise.resolve({
      match: (asked: Asked) => Promise.resolve(store.get(hrefOf(asked))),
      keys: () => Promise.resolve([...store.keys()].map((url) => ({ url }))),
    });
  },
  delete: (name: string) => Promise.resolve(stores.delete(name)),
};
const hold = async (path: string, headers: Record<string, string>): Promise<void> => {
  await caches.open(PAGES);
  const answer = { headers: new Map(Object.entries(headers)) } as unknown as Response;
  stores.get(PAGES)?.set(hrefOf(path), answer);
};

beforeEach(() => {
  stores = new Map();
  Object.defineProperty(window, 'caches', { value: caches, configurable: true });
  Object.defineProperty(globalThis, 'caches', { value: caches, configurable: true });
  window.history.replaceState(null, '', `/jobs/${JOB}/strip`);
  document.head.innerHTML = '';
});

test('pages of people and keys, and those of coming in, are never held', () => {
  for (const path of ['/workshop', '/pair', '/sign-in', '/api/v1/jobs.csv', '/_next/static/x.js']) {
    expect(mayBeHeld(path)).toBe(false);
  }
  for (const path of ['/', '/jobs/1/strip', '/pairs']) expect(mayBeHeld(path)).toBe(true);
  expect(isHold({ is: 'hold', of: 'x', version: 1, pages: [] })).toBe(true);
  expect([null, 'hold', { is: 'skip' }].map(isHold)).toEqual([false, false, false]);
});

test('what is held stands by jobs, the last at hand first, in the order of work', () => {
  const groups = grouped([
    page(`/jobs/${OTHER}/strip`, 'Strip · SK-1 · Zesty Hound', 10),
    page(`/jobs/${JOB}/strip`, 'Strip · SK-2 · Zesty Hound', 40),
    page(`/jobs/${JOB}/complaint`, 'Complaint · SK-2 · Zesty Hound', 30),
    page('/', 'Zesty Hound', 5),
    page(NOT_HELD, 'Without the server · Zesty Hound', 50),
  ]);
  expect(groups.map(({ name, pages }) => [name, pages.map(({ at }) => at)])).toEqual([
    ['SK-2', [30, 40]],
    ['SK-1', [10]],
    ['The shop', [5]],
  ]);
});

test('the list leads to what is held, and says where nothing is', async () => {
  const { unmount } = render(<HeldList />);
  expect(await screen.findByText('This screen holds no page.')).toBeInTheDocument();
  unmount();
  const title = encodeURIComponent('Prove FL · SK-2 · Zesty Hound');
  await hold(`/jobs/${JOB}/prove/FL`, { [HELD_AT]: String(Date.now()), [TITLE]: title });
  render(<HeldList />);
  const link = await screen.findByRole('link', { name: 'Prove FL' });
  expect(link).toHaveAttribute('href', `/jobs/${JOB}/prove/FL`);
  expect(screen.getByRole('heading').textContent).toMatch(/^SK-2 of \d\d:\d\d$/);
});

test('another page that is held is opened in place of one that does not come, never the one that is open', async () => {
  await hold(`/jobs/${JOB}/strip`, {});
  await hold(`/jobs/${JOB}/decide`, {});
  expect(await isHeldElsewhere(`/jobs/${JOB}/decide?_rsc=1ab`)).toBe(true);
  expect(await isHeldElsewhere(`/jobs/${JOB}/strip?_rsc=1ab`)).toBe(false);
  expect(await isHeldElsewhere(`/jobs/${JOB}/report`)).toBe(false);
  await forgetPages();
  expect(await isHeldElsewhere(`/jobs/${JOB}/decide`)).toBe(false);
});

test('a page that was held knows itself by its nonce, and of when it is', async () => {
  const now = Math.floor(performance.timeOrigin);
  const script = document.createElement('script');
  script.setAttribute('nonce', 'abc');
  script.nonce = 'abc';
  document.head.append(script);
  expect(await renderedAt()).toBe(now);
  const policy = { 'content-security-policy': "script-src 'nonce-abc'" };
  await hold(`/jobs/${JOB}/strip`, { ...policy, [HELD_AT]: '12345' });
  expect(await renderedAt()).toBe(12345);
  // Another one lies in the store: this page came from the server.
  script.nonce = 'other';
  expect(await renderedAt()).toBe(now);
});
