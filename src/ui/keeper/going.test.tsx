import 'fake-indexeddb/auto';
import { deviceStore } from './deviceStore';
import { browserGoing } from './going';

/** What was typed a moment before its page was gone. */

// The test's browser has none; what is kept here is plain.
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value)) as never;

const write = (position: number, text: string, at = 1) => ({
  ...{ name: 'reading', place: `reading ${position}`, jobId: null, about: text },
  ...{ input: { text }, id: `${position} ${text}`, by: null, href: '/', at },
  status: { state: 'waiting' as const },
});
const never = (): boolean => false;
const later = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));
const textsOf = async (store: ReturnType<typeof deviceStore>): Promise<string[]> =>
  (await store.all()).map(({ about }) => about);

beforeEach(async () => {
  localStorage.clear();
  const store = deviceStore();
  await store.remove((await store.all()).map(({ number }) => number));
});

// 2026-11-28: two readings that the screen showed were on neither side: their page was left while
// the device's store was still writing them.
test('a page that is gone before its store answered leaves what it had on its way', async () => {
  const gone = browserGoing();
  gone.begin(write(1, '12'));
  gone.begin(write(2, '9'));
  const onFound = jest.fn();
  const store = deviceStore(browserGoing(), onFound);
  await later();
  expect(await textsOf(store)).toEqual(['12', '9']);
  expect(onFound).toHaveBeenCalled();
  // Taken over once.
  expect(localStorage.length).toBe(0);
});

test('what is stored is on its way no more', async () => {
  const store = deviceStore(browserGoing());
  const adding = store.add(write(1, '12'), never);
  expect(localStorage.length).toBe(1);
  await adding;
  expect(localStorage.length).toBe(0);
});

test('one that is there already is not there twice, and an older one not over a newer', async () => {
  const gone = browserGoing();
  gone.begin(write(1, 'same'));
  gone.begin(write(2, 'older', 1));
  const first = deviceStore();
  await first.add(write(1, 'same'), never);
  await first.add(write(2, 'newer', 2), never);
  const store = deviceStore(browserGoing());
  await later();
  expect(await textsOf(store)).toEqual(['same', 'newer']);
});

test('what cannot be written down at once goes to the store alone', async () => {
  const setItem = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new Error('full');
  });
  const store = deviceStore(browserGoing());
  await store.add(write(1, '12'), never);
  setItem.mockRestore();
  const large = write(2, 'x'.repeat(300_000));
  await store.add(large, never);
  expect(await store.all()).toHaveLength(2);
  expect(localStorage.length).toBe(0);
});
