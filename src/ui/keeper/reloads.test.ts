import { Reloads } from './Reloads';

/** A server that is there or not, a page that is loaded by hand, and what happened, in order. */
function page(isThere = () => Promise.resolve(true)) {
  const log: string[] = [];
  const reloads = new Reloads(isThere, () => void log.push('load'));
  const ask = (name: string): void =>
    reloads.ask({
      whenBegun: () => void log.push(`${name} begun`),
      whenOver: () => void log.push(`${name} over`),
    });
  return { log, reloads, ask };
}

const soon = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

// 2026-11-29: each answer of a burst began a reload of its own, and a page that was pressed waited for all of them.
test('what is wanted while a page is loaded is loaded together, once, after it', async () => {
  const { log, reloads, ask } = page();
  ask('first');
  await soon();
  ask('second');
  ask('third');
  await soon();
  expect(log).toEqual(['first begun', 'load']);
  log.length = 0;
  reloads.loaded();
  await soon();
  expect(log).toEqual(['first over', 'second begun', 'third begun', 'load']);
  log.length = 0;
  reloads.loaded();
  reloads.loaded();
  await soon();
  expect(log).toEqual(['second over', 'third over']);
});

test('what is wanted while the server is asked whether it is there is read after it as well', async () => {
  const answers: ((isThere: boolean) => void)[] = [];
  const { log, reloads, ask } = page(() => new Promise((resolve) => answers.push(resolve)));
  ask('first');
  ask('second');
  expect(answers).toHaveLength(1);
  // A page that was shown meanwhile for another reason ends nothing.
  reloads.loaded();
  answers[0]?.(true);
  await soon();
  expect(log).toEqual(['first begun', 'load']);
  reloads.loaded();
  expect(answers).toHaveLength(2);
});

test('a server that is away is told to nobody as begun; the next is asked for anew', async () => {
  let isThere = false;
  const { log, ask } = page(() => Promise.resolve(isThere));
  ask('first');
  await soon();
  expect(log).toEqual(['first over']);
  isThere = true;
  ask('second');
  await soon();
  expect(log).toEqual(['first over', 'second begun', 'load']);
});
