import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { eq, sql } from 'drizzle-orm';
import { create } from 'tar';
import { POST as makeNow } from '@/app/api/v1/backup/now/route';
import { GET as copiesStand, POST as makeCopy } from '@/app/api/v1/copies/route';
import { GET, POST } from '@/app/api/v1/backup/route';
import { openDatabase } from '@/db/client';
import { differenceOf, shapeOf, wantedShape, type Shape } from '@/db/shape';
import { ledger } from '@/db/schema';
import { closeDatabase, database } from '@/server/database';
import { environment } from '@/server/environment';
import { loadJob, openJob } from '@/server/job/jobs';
import { makeArchive } from '@/server/records/archive';
import {
  backupToSend,
  cancelCopy,
  copiesFolder,
  copyFile,
  copyNow,
  copyUnderWay,
  dropStaged,
  keptCopies,
  lastCopy,
  makeBackup,
  type Manifest,
  nightlyCopy,
  removeCopy,
  restoreStaged,
  stageBackup,
  sweepWork,
} from '@/server/records/backup';
import { sayNearlyFull } from '@/server/records/disk';
import { find } from '@/server/records/find';
import { addToRecord } from '@/server/signoff/signOff';
import { LEAD } from '../support/people';
import { jobNumber, standUpDemo } from './demo';
import { known } from './known';

jest.mock('@/server/web/who', () => ({
  whoIsHere: () => Promise.resolve({ id: 'i', name: 'Ines', role: 'lead' }),
}));

standUpDemo();

const work = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-backups-'));
afterAll(() => fs.rmSync(work, { recursive: true, force: true }));
const file = (name: string): string => path.join(work, name);
/** Everything on file but the moment at which it is written out. */
const everything = async (): Promise<string> =>
  JSON.stringify({ ...(await makeArchive({ kind: 'all' })), made: '', seal: '' });
let untouched = '';
const leftovers = (): string[] =>
  fs.readdirSync(environment().folder).filter((name) => /^(copying|restoring)-/.test(name));

test('a copy made while it runs is whole, and brings everything back while it runs', async () => {
  const before = await everything();
  const { manifest } = known(await makeBackup(file('a.tar.gz')));
  expect(manifest.counts).toMatchObject({ vehicles: 6, jobs: 16 });
  const { vehicle } = (await loadJob(await jobNumber(103)))!;
  const input = { vehicleId: vehicle.id, complaint: 'Later.', odometerKm: '1', corners: ['FL'] };
  known(await openJob(input));
  expect((await find({})).total).toBe(17);
  const staged = known(await stageBackup(file('a.tar.gz')));
  expect((await find({})).total).toBe(17);
  const kept = known(await restoreStaged(staged.id));
  expect((await find({})).total).toBe(16);
  expect(await everything()).toBe(before);
  expect(fs.existsSync(path.join(copiesFolder(), kept, 'pg'))).toBe(true);
  expect(leftovers()).toEqual([]);
  // What is restored is written to like before.
  known(await openJob(input));
  const signed = (await find({ state: 'closed' })).jobs[0]!;
  known(await addToRecord({ jobId: signed.id, text: 'Seen again.' }, LEAD));
  untouched = await everything();
});

test('it is staged once: another restore of the same is refused', async () => {
  const staged = known(await stageBackup(file('a.tar.gz')));
  dropStaged(staged.id);
  expect(await restoreStaged(staged.id)).toMatchObject({ ok: false });
  for (const id of ['', '..', '../x', 'restoring-', 'pg', 'restoring-../../']) {
    expect(await restoreStaged(id)).toMatchObject({ ok: false });
    dropStaged(id);
  }
  expect(fs.existsSync(path.join(environment().folder, 'pg'))).toBe(true);
});

/** A packed folder with a manifest and whatever else. */
async function packed(name: string, files: Readonly<Record<string, string>>): Promise<string> {
  const folder = fs.mkdtempSync(path.join(work, 'pack-'));
  for (const [place, text] of Object.entries(files)) {
    fs.mkdirSync(path.dirname(path.join(folder, place)), { recursive: true });
    fs.writeFileSync(path.join(folder, place), text);
  }
  await create({ cwd: folder, file: file(name), gzip: true }, Object.keys(files));
  return file(name);
}
const MANIFEST = {
  format: 'zesty-hound-backup',
  version: 1,
  made: '2026-01-01T00:00:00.000Z',
  schema: { when: 1, tag: '0000_first' },
  counts: { vehicles: 0, jobs: 0, readings: 0, photos: 0 },
};

test.each<[string, () => Promise<string>, RegExp]>([
  [
    'text',
    async () => {
      fs.writeFileSync(file('text'), 'no archive at all');
      return file('text');
    },
    /torn, or no backup/,
  ],
  [
    'torn in the middle',
    async () => {
      const whole = fs.readFileSync(file('a.tar.gz'));
      fs.writeFileSync(file('torn'), whole.subarray(0, whole.length / 2));
      return file('torn');
    },
    /torn/,
  ],
  ['another program\u2019s', () => packed('other', { 'notes.txt': 'x' }), /no backup has/],
  [
    'without a manifest',
    () => packed('bare', { 'pg/PG_VERSION': '18' }),
    /does not say what it is/,
  ],
  [
    'of another version',
    () =>
      packed('version', {
        'backup.json': JSON.stringify({ ...MANIFEST, version: 3 }),
        'pg/PG_VERSION': '18',
      }),
    /another version/,
  ],
  [
    'of a newer program',
    () =>
      packed('newer', {
        'backup.json': JSON.stringify({ ...MANIFEST, schema: { when: 9e15, tag: 'later' } }),
        'pg/PG_VERSION': '18',
      }),
    /newer version/,
  ],
  [
    'without a database',
    () => packed('hollow', { 'backup.json': JSON.stringify(MANIFEST), 'pg/PG_VERSION': '18' }),
    /cannot be opened/,
  ],
  [
    'with a link in it',
    async () => {
      const folder = fs.mkdtempSync(path.join(work, 'link-'));
      fs.mkdirSync(path.join(folder, 'pg'));
      fs.symlinkSync('/etc', path.join(folder, 'pg', 'etc'));
      await create({ cwd: folder, file: file('link'), gzip: true }, ['pg']);
      return file('link');
    },
    /symboliclink/,
  ],
  [
    'that climbs out',
    async () => {
      const folder = fs.mkdtempSync(path.join(work, 'climb-'));
      fs.mkdirSync(path.join(folder, 'in'));
      fs.writeFileSync(path.join(folder, 'outside'), 'x');
      await create(
        { cwd: path.join(folder, 'in'), file: file('climb'), gzip: true, preservePaths: true },
        ['../outside'],
      );
      return file('climb');
    },
    /no backup has/,
  ],
])('a file that is %s is refused in words, and nothing is touched', async (_, make, reason) => {
  const answer = await stageBackup(await make());
  expect(answer).toMatchObject({ ok: false, message: expect.stringMatching(reason) as string });
  expect(answer).toMatchObject({ message: expect.stringMatching(/Nothing was changed/) as string });
  expect(leftovers()).toEqual([]);
});

test('the records are as they were before all that was refused', async () => {
  expect(await everything()).toBe(untouched);
});

/** A sound copy that somebody opened, changed and packed again, with what it says of itself then. */
async function repacked(
  name: string,
  say: (manifest: Manifest) => object,
  changes: readonly string[] = [],
): Promise<string> {
  const staged = known(await stageBackup(file('a.tar.gz')));
  const folder = path.join(environment().folder, staged.id);
  if (changes.length > 0) {
    const { db, close } = await openDatabase({ folder });
    for (const change of changes) await db.execute(sql.raw(change));
    await close();
  }
  const { digest: _, seal: _seal, ...manifest } = staged.manifest;
  fs.writeFileSync(path.join(folder, 'backup.json'), JSON.stringify(say(manifest)));
  await create({ cwd: folder, file: file(name), gzip: { level: 1 } }, ['backup.json', 'pg']);
  dropStaged(staged.id);
  return file(name);
}

test('a copy of this shop is known by its seal; changed in one byte it is refused', async () => {
  const staged = known(await stageBackup(file('a.tar.gz')));
  expect(staged.isOwn).toBe(true);
  const folder = path.join(environment().folder, staged.id);
  fs.rmSync(path.join(folder, 'own'));
  fs.writeFileSync(path.join(folder, 'backup.json'), JSON.stringify(staged.manifest));
  await create({ cwd: folder, file: file('touched'), gzip: { level: 1 } }, ['backup.json', 'pg']);
  dropStaged(staged.id);
  expect(await stageBackup(file('touched'))).toMatchObject({
    ok: false,
    message: expect.stringMatching(/not the one that it was made with/) as string,
  });
});

// 2026-11-27: a copy with two triggers dropped and a signature changed was restored.
test('a copy with a trigger dropped is refused', async () => {
  const drop = 'drop trigger ledger_kept on ledger';
  expect(
    await stageBackup(await repacked('dropped', (manifest) => manifest, [drop])),
  ).toMatchObject({
    ok: false,
    message: expect.stringMatching(/lacks trigger .*ledger_kept/) as string,
  });
});

test.each([
  [
    'a trigger off',
    'alter table checks disable trigger checks_ledger',
    /lacks trigger .*checks_led/,
  ],
  [
    'a constraint gone',
    'alter table axles drop constraint axles_vehicle_id_vehicles_id_fk',
    /lacks constraint/,
  ],
  [
    'a function of its own',
    "create or replace function zh_said(name text) returns text language sql stable as $$ select 'x' $$",
    /lacks function zh_said/,
  ],
  ['a rule', 'create rule quiet as on delete to checks do instead nothing', /has rule/],
  ['a column more', 'alter table people add column pin text', /has column people.pin/],
])('a database with %s is not made as this program makes it', async (_, change, reason) => {
  const db = await database();
  const [found] = await db
    .transaction(async (tx) => {
      await tx.execute(sql.raw(change));
      throw Object.assign(new Error('back'), { found: await shapeOf(tx) });
    })
    .catch((error: Error & { found: Shape }) => [error.found]);
  expect(differenceOf(found!, await wantedShape())).toMatch(reason);
  expect(differenceOf(await shapeOf(db), await wantedShape())).toBeNull();
});

test('a file that unpacks out of all proportion is refused before it is unpacked', async () => {
  const folder = fs.mkdtempSync(path.join(work, 'bomb-'));
  fs.mkdirSync(path.join(folder, 'pg'));
  fs.writeFileSync(path.join(folder, 'pg', 'PG_VERSION'), '');
  fs.truncateSync(path.join(folder, 'pg', 'PG_VERSION'), 700_000_000);
  await create({ cwd: folder, file: file('bomb'), gzip: { level: 1 } }, ['pg']);
  const began = performance.now();
  expect(await stageBackup(file('bomb'))).toMatchObject({
    ok: false,
    message: expect.stringMatching(/more than any backup/) as string,
  });
  expect(performance.now() - began).toBeLessThan(10_000);
});

test('copies are made one at a time, and few that were looked through wait', async () => {
  const made = await Promise.all(['b', 'c', 'd'].map((name) => makeBackup(file(`${name}.tar.gz`))));
  expect(made.filter(({ ok }) => ok)).toHaveLength(1);
  for (const name of ['abc001', 'abc002', 'abc003']) {
    fs.mkdirSync(path.join(environment().folder, `restoring-${name}`));
  }
  const { id } = known(await stageBackup(file('a.tar.gz')));
  expect(leftovers()).toHaveLength(2);
  expect(leftovers()).toContain(id);
  sweepWork();
});

test('a copy with fewer records than it says is refused', async () => {
  await repacked('fewer', (manifest) => ({
    ...manifest,
    counts: { ...manifest.counts, jobs: 99 },
  }));
  expect(await stageBackup(file('fewer'))).toMatchObject({
    ok: false,
    message: expect.stringMatching(/has not the records/) as string,
  });
});

test('copies by night: one a night, after two o\u2019clock, old ones taken away', async () => {
  const at = (day: string, hour: number): Date => new Date(`${day}T0${hour}:30:00`);
  expect(await nightlyCopy(at('2026-03-02', 1))).toBeNull();
  expect(await nightlyCopy(at('2026-03-02', 2))).toBe('nightly-2026-03-02.tar.gz');
  expect(await nightlyCopy(at('2026-03-02', 3))).toBeNull();
  for (let day = 1; day <= 28; day += 1) {
    const name = `nightly-2026-01-${String(day).padStart(2, '0')}.tar.gz`;
    fs.writeFileSync(path.join(copiesFolder(), name), '');
  }
  expect(await nightlyCopy(at('2026-03-03', 4))).toBe('nightly-2026-03-03.tar.gz');
  const nights = keptCopies().filter(({ kind }) => kind === 'nightly');
  expect(nights.length).toBeLessThan(15);
  expect(nights.map(({ name }) => name)).toContain('nightly-2026-01-28.tar.gz');
  expect(known(await stageBackup(copyFile('nightly-2026-03-03.tar.gz')!)).manifest.version).toBe(2);
});

test('a copy that is being made says how far it is, and is ended by hand', async () => {
  expect(copyUnderWay()).toBeNull();
  expect(cancelCopy()).toMatchObject({ ok: false });
  const before = [keptCopies(), leftovers()];
  const asked = copyNow();
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(copyUnderWay()?.says).toMatch(/on file|together/);
  known(cancelCopy());
  expect(await asked).toMatchObject({
    ok: false,
    message: expect.stringMatching(/cancelled/) as string,
  });
  expect([keptCopies(), leftovers()]).toEqual(before);
  expect(copyUnderWay()).toBeNull();
});

test('copies by hand are listed, sent and thrown away; other names are none', async () => {
  const other = path.join(work, 'other-disk');
  process.env.ZESTY_HOUND_COPIES = other;
  const here = known(await copyNow());
  // A disk that is not there is not made up for.
  expect(here.says).toMatch(/is kept here only\. .*other-disk is not there/);
  expect(await lastCopy()).toMatchObject({ isChecked: true, isElsewhere: false, since: 0 });
  known(removeCopy(here.name));
  fs.mkdirSync(other);
  const { name } = known(await copyNow());
  expect(fs.readFileSync(path.join(other, name)).equals(fs.readFileSync(copyFile(name)!))).toBe(
    true,
  );
  expect(await lastCopy()).toMatchObject({ isChecked: true, isElsewhere: true });
  // A key that is lost is made anew: what was sealed before is another shop’s then, and says so.
  const key = path.join(environment().folder, 'shop.key');
  fs.renameSync(key, `${key}.old`);
  expect((await lastCopy())!.isOfAnotherKey).toBe(true);
  fs.renameSync(`${key}.old`, key);
  expect((await lastCopy())!.isOfAnotherKey).toBe(false);
  const { vehicle } = (await loadJob(await jobNumber(103)))!;
  known(
    await openJob({
      vehicleId: vehicle.id,
      complaint: 'It shakes.',
      odometerKm: '',
      corners: ['FL'],
    }),
  );
  expect((await lastCopy())!.since).toBeGreaterThan(0);
  expect(keptCopies().map((copy) => copy.name)).toContain(name);
  const sent = await GET(new Request(`http://127.0.0.1/api/v1/backup?copy=${name}`, HERE));
  expect(sent.headers.get('content-disposition')).toContain(name);
  expect((await sent.arrayBuffer()).byteLength).toBe(fs.statSync(copyFile(name)!).size);
  known(removeCopy(name));
  expect(fs.readdirSync(other)).toEqual([]);
  delete process.env.ZESTY_HOUND_COPIES;
  expect(removeCopy(name)).toMatchObject({ ok: false });
  for (const bad of ['../pg', 'nightly-2026-01-28.tar.gz/../../x', '', 'version.json']) {
    expect(copyFile(bad)).toBeNull();
    expect(removeCopy(bad)).toMatchObject({ ok: false });
  }
});

const HERE = { headers: { host: '127.0.0.1' } };

/** Has a copy made as the page does, and asks until it is there; its name. */
async function copyByRoute(): Promise<string> {
  interface Made {
    readonly name: string;
  }
  const ask = async (method: 'GET' | 'POST'): Promise<unknown> => {
    const request = new Request('http://127.0.0.1/api/v1/copies', { ...HERE, method });
    const answer = await (method === 'GET' ? copiesStand(request) : makeCopy(request));
    return ((await answer.json()) as { value: unknown }).value;
  };
  const began = Date.now();
  const made = (await ask('POST')) as Made | null;
  // Nobody waits for an answer longer than this, however large the records are.
  expect(Date.now() - began).toBeLessThan(4500);
  if (made) return made.name;
  for (;;) {
    const stands = (await ask('GET')) as { underWay: object | null; last: { value: Made } | null };
    if (stands.underWay === null) return stands.last!.value.name;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

test('by the route: made, sent, taken in, looked through; strangers stay out', async () => {
  // A lead has one made by the page of copies; making one and sending it at once is the command’s.
  const now = new Request('http://127.0.0.1/api/v1/backup/now', { ...HERE, method: 'POST' });
  expect((await makeNow(now)).status).toBe(403);
  const name = await copyByRoute();
  const kept = new Request(`http://127.0.0.1/api/v1/backup?copy=${name}`, HERE);
  const body = await (await GET(kept)).arrayBuffer();
  known(removeCopy(name));
  const post = (headers: Record<string, string>) =>
    POST(new Request('http://127.0.0.1/api/v1/backup', { method: 'POST', body, headers }));
  const taken = (await (await post({ host: '127.0.0.1' })).json()) as {
    value: { id: string };
  };
  expect(taken.value.id).toMatch(/^restoring-/);
  dropStaged(taken.value.id);
  const foreign = await post({ host: '127.0.0.1', origin: 'http://elsewhere.example' });
  expect(foreign.status).toBe(403);
  expect((await GET(new Request('http://127.0.0.1/api/v1/backup?copy=x', HERE))).status).toBe(404);
  expect(foreign.headers.get('x-content-type-options')).toBe('nosniff');
});

test('what a stopped program left is swept', () => {
  fs.mkdirSync(path.join(environment().folder, 'restoring-abc123'));
  sweepWork();
  expect(leftovers()).toEqual([]);
});

test('a copy with a signature changed is one of other records, and restored only where that is said', async () => {
  const place = await repacked('signature', (manifest) => manifest, [
    'alter table jobs disable trigger user',
    "update jobs set signed_by = 'Nobody' where closed_at is not null",
    'alter table jobs enable trigger user',
  ]);
  const staged = known(await stageBackup(place));
  expect(staged.isOwn).toBe(false);
  expect(await restoreStaged(staged.id, { who: LEAD })).toMatchObject({
    ok: false,
    message: expect.stringMatching(/not under the seal of this shop/) as string,
  });
  known(await restoreStaged(staged.id, { evenForeign: true, who: LEAD }));
  const lines = await (await database()).select().from(ledger).where(eq(ledger.what, 'copy'));
  expect(lines.at(-1)).toMatchObject({ who: 'Ines', place: 'a copy of other records, restored' });
});

// 2026-11-27: restoring opened the old folder first, so that the one that needed it could not be.
test('a folder that does not open says what is missing, and is restored over', async () => {
  const { folder } = environment();
  await closeDatabase();
  fs.rmSync(path.join(folder, 'pg', 'global', 'pg_control'));
  await expect(database()).rejects.toThrow(/not whole: pg\/global\/pg_control is missing/);
  const staged = known(await stageBackup(file('a.tar.gz')));
  known(await restoreStaged(staged.id));
  expect((await find({})).total).toBe(16);
});

test('a download that is given up before it begins leaves no file', async () => {
  const asker = new AbortController();
  const { body } = known(await backupToSend(asker.signal));
  expect(leftovers()).toHaveLength(1);
  asker.abort();
  await expect(new Response(body).arrayBuffer()).rejects.toThrow();
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(leftovers()).toEqual([]);
});

// 2026-11-27: a copy on a full disk broke the engine, and every request hung after it.
test('on a disk that is nearly full no copy is begun, and every page says so', async () => {
  const stat = fs.statfsSync(environment().folder);
  const free = (bytes: number): void =>
    void jest
      .spyOn(fs, 'statfsSync')
      .mockReturnValue({ ...stat, bavail: Math.floor(bytes / stat.bsize) });
  free(50e9);
  expect(sayNearlyFull()).toBeNull();
  free(310e6);
  const before = leftovers();
  const refused = expect.stringMatching(/^The disk is too full: 310 MB are free/) as string;
  expect(await copyNow()).toMatchObject({ ok: false, message: refused });
  expect(await stageBackup(file('a.tar.gz'))).toMatchObject({ ok: false });
  expect(leftovers()).toEqual(before);
  expect(sayNearlyFull()).toMatch(/nearly full: 310 MB are free. Copies take \d+ MB/);
  jest.restoreAllMocks();
  known(await copyNow());
});
