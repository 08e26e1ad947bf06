import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { Engine, EngineFailed, isBreaking } from '@/db/connect/engine';
import { findDamage, tableFiles } from '@/db/connect/pages';
import { copyRunning, EMPTIED, LEFT_OUT } from '@/db/connect/runningCopy';
import * as schema from '@/db/schema';
import { addLog, copyFolder } from '@/server/records/backup/files';

let fresh: string;
beforeAll(async () => {
  // A database is made once: making it takes longer than all that is tried on it.
  fresh = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-engine-'));
  await (await PGlite.create(path.join(fresh, 'pg'))).close();
});
afterAll(() => fs.rmSync(fresh, { recursive: true, force: true }));
let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-engine-'));
  fs.cpSync(fresh, folder, { recursive: true });
  // What it says to the log of a server is expected here.
  jest.spyOn(process.stderr, 'write').mockReturnValue(true);
});
afterEach(() => {
  jest.restoreAllMocks();
  fs.rmSync(folder, { recursive: true, force: true });
});
const place = (name: string): string => path.join(folder, name);

const databaseError = (code: string, message: string, severity = 'ERROR'): Error =>
  Object.assign(new Error(message), { code, severity });

test('what the engine does not outlive is told from an error like any other', () => {
  const like = [
    databaseError('23505', 'duplicate key value'),
    databaseError('53100', 'could not extend file "base/5/1": No space left on device'),
    databaseError('XX001', 'invalid page in block 3 of relation "base/5/1"'),
    new TypeError('x is not a function'),
  ];
  expect(like.map(isBreaking)).toEqual([false, false, false, false]);
  const last = [
    databaseError('53100', 'could not write to file "pg_logical/x.tmp": No space left on device'),
    databaseError('58030', 'could not fsync file'),
    databaseError('53200', 'out of memory', 'FATAL'),
    new WebAssembly.RuntimeError('unreachable'),
    new Error('Aborted(). Build with -sASSERTIONS for more info.'),
  ];
  expect(last.map(isBreaking)).toEqual([true, true, true, true, true]);
});

/** An engine whose first one breaks at a given question, alone or in a transaction. */
function breakingEngine(database: string, at: string): { engine: Engine; opened: () => number } {
  let opened = 0;
  const broken = databaseError('58030', 'could not fsync file');
  const engine = new Engine(database, async (where) => {
    const own = await PGlite.create(where);
    opened += 1;
    if (opened > 1) return own;
    const heed = (target: object) =>
      new Proxy(target, {
        get: (of, name) => {
          const found: unknown = Reflect.get(of, name, of);
          if (name === 'transaction') {
            return (run: (tx: object) => Promise<unknown>) =>
              own.transaction((tx) => run(heed(tx)));
          }
          if (typeof found !== 'function') return found;
          return (...args: unknown[]) =>
            args[0] === at
              ? Promise.reject(broken)
              : (found.bind(of) as typeof own.query)(...(args as [string]));
        },
      });
    return heed(own) as PGlite;
  });
  return { engine, opened: () => opened };
}

test.each(['alone', 'in a transaction'])(
  'a broken engine is left and another opened in its place: %s',
  async (how) => {
    const { engine, opened } = breakingEngine(place('pg'), 'select 42');
    await engine.open();
    await engine.exec('create table t (n int); insert into t values (1)');
    const asked =
      how === 'alone'
        ? engine.query('select 42')
        : engine.transaction(async (tx) => {
            await tx.query('insert into t values (2)');
            await tx.query('select 42');
          });
    await expect(asked).rejects.toThrow(EngineFailed);
    expect((await engine.query('select * from t')).rows).toEqual([{ n: 1 }]);
    expect(opened()).toBe(2);
    await engine.close();
  },
);

test('a statement that is kept ready is so in the next engine too', async () => {
  const { engine, opened } = breakingEngine(place('pg'), 'select 42');
  await engine.open();
  await engine.prepare('prepare twice(int) as select $1 * 2 as n');
  await expect(engine.query('select 42')).rejects.toThrow(EngineFailed);
  expect((await engine.query('execute twice(21)')).rows).toEqual([{ n: 42 }]);
  expect(opened()).toBe(2);
  await engine.close();
});

// Whoever asks late would open an engine of its own on a folder that is another’s by then.
test('one that is closed is not opened again by a late question', async () => {
  const { engine, opened } = breakingEngine(place('pg'), 'never asked');
  await engine.open();
  await engine.close();
  await expect(engine.query('select 1')).rejects.toThrow('The database is closed.');
  expect(opened()).toBe(1);
});

// A promise that lived as long as the engine kept every answer: 25 MB for 20,000 questions.
test('nothing of a question is kept once it is answered', async () => {
  const engine = new Engine(place('pg'));
  await engine.open();
  for (let i = 0; i < 5; i += 1) await engine.query('select 1');
  await expect(engine.query('select nothing from nowhere')).rejects.toThrow(/does not exist/);
  expect((engine as unknown as { waiting: Set<unknown> }).waiting.size).toBe(0);
  await engine.close();
});

test('a running database is copied as it stands at one moment, and nobody waits for it', async () => {
  const engine = new Engine(place('pg'));
  await engine.open();
  await engine.exec('create table t (n serial primary key, x text)');
  const write = () => engine.query('insert into t (x) values ($1)', ['x'.repeat(2000)]);
  for (let i = 0; i < 300; i += 1) await write();
  let isCopying = true;
  let longest = 0;
  const writing = (async () => {
    while (isCopying) {
      const since = performance.now();
      await write();
      longest = Math.max(longest, performance.now() - since);
      await new Promise((resolve) => setTimeout(resolve, 2));
    }
  })();
  const db = drizzle(engine as unknown as PGlite, { schema });
  const count = async (of: { query: PGlite['query'] }): Promise<number> =>
    (await of.query<{ n: number }>('select count(*)::int as n from t')).rows[0]!.n;
  const had = await copyRunning(
    db,
    place('pg'),
    async (tx) =>
      ((await tx.execute('select count(*)::int as n from t')).rows[0] as { n: number }).n,
    {
      files: async (from) => {
        await copyFolder(from, place('copy'), { left: LEFT_OUT, emptied: EMPTIED });
        // What is written after the files were read is in the log only.
        await new Promise((resolve) => setTimeout(resolve, 200));
      },
      log: (from, parts, label) => addLog(from, place('copy'), parts, label),
    },
  );
  for (let i = 0; i < 50; i += 1) await write();
  isCopying = false;
  await writing;
  const copy = await PGlite.create(place('copy'));
  expect(await count(copy)).toBe(had);
  await copy.close();
  expect(await findDamage(place('copy'))).toEqual([]);
  expect(had).toBeGreaterThan(300);
  expect(await count(engine)).toBeGreaterThan(had);
  // Slow machines are allowed for: `npm run bench` measures it.
  expect(longest).toBeLessThan(3000);
  // A second one is made like the first: nothing of it was left behind.
  await copyRunning(db, place('pg'), count as never, {
    files: () => Promise.resolve(),
    log: () => Promise.resolve(),
  }).catch(() => undefined);
  const slots = await engine.query('select * from pg_replication_slots');
  expect(slots.rows).toEqual([]);
  await engine.close();
});

test('the log is brought into the tables before it grows long', async () => {
  const engine = new Engine(place('pg'));
  await engine.open();
  await engine.exec('create table t (n serial primary key, x text)');
  for (let round = 0; round < 6; round += 1) {
    await engine.exec(
      'insert into t (x) select repeat(md5(n::text), 60) from generate_series(1, 5000) n',
    );
    for (let i = 0; i < 50; i += 1) await engine.query('select 1');
  }
  const { rows } = await engine.query<{ bytes: number; behind: number }>(
    `select (select sum(size)::float from pg_ls_waldir()) as bytes,
            (pg_current_wal_lsn() - redo_lsn)::float as behind from pg_control_checkpoint()`,
  );
  expect(rows[0]!.bytes).toBeLessThan(128_000_000);
  expect(rows[0]!.behind).toBeLessThan(40_000_000);
  await engine.close();
});

test('a flipped byte, a file cut off within a page: both are found, and nothing else', async () => {
  const engine = await PGlite.create(place('pg'));
  await engine.exec(
    "create table t (n serial primary key, x text); insert into t (x) select repeat('y', 500) from generate_series(1, 500); checkpoint",
  );
  const { rows } = await engine.query<{ file: string }>("select pg_relation_filepath('t') as file");
  const { file } = rows[0]!;
  expect(await findDamage(place('pg'))).toEqual([]);
  await engine.close();
  expect(tableFiles(place('pg'))).toContain(file);
  const own = path.join(place('pg'), file);
  const sound = fs.readFileSync(own);
  const flipped = Buffer.from(sound);
  flipped[3 * 8192 + 4000]! ^= 1;
  fs.writeFileSync(own, flipped);
  expect(await findDamage(place('pg'))).toEqual([{ file, page: 3 }]);
  fs.writeFileSync(own, sound.subarray(0, sound.length - 100));
  expect(await findDamage(place('pg'))).toEqual([{ file, page: null }]);
});
