import { ReadingOutbox, type OutgoingReading, type SendReadings } from './outbox';

function memoryStore() {
  const values = new Map<string, string>();
  return {
    values,
    getItem: (key: string) => values.get(key) ?? null,
    setItem: (key: string, value: string) => void values.set(key, value),
    removeItem: (key: string) => void values.delete(key),
  };
}
const reading = (position: number, text = '1'): OutgoingReading => ({
  lap: 0,
  position,
  text,
  unit: 'mm',
});
const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

test('what is sent is kept until it is answered for', async () => {
  const store = memoryStore();
  let answer: (value: { ok: true }) => void = () => undefined;
  const send: SendReadings = () => new Promise((resolve) => (answer = resolve));
  const outbox = new ReadingOutbox('s', store, send);
  outbox.put(reading(0));
  expect(store.values.size).toBe(1);
  expect(outbox.status()).toEqual({ state: 'saving', count: 1 });
  answer({ ok: true });
  await settle();
  expect(store.values.size).toBe(0);
  expect(outbox.status()).toEqual({ state: 'saved' });
});

test('a server that is away is tried again, and nothing is lost in between', async () => {
  jest.useFakeTimers();
  const store = memoryStore();
  const sent: number[] = [];
  let isAway = true;
  const send: SendReadings = async (_, readings) => {
    if (isAway) throw new Error('away');
    sent.push(...readings.map(({ position }) => position));
    return { ok: true };
  };
  const outbox = new ReadingOutbox('s', store, send);
  outbox.put(reading(0));
  outbox.put(reading(1));
  await jest.advanceTimersByTimeAsync(600);
  expect(outbox.status()).toMatchObject({ state: 'waiting', count: 2 });
  isAway = false;
  await jest.advanceTimersByTimeAsync(2000);
  expect(sent).toEqual([0, 1]);
  expect(outbox.status()).toEqual({ state: 'saved' });
  jest.useRealTimers();
});

test('a new visit finds and sends what a former one left', async () => {
  const store = memoryStore();
  new ReadingOutbox('s', store, () => new Promise(() => undefined)).put(reading(3, '0,5'));
  const sent: OutgoingReading[] = [];
  const next = new ReadingOutbox('s', store, async (_, readings) => {
    sent.push(...readings);
    return { ok: true };
  });
  expect(next.waiting).toEqual([reading(3, '0,5')]);
  await settle();
  expect(sent).toEqual([reading(3, '0,5')]);
});

test('a later reading of the same place replaces one that waits', async () => {
  const store = memoryStore();
  const outbox = new ReadingOutbox('s', store, () => new Promise(() => undefined));
  outbox.put(reading(0, '1'));
  outbox.put(reading(0, '2'));
  expect(outbox.waiting).toEqual([reading(0, '2')]);
});

test('a refusal is reported and does not block what follows', async () => {
  const store = memoryStore();
  let isRefused = true;
  const outbox = new ReadingOutbox('s', store, async () => {
    if (!isRefused) return { ok: true };
    isRefused = false;
    return { ok: false, message: 'too thick' };
  });
  outbox.put(reading(0));
  await settle();
  expect(outbox.status()).toEqual({ state: 'refused', message: 'too thick' });
  outbox.put(reading(1));
  await settle();
  expect(outbox.status()).toEqual({ state: 'saved' });
});

test('a store full of nonsense, or none at all, stops nothing', async () => {
  const store = memoryStore();
  store.values.set('zesty-hound-outbox:s', '{not json');
  expect(new ReadingOutbox('s', store, async () => ({ ok: true })).waiting).toEqual([]);
  const broken = {
    getItem: () => null,
    removeItem: () => undefined,
    setItem: () => {
      throw new Error('full');
    },
  };
  const outbox = new ReadingOutbox('s', broken, async () => ({ ok: true }));
  outbox.put(reading(0));
  await settle();
  expect(outbox.status()).toEqual({ state: 'saved' });
});

test('two tabs on one set: one that is answered does not drop what the other still holds', async () => {
  const store = memoryStore();
  new ReadingOutbox('s', store, () => new Promise(() => undefined)).put(reading(0, 'offline'));
  const kept = store.getItem('zesty-hound-outbox:s');
  store.removeItem('zesty-hound-outbox:s');
  const online = new ReadingOutbox('s', store, async () => ({ ok: true }));
  store.setItem('zesty-hound-outbox:s', kept!);
  online.put(reading(1, 'online'));
  await settle();
  expect(online.status()).toEqual({ state: 'saved' });
  expect(JSON.parse(store.getItem('zesty-hound-outbox:s')!)).toEqual([reading(0, 'offline')]);
});
