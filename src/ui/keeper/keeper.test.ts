import 'fake-indexeddb/auto';
import { deviceStore, pageStore } from './deviceStore';
import { deviceLog, forgetDone, pageLog } from './doneLog';
import { Keeper, type Crier, type KeeperParts } from './Keeper';
import type { KeptWrite, SendWrites, Settled, WriteAnswer, WriteOrder, WriteStore } from './types';

const HERE = { by: null, href: '/jobs/1' };
const reading = (position: number, text: string): WriteOrder => ({
  name: 'reading',
  input: { position, text },
  place: `reading ${position}`,
  jobId: '1',
  about: `position ${position}`,
});
const textsOf = (writes: readonly KeptWrite[]): string[] =>
  writes.map(({ input }) => (input as { text: string }).text);
const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 30));

/** A server that keeps what it is sent by place, refuses what it is told to, and may be away. */
function fakeServer() {
  const rows = new Map<string, { readonly number: number; readonly input: unknown }>();
  const state = { isAway: false, refuses: new Set<string>(), inTrouble: new Set<string>() };
  const send: SendWrites = (_device, writes) => {
    if (state.isAway) return Promise.reject(new Error('away'));
    const answers: WriteAnswer[] = [];
    for (const { id, place, number, input } of writes) {
      if (state.inTrouble.has(place)) {
        answers.push({ id, state: 'trouble', message: 'in trouble' });
        break;
      }
      if (state.refuses.has(place)) {
        answers.push({ id, state: 'refused', message: 'no', fields: {}, code: 'refused' });
        continue;
      }
      // An older write never lands on a newer one.
      if ((rows.get(place)?.number ?? 0) < number) rows.set(place, { number, input });
      answers.push({ id, state: 'done', value: null });
    }
    return Promise.resolve(answers);
  };
  const text = (position: number): unknown =>
    (rows.get(`reading ${position}`)?.input as { text: string } | undefined)?.text;
  return { state, send, text };
}

/** The tabs of one browser: they share the store, hear each other, and one sends at a time. */
function browser(store: WriteStore, send: SendWrites) {
  const tabs: ((note: Parameters<Crier['tell']>[0]) => void)[] = [];
  let turn = Promise.resolve();
  const crier = (): Crier => {
    let own: (typeof tabs)[number] | null = null;
    return {
      tell: (note) => {
        for (const tab of tabs) if (tab !== own) tab(note);
      },
      listen: (listener) => {
        own = listener;
        tabs.push(listener);
      },
    };
  };
  const parts: Omit<KeeperParts, 'crier'> = {
    ...{ store, send, log: pageLog() },
    alone: (run) => (turn = turn.then(run)),
    pause: () => new Promise((resolve) => setTimeout(resolve, 2)),
  };
  return { open: (): Keeper => new Keeper({ ...parts, crier: crier() }) };
}

describe.each([
  ['on the device', deviceStore],
  ['in a page', pageStore],
])('a store %s', (_name, make) => {
  test('keeps writes in order, one for a place, and forgets what is settled', async () => {
    const store = make();
    for (const { number } of await store.all()) await store.remove([number]);
    const device = await store.device();
    expect(await store.device()).toBe(device);
    const own = (position: number, text: string) => ({
      ...{ ...reading(position, text), ...HERE, id: text, at: 0 },
      status: { state: 'waiting' as const },
    });
    const never = (): boolean => false;
    const first = await store.add(own(1, 'a'), never);
    await store.add(own(2, 'b'), never);
    const third = await store.add(own(1, 'c'), ({ place }) => place === 'reading 1');
    expect(textsOf(third.dropped)).toEqual(['a']);
    expect(third.write.number).toBeGreaterThan(first.write.number);
    expect(textsOf(await store.all())).toEqual(['b', 'c']);
    await store.change(first.write);
    expect(textsOf(await store.all())).toEqual(['b', 'c']);
    await store.remove([third.write.number]);
    expect(textsOf(await store.all())).toEqual(['b']);
  });
});

// 2026-11-27: the whole batch was dropped before its answer was looked at, good readings with it.
test('one that is refused among good ones takes none of them along, and is kept with its reason', async () => {
  const server = fakeServer();
  server.state.refuses.add('reading 2');
  const keeper = browser(pageStore(), server.send).open();
  const kept = [1, 2, 3].map((position) => keeper.keep(reading(position, `r${position}`), HERE));
  expect((await Promise.all(kept)).map(({ state }) => state)).toEqual(['done', 'refused', 'done']);
  await settle();
  expect([server.text(1), server.text(2), server.text(3)]).toEqual(['r1', undefined, 'r3']);
  expect(keeper.current().writes).toMatchObject([
    { place: 'reading 2', status: { state: 'refused', message: 'no' } },
  ]);
  // What is typed at the place again stands for it.
  server.state.refuses.clear();
  expect(await keeper.keep(reading(2, 'better'), HERE)).toMatchObject({ state: 'done' });
  await settle();
  expect(server.text(2)).toBe('better');
  expect(keeper.current().writes).toEqual([]);
});

// 2026-11-27: the outbox of an earlier visit was never closed and wrote last: the disk had 10.
test('offline, left and come back: what was corrected last is what is written', async () => {
  const server = fakeServer();
  server.state.isAway = true;
  const store = pageStore();
  const tabs = browser(store, server.send);
  const first = tabs.open();
  const ten = first.keep(reading(1, '10'), HERE);
  await settle();
  const second = tabs.open();
  await settle();
  expect(textsOf(second.current().writes)).toEqual(['10']);
  void second.keep(reading(1, '12'), HERE);
  await settle();
  server.state.isAway = false;
  await settle();
  expect(server.text(1)).toBe('12');
  expect(await store.all()).toEqual([]);
  expect(['done', 'dropped']).toContain((await ten).state);
});

// 2026-11-27: "not on file any more" of a server in trouble made the device drop the reading.
test('a server in trouble is tried again; whatever it refuses, nothing is dropped', async () => {
  const server = fakeServer();
  server.state.inTrouble.add('reading 1');
  const keeper = browser(pageStore(), server.send).open();
  const one = keeper.keep(reading(1, 'a'), HERE);
  const other = keeper.keep({ ...reading(2, 'b'), jobId: '2' }, HERE);
  // The trouble of one job keeps no other back.
  expect(await other).toMatchObject({ state: 'done' });
  await settle();
  expect(keeper.current().isAway).toBe(true);
  expect(textsOf(keeper.current().writes)).toEqual(['a']);
  server.state.inTrouble.clear();
  expect(await one).toMatchObject({ state: 'done' });
  server.state.refuses.add('reading 3');
  await keeper.keep(reading(3, 'c'), HERE);
  await settle();
  expect(textsOf(keeper.current().writes)).toEqual(['c']);
  const [refused] = keeper.current().writes;
  server.state.refuses.clear();
  await keeper.again(refused!);
  await settle();
  expect(server.text(3)).toBe('c');
});

// 2026-11-27: refused for want of a name, a write was sent nameless again after one was chosen.
test('what was refused is sent again under the name that is chosen by then', async () => {
  const server = fakeServer();
  const names: (string | null)[] = [];
  const keeper = browser(pageStore(), (device, writes) => {
    names.push(...writes.map(({ by }) => by));
    return server.send(device, writes);
  }).open();
  server.state.refuses.add('reading 3');
  await keeper.keep(reading(3, 'c'), HERE);
  await settle();
  const [refused] = keeper.current().writes;
  server.state.refuses.clear();
  keeper.writer = 'ines';
  await keeper.again(refused!);
  await settle();
  expect(names).toEqual([null, 'ines']);
});

// 2026-11-27: pulls and looks waited in a page of their own and were sent when it was opened again.
test('what one page left is sent by any other page, and all tabs hear of it', async () => {
  const server = fakeServer();
  server.state.isAway = true;
  const store = pageStore();
  const tabs = browser(store, server.send);
  const left = tabs.open();
  void left.keep(reading(1, 'pull'), HERE);
  await settle();
  const heard: Settled[] = [];
  const other = tabs.open();
  other.whenSettled((_write, how) => heard.push(how));
  server.state.isAway = false;
  await settle();
  expect(server.text(1)).toBe('pull');
  expect(heard).toMatchObject([{ state: 'done' }]);
  expect(other.current().writes).toEqual([]);
  expect(textsOf(other.current().lately)).toEqual(['pull']);
});

// 2026-11-27: a page that was rendered before an answer, and again without it, showed it undone.
test('what is done is laid over the page until one is rendered that had it', async () => {
  const server = fakeServer();
  const keeper = browser(pageStore(), server.send).open();
  void keeper.keep(reading(1, 'first'), HERE);
  await settle();
  const had = keeper.current().lately;
  void keeper.keep(reading(2, 'second'), HERE);
  await settle();
  expect(textsOf(keeper.current().lately)).toEqual(['first', 'second']);
  keeper.isShown(had);
  expect(textsOf(keeper.current().lately)).toEqual(['second']);
  expect(keeper.current().lately[0]?.answer).toBeDefined();
});

// 2026-11-27: a page asked for while a write was on its way was rendered without it, for good.
test('a page that was asked for before something was done hears of it', async () => {
  const server = fakeServer();
  const store = pageStore();
  const tabs = browser(store, server.send);
  const asked = Date.now();
  await tabs.open().keep(reading(1, 'on its way'), HERE);
  await settle();
  const opened = tabs.open();
  expect(await opened.isDoneSince(asked)).toBe(true);
  expect(await opened.isDoneSince(Date.now() + 1)).toBe(false);
});

test('a page that was held is laid over with what was done since, once each', async () => {
  const server = fakeServer();
  const tabs = browser(pageStore(), server.send);
  const first = tabs.open();
  await first.keep(reading(1, 'before it was held'), HERE);
  await settle();
  const held = Date.now();
  await first.keep(reading(2, 'after'), HERE);
  server.state.refuses.add('reading 3');
  await first.keep(reading(3, 'refused'), HERE);
  await settle();
  const opened = tabs.open();
  await opened.recall(held);
  await opened.recall(held);
  expect(textsOf(opened.current().lately)).toEqual(['after']);
  expect(opened.current().lately[0]).toMatchObject({ place: 'reading 2', answer: null });
});

/** A write that was done. */
const done = (position: number, text = String(position)) => ({
  ...{ ...reading(position, text), ...HERE, id: text.slice(0, 9), at: 0, number: position },
  ...{ status: { state: 'waiting' as const }, answer: null },
});

describe.each([
  ['on the device', () => deviceLog(() => true)],
  ['in a page', pageLog],
])('the log of what is done, %s', (_name, make) => {
  beforeEach(async () => {
    jest.useFakeTimers({ doNotFake: ['setImmediate', 'setTimeout'], now: 1e12 });
    await forgetDone();
  });
  afterEach(() => jest.useRealTimers());

  test('answers what was done since a moment, in order', async () => {
    const log = make();
    await log.add([done(1)]);
    jest.setSystemTime(1e12 + 1000);
    await log.add([done(2), done(3)]);
    expect(textsOf(await log.since(1e12 + 1))).toEqual(['2', '3']);
    expect(textsOf(await log.since(1e12))).toEqual(['1', '2', '3']);
    expect(await log.since(1e12 + 1001)).toEqual([]);
    expect([await log.isSince(1e12 + 1000), await log.isSince(1e12 + 1001)]).toEqual([true, false]);
  });

  // Read once more before it was ever there: a page asked for before a photo was done would have lacked it for good.
  test('knows that a picture was done, and keeps none', async () => {
    const log = make();
    await log.add([done(1, 'p'.repeat(300_000))]);
    expect(await log.isSince(1e12)).toBe(true);
    expect(await log.since(1e12)).toEqual([]);
  });
});

describe('the log on the device', () => {
  beforeEach(async () => {
    jest.useFakeTimers({ doNotFake: ['setImmediate', 'setTimeout'], now: 2e12 });
    await forgetDone();
  });
  afterEach(() => jest.useRealTimers());

  test('keeps nothing for longer than two days, and nothing for who comes next', async () => {
    const log = deviceLog(() => true);
    await log.add([done(1)]);
    jest.setSystemTime(2e12 + 2 * 24 * 3600 * 1000 + 1);
    await log.add([done(2)]);
    expect(textsOf(await log.since(0))).toEqual(['2']);
    await forgetDone();
    expect(await log.isSince(0)).toBe(false);
  });

  test('keeps that something was done, not what, where no page is held', async () => {
    const log = deviceLog(() => false);
    await log.add([done(1)]);
    expect([await log.isSince(2e12), await log.since(2e12)]).toEqual([true, []]);
  });
});

test('a newer write never gives way to an older one that arrives late', async () => {
  const server = fakeServer();
  let release: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (release = resolve));
  let calls = 0;
  const slow: SendWrites = async (device, writes) => {
    calls += 1;
    if (calls === 1) await held;
    return server.send(device, writes);
  };
  const keeper = browser(pageStore(), slow).open();
  const older = keeper.keep(reading(1, 'older'), HERE);
  await settle();
  const newer = keeper.keep(reading(1, 'newer'), HERE);
  await settle();
  release();
  expect((await older).state).toBe('done');
  expect((await newer).state).toBe('done');
  expect(server.text(1)).toBe('newer');
});

test('what another wrote meanwhile waits for a choice; dropped by hand it is gone', async () => {
  const answers: WriteAnswer['state'][] = ['conflict', 'done'];
  const send: SendWrites = (_device, writes) =>
    Promise.resolve(
      writes.map(({ id }) => ({ id, state: answers.shift() ?? 'done', value: { kept: false } })),
    ) as ReturnType<SendWrites>;
  const keeper = browser(pageStore(), send).open();
  expect(await keeper.keep(reading(1, 'mine'), HERE)).toMatchObject({ state: 'conflict' });
  await settle();
  const [met] = keeper.current().writes;
  expect(met).toMatchObject({ status: { state: 'conflict', value: { kept: false } } });
  await keeper.again(met!, { input: { position: 1, text: 'mine over theirs' } });
  await settle();
  expect(keeper.current().writes).toEqual([]);
  answers.unshift('conflict');
  await keeper.keep(reading(2, 'x'), HERE);
  await settle();
  await keeper.drop(keeper.current().writes[0]!);
  expect(keeper.current().writes).toEqual([]);
});
