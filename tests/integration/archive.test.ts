import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { signOffOf, standingOf } from '@/core/job';
import { ledgerOf, listVehicles } from '@/db/repositories';
import { closeDatabase, database } from '@/server/database';
import { loadJob, openJob } from '@/server/job/jobs';
import {
  type ArchiveDocument,
  type ImportPlan,
  archiveJsonSchema,
  importArchive,
  makeArchive,
  planImport,
  readArchive,
} from '@/server/records/archive';
import type { ArchiveRow } from '@/server/records/archive/tables';
import { sealed } from '@/server/records/shopKey';
import { find } from '@/server/records/find';
import { insightsOf } from '@/server/records/insights';
import { ownerReport } from '@/server/report/owner';
import { allPeople } from '@/server/shop/people';
import { saveVehicle } from '@/server/shop/vehicles';
import { GET, POST } from '@/app/api/v1/archive/route';
import { vehicleForm } from '@/features/vehicles/model';
import { scatterRecords } from '../support/randomRecords';
import { shopIn } from './demo';
import { trials } from '../support/trials';
import { known } from './known';

const mockRole = { is: 'lead' };
jest.mock('@/server/web/who', () => ({
  whoIsHere: () => Promise.resolve({ id: 'i', name: 'Ines', role: mockRole.is }),
}));

const folders: string[] = [];
/** Closes what is open and opens an empty data folder: of the demo’s shop, or of another one. */
async function emptyShop(whose: 'own' | 'other' = 'own'): Promise<void> {
  await closeDatabase();
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-archive-'));
  folders.push(folder);
  await shopIn(folder, 'empty');
  if (whose === 'own') fs.copyFileSync(keyOf(folders[0]!), keyOf(folder));
}
const keyOf = (folder: string): string => path.join(folder, 'shop.key');

let archive: ArchiveDocument;
beforeAll(async () => {
  delete process.env.DATABASE_URL;
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-archive-'));
  folders.push(folder);
  await shopIn(folder, 'demo');
  archive = (await makeArchive({ kind: 'all' }))!;
}, 120_000);
afterAll(async () => {
  await closeDatabase();
  for (const folder of folders) fs.rmSync(folder, { recursive: true, force: true });
});

/** The archive with one job alone and what hangs on it. */
async function oneJob(job: ArchiveRow): Promise<ArchiveDocument> {
  const kept = process.env.ZESTY_HOUND_DATA;
  await closeDatabase();
  process.env.ZESTY_HOUND_DATA = folders[0];
  const made = (await makeArchive({ kind: 'job', id: String(job.id) }))!;
  await closeDatabase();
  process.env.ZESTY_HOUND_DATA = kept;
  return made;
}

const bytes = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value));
/** An archive without when it was made; lines of its history have the places that they come in. */
function again({ history, ...document }: ArchiveDocument): string {
  const placeOf = new Map(history.map(({ line }, i) => [line, i]));
  const lines = history.map(({ line, after, ...rest }) => {
    const of = (after as { of?: unknown } | null)?.of;
    return { ...rest, line: placeOf.get(line), after: of === undefined ? after : placeOf.get(of) };
  });
  return JSON.stringify({ ...document, history: lines, made: '', seal: '' });
}
const read = (value: unknown): ArchiveDocument => known(readArchive(bytes(value)));
const counts = ({ tables }: ImportPlan) => ({
  fresh: tables.reduce((sum, each) => sum + each.fresh, 0),
  same: tables.reduce((sum, each) => sum + each.same, 0),
  conflicts: tables.reduce((sum, each) => sum + each.conflicts.length, 0),
});

test('what was just taken out stands here the same, and brings nothing', async () => {
  const plan = known(await planImport(read(archive)));
  expect(counts(plan)).toMatchObject({ fresh: 0, conflicts: 0 });
  expect(plan.tables.find(({ table }) => table === 'jobs')?.same).toBe(16);
});

test('out, into an empty shop, and out again: the same, byte for byte', async () => {
  await emptyShop();
  const done = known(await importArchive(read(archive)));
  expect(counts(done)).toMatchObject({ same: 0, conflicts: 0 });
  expect(again((await makeArchive({ kind: 'all' }))!)).toBe(again(archive));
  // Closed records are closed, open ones go on, and numbers go on after the highest.
  const closed = (await find({ state: 'closed' })).jobs;
  expect(closed.map(({ number }) => number).sort()).toEqual([101, 112]);
  const { vehicle } = (await loadJob(closed[0]!.id))!;
  const id = known(
    await openJob({ vehicleId: vehicle.id, complaint: 'New.', odometerKm: '', corners: ['FL'] }),
  );
  expect((await loadJob(id))!.number).toBe(117);
});

test.each([11, 12, 13, 14].slice(0, trials(4, 1)))(
  'random records go round the same, photos among them (seed %d)',
  async (seed) => {
    await emptyShop();
    await scatterRecords(seed);
    const out = (await makeArchive({ kind: 'all' }))!;
    expect(out.tables.photos).toHaveLength(6);
    expect(out.tables.readings.length).toBeGreaterThan(1000);
    expect(Object.values(out.tables).filter((rows) => rows.length === 0).length).toBeLessThan(2);
    await emptyShop();
    const done = known(await importArchive(read(out)));
    expect(counts(done)).toMatchObject({ same: 0, conflicts: 0 });
    const back = (await makeArchive({ kind: 'all' }))!;
    expect(again(back)).toBe(again(out));
    // Brought in a second time it brings nothing.
    expect(counts(known(await planImport(read(back))))).toMatchObject({ fresh: 0, conflicts: 0 });
  },
);

test('a comeback that comes in counts against the job that stands here', async () => {
  await emptyShop();
  const closed = archive.tables.jobs.find(({ number }) => number === 101)!;
  known(await importArchive(read((await oneJob(closed))!)));
  expect((await insightsOf(null)).comebacks).toMatchObject({ count: 0, of: 1 });
  const late = sealed({
    ...archive,
    tables: {
      ...archive.tables,
      jobs: archive.tables.jobs.map((row) =>
        row.number === 113 ? { ...row, comebackOf: closed.id } : row,
      ),
    },
  });
  known(await importArchive(read(late)));
  expect((await insightsOf(null)).comebacks).toMatchObject({ count: 1, of: 2 });
});

test('two shops merged keep both: the same plate and number are brought under others', async () => {
  await emptyShop();
  const form = vehicleForm(null);
  const plate = String(archive.tables.vehicles[0]!.plate);
  const own = known(await saveVehicle(null, { ...form, plate, make: 'Pellick', model: 'Own' }));
  known(await openJob({ vehicleId: own, complaint: 'Ours.', odometerKm: '', corners: ['FL'] }));
  const dry = known(await planImport(read(archive)));
  expect(dry.tables.find(({ table }) => table === 'vehicles')?.renamed).toEqual([
    `plate ${plate} → ${plate} (2)`,
  ]);
  expect(known(await importArchive(read(archive))).isOwn).toBe(true);
  expect((await find({ q: 'ours' })).jobs.map(({ number }) => number)).toEqual([101]);
  expect((await find({})).total).toBe(17);
  expect((await find({ q: '100101' })).jobs).toHaveLength(1);
  // Twice is no more than once.
  expect(counts(known(await planImport(read(archive)))).fresh).toBe(0);
});

test('what stands here otherwise stays as it is, and the dry run says so', async () => {
  const changed = structuredClone(archive) as unknown as {
    tables: Record<string, Record<string, unknown>[]>;
  };
  const jobRow = changed.tables.jobs!.find(({ closedAt }) => closedAt === null)!;
  jobRow.complaint = 'Told otherwise.';
  const before = again((await makeArchive({ kind: 'all' }))!);
  const document = sealed(changed as unknown as ArchiveDocument);
  const plan = known(await importArchive(read(document)));
  expect(plan.tables.find(({ table }) => table === 'jobs')!.conflicts.length).toBeGreaterThan(0);
  expect(again((await makeArchive({ kind: 'all' }))!)).toBe(before);
});

test('one vehicle and one job go out with all that hangs on them, and come in', async () => {
  const job = archive.tables.jobs.find(({ number }) => number === 113)!;
  const single = (await makeArchive({ kind: 'job', id: String(job.id) }))!;
  expect(single.tables.jobs).toHaveLength(1);
  expect(single.tables.vehicles).toHaveLength(1);
  expect(single.tables.readings.length).toBeGreaterThan(20);
  const all = (await makeArchive({ kind: 'vehicle', id: String(job.vehicleId) }))!;
  expect(all.tables.jobs.length).toBe(3);
  await emptyShop();
  known(await importArchive(read(single)));
  expect((await loadJob(String(job.id)))!.sets.length).toBeGreaterThan(2);
  expect(await makeArchive({ kind: 'job', id: 'nope' })).toBeNull();
  expect(await makeArchive({ kind: 'job', id: '00000000-0000-4000-8000-000000000000' })).toBeNull();
});

describe('what is no sound archive is refused with the reason, and nothing changes', () => {
  beforeAll(() => emptyShop());
  const text = (): string => JSON.stringify(archive);
  const change = (alter: (tables: Record<string, Record<string, unknown>[]>) => void): unknown => {
    const own = structuredClone(archive) as unknown as {
      tables: Record<string, Record<string, unknown>[]>;
    };
    alter(own.tables);
    return own;
  };
  test.each<[string, () => Uint8Array, RegExp]>([
    ['empty', () => new Uint8Array(), /empty/],
    ['torn', () => new TextEncoder().encode(text().slice(0, 5000)), /torn/],
    ['a zip', () => new Uint8Array([0x50, 0x4b, 3, 4]), /zip file/],
    ['gzip', () => new Uint8Array([0x1f, 0x8b, 8]), /gzip/],
    ['binary', () => new Uint8Array([1, 0, 2]), /binary/],
    ['not text', () => new Uint8Array([0xff, 0xfe, 0x41]), /torn, or not/],
    ['another document', () => bytes({ hello: 1 }), /no archive/],
    ['a list', () => bytes([archive]), /no archive/],
    ['newer', () => bytes({ ...archive, version: 4 }), /version 4.*newer program/],
    ['older', () => bytes({ ...archive, version: 1 }), /version 1 are not read/],
    ['without a table', () => bytes({ ...archive, tables: {} }), /not sound at tables/],
    ['with a path', () => bytes({ ...archive, path: '../../etc' }), /not sound/],
    [
      'with a strange column',
      () => bytes(change(({ jobs }) => void (jobs![0]!.file = '../x'))),
      /not sound at tables\.jobs\.0/,
    ],
    [
      'with a figure that is none',
      () => bytes(change(({ readings }) => void (readings![0]!.valueUm = 'x'))),
      /not sound at tables\.readings\.0\.valueUm/,
    ],
  ])('%s', (_, make, reason) => {
    const answer = readArchive(make());
    expect(answer).toMatchObject({ ok: false, message: expect.stringMatching(reason) });
  });

  test.each<[string, () => unknown, RegExp]>([
    [
      'rows of a job that is not in it',
      () =>
        change(
          ({ decisions }) => void (decisions![0]!.jobId = '00000000-0000-4000-8000-000000000001'),
        ),
      /not in the archive/,
    ],
    [
      // 2026-11-27: pedal checks dated 2099 came in, and were the latest for ever.
      'a check that is yet to be written',
      () => change(({ checks }) => void (checks![0]!.at = '2099-01-01T00:00:00.000Z')),
      /A row of checks .* yet to come/,
    ],
    [
      'a row twice',
      () => change(({ people }) => void people!.push({ ...people![0]! })),
      /same key/,
    ],
    [
      'an axle of a vehicle that is not there',
      () => change((tables) => void (tables.vehicles = tables.vehicles!.slice(1))),
      /does not fit these records.*Nothing was changed/,
    ],
  ])('%s', async (_, make, reason) => {
    const before = again((await makeArchive({ kind: 'all' }))!);
    const answer = await importArchive(read(make()));
    expect(answer).toMatchObject({ ok: false, message: expect.stringMatching(reason) });
    expect(again((await makeArchive({ kind: 'all' }))!)).toBe(before);
  });
});

const HERE = { headers: { host: '127.0.0.1' } };

test('by the route: out, a dry run, in, and a refusal', async () => {
  // Nothing was let in before: the shop is still empty.
  const post = (body: string | Uint8Array<ArrayBuffer>, dry = '') =>
    POST(new Request(`http://127.0.0.1/api/v1/archive${dry}`, { ...HERE, method: 'POST', body }));
  const dry = (await (await post(JSON.stringify(archive), '?dry=1')).json()) as {
    tables: { table: string; fresh: number }[];
  };
  expect(dry.tables.find(({ table }) => table === 'jobs')?.fresh).toBe(16);
  expect((await find({})).total).toBe(0);
  expect((await post(JSON.stringify(archive))).status).toBe(200);
  expect((await find({})).total).toBe(16);
  const out = await GET(new Request('http://127.0.0.1/api/v1/archive', HERE));
  expect(out.headers.get('content-disposition')).toMatch(/zesty-hound-all-\d{4}-\d\d-\d\d\.json/);
  expect((await GET(new Request('http://127.0.0.1/api/v1/archive?job=x', HERE))).status).toBe(404);
  expect((await post('{')).status).toBe(400);
  // 2026-11-29: whoever was there took the whole shop with them.
  mockRole.is = 'technician';
  for (const asked of ['', '?may=1']) {
    const answer = await GET(new Request(`http://127.0.0.1/api/v1/archive${asked}`, HERE));
    expect(answer.status).toBe(403);
    expect(await answer.text()).toContain('a lead does this');
  }
  mockRole.is = 'lead';
});

test('the schema that is published names every table and refuses more', () => {
  const schema = archiveJsonSchema() as {
    properties: { tables: { properties: Record<string, unknown>; additionalProperties: boolean } };
  };
  expect(Object.keys(schema.properties.tables.properties).sort()).toEqual(
    Object.keys(archive.tables).sort(),
  );
  expect(schema.properties.tables.additionalProperties).toBe(false);
});

describe('what this shop did not make', () => {
  const INES = { name: 'Ines', role: 'lead' } as const;

  // 2026-11-27: an archive brought in a “signed” job, and a lead.
  test('comes in with its origin, counts as signed nowhere, and brings no people and no figures', async () => {
    await emptyShop('other');
    const plan = known(await importArchive(read(archive), INES));
    expect(plan.isOwn).toBe(false);
    const outOf = (name: string) => plan.tables.find(({ table }) => table === name);
    expect(outOf('people')).toMatchObject({ fresh: 0, leftOut: archive.tables.people.length });
    expect(outOf('torqueFigures')).toMatchObject({ fresh: 0 });
    expect(await allPeople()).toEqual([]);
    const closed = archive.tables.jobs.find(({ number }) => number === 101)!;
    const job = (await loadJob(String(closed.id)))!;
    expect(job.origin).toMatchObject({ by: 'Ines', made: archive.made, isSignedThere: true });
    expect(standingOf(job)).toMatchObject({ isSigned: false, isWithin: false });
    const report = ownerReport(job, 'mm');
    expect(report.signed).toBeNull();
    // Nothing reassures.
    expect(report.verdict).toBeNull();
    expect(report.notSigned?.[0]).toMatch(/Brought in .* nobody has signed for it here/);
    expect((await insightsOf(null)).comebacks).toMatchObject({ of: 0 });
    // An open one goes on here, and its sign-off says where it came from.
    const open = archive.tables.jobs.find(({ number }) => number === 113)!;
    const { open: lines } = signOffOf((await loadJob(String(open.id)))!);
    expect(lines[0]!.say).toMatch(/Brought in from other records .* by Ines/);
    // Twice is no more than once.
    expect(counts(known(await planImport(read(archive))))).toMatchObject({ fresh: 0 });
  });

  test('says in the history who brought it in, and whose names its lines are under', async () => {
    const job = archive.tables.jobs.find(({ number }) => number === 113)!;
    const lines = await ledgerOf(await database(), String(job.id), { before: null, most: 5000 });
    const last = lines.find(({ jobId }) => jobId !== null);
    const before = lines.filter(({ what }) => what !== 'archive');
    expect(last).toMatchObject({ what: 'archive', op: 'import', who: 'Ines' });
    expect(before.length).toBeGreaterThan(50);
    expect(before.every(({ who, role }) => who!.endsWith('(elsewhere)') && role === null)).toBe(
      true,
    );
  });

  // 2026-11-27: an archive put a limit on a standing axle, and a reading change into a signed job.
  test.each<[string, (tables: Record<string, Record<string, unknown>[]>) => void]>([
    [
      'axleLimits',
      ({ axleLimits, axles }) =>
        void axleLimits!.push({
          ...axleLimits![0]!,
          id: crypto.randomUUID(),
          axleId: axles!.find(({ id }) =>
            axleLimits!.every(({ axleId, kind }) => axleId !== id || kind !== 'piston'),
          )!.id,
          kind: 'piston',
        }),
    ],
    [
      'axles',
      ({ axles, axleLimits }) => {
        // The limits of the axle come along, so that it is the axle that is refused.
        const id = crypto.randomUUID();
        axles!.push({ ...axles![0]!, id });
        axleLimits!.push({ ...axleLimits![0]!, id: crypto.randomUUID(), axleId: id });
      },
    ],
    [
      'readingChanges',
      ({ readingChanges, readings }) =>
        readingChanges!.push({
          ...{ id: crypto.randomUUID(), setId: readings![0]!.setId, lap: 0, position: 0 },
          ...{ valueUm: 1, text: '1', unit: 'um', takenAt: archive.made, replacedAt: archive.made },
        }),
    ],
    [
      'checks',
      ({ checks, jobs }) => {
        const [closed] = jobs!.filter(({ closedAt }) => closedAt !== null);
        const own = checks!.find(({ jobId }) => jobId === closed!.id)!;
        checks!.push({ ...own, item: 'slipped-in' });
      },
    ],
  ])('a row of %s that would change what stands here is refused by name', async (table, alter) => {
    const changed = structuredClone(archive) as unknown as Record<'tables', never>;
    alter(changed.tables);
    const before = again((await makeArchive({ kind: 'all' }))!);
    const answer = await importArchive(read(changed));
    expect(answer).toMatchObject({
      ok: false,
      message: expect.stringMatching(
        new RegExp(`A row of ${table} .*would change something that stands here`),
      ) as string,
    });
    expect(again((await makeArchive({ kind: 'all' }))!)).toBe(before);
  });

  // 2026-11-27: a line that names two records could come in under the one that is new.
  test('its history says nothing about what stands here, and signs and answers nothing', async () => {
    await emptyShop('other');
    known(await importArchive(read(archive), INES));
    const standing = archive.tables.jobs.find(({ closedAt }) => closedAt === null)!;
    const before = await ledgerOf(await database(), String(standing.id), {
      ...{ before: null, most: 9000 },
    });
    const ids = JSON.stringify(archive).match(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g)!;
    const text = [...new Set(ids)].reduce(
      (all, id, i) => all.replaceAll(id, `11111111-1111-4111-8111-${String(i).padStart(12, '0')}`),
      JSON.stringify(archive),
    );
    const fresh = JSON.parse(text) as ArchiveDocument;
    const open = fresh.tables.jobs.find(({ closedAt }) => closedAt === null)!;
    const line = fresh.history.find(({ jobId }) => jobId === open.id)!;
    const forged = (change: object) => ({ ...line, isGrave: true, after: { of: 1 }, ...change });
    const history = [
      ...fresh.history,
      forged({ line: 90_001, jobId: standing.id, vehicleId: open.vehicleId, op: 'sign' }),
      forged({ line: 90_002, jobId: open.id, vehicleId: standing.vehicleId, op: 'sign' }),
      forged({ line: 90_003, jobId: open.id, vehicleId: null, op: 'sign', what: 'job' }),
      forged({ line: 90_004, jobId: open.id, vehicleId: null, op: 'answer', what: 'answer' }),
    ];
    known(await importArchive(read({ ...fresh, history }), INES));
    const linesOf = async (id: unknown) =>
      ledgerOf(await database(), String(id), { before: null, most: 9000 });
    expect(await linesOf(standing.id)).toHaveLength(before.length);
    const brought = await linesOf(open.id);
    expect(brought.filter(({ op }) => op === 'sign' || op === 'answer')).toEqual([]);
    // What a vehicle’s figures were changed to after it was brought in still counts.
    expect(brought.filter(({ vehicleId }) => vehicleId === standing.vehicleId)).toEqual([]);
  });

  test('a line of its history that is yet to be written is refused by name', async () => {
    const [first, ...rest] = archive.history;
    const late = { ...archive, history: [{ ...first!, at: '2099-01-01T00:00:00.000Z' }, ...rest] };
    expect(await planImport(read(late))).toMatchObject({
      ok: false,
      message: expect.stringMatching(/A line of the history .* yet to come/) as string,
    });
  });

  test('changed by one word it is no more this shop’s, in the shop that made it', async () => {
    await emptyShop();
    const changed = structuredClone(archive) as unknown as { tables: { jobs: ArchiveRow[] } };
    changed.tables.jobs = changed.tables.jobs.map((row) => ({ ...row, complaint: 'x' }));
    expect(known(await planImport(read(changed))).isOwn).toBe(false);
    expect(known(await planImport(read(archive))).isOwn).toBe(true);
  });

  test('an archive from before there was a history is read as one of other records', async () => {
    const { history: _, seal: _seal, ...old } = structuredClone(archive);
    const jobs = old.tables.jobs.map(({ origin: _origin, ...row }) => row);
    const plan = known(
      await planImport(read({ ...old, version: 2, tables: { ...old.tables, jobs } })),
    );
    expect(plan).toMatchObject({ isOwn: false });
    expect(plan.tables.find(({ table }) => table === 'jobs')?.fresh).toBe(16);
  });

  test('an archive from before a table held all that it holds today comes in, and stays this shop’s', async () => {
    await emptyShop();
    const { seal: _seal, ...older } = structuredClone(archive);
    const without = (table: 'vehicles' | 'axles' | 'torqueFigures', keys: readonly string[]) =>
      older.tables[table].map((row) =>
        Object.fromEntries(Object.entries(row).filter(([key]) => !keys.includes(key))),
      );
    const tables = {
      ...older.tables,
      vehicles: without('vehicles', ['wheel', 'isCheck']),
      axles: without('axles', ['thread', 'isFasteningSaid']),
      torqueFigures: without('torqueFigures', ['wheel']),
    };
    const made = sealed({ ...older, tables } as unknown as ArchiveDocument);
    expect(known(await planImport(read(made))).isOwn).toBe(true);
    // Changed by a word it is nobody’s, and what must stand there is still asked for.
    const changed = { ...made, made: '2020-01-01T00:00:00.000Z' };
    expect(known(await planImport(read(changed))).isOwn).toBe(false);
    const torn = { ...made, tables: { ...tables, vehicles: without('vehicles', ['plate']) } };
    expect(readArchive(bytes(torn))).toMatchObject({
      message: expect.stringMatching(/not sound at tables\.vehicles\.0\.plate/) as string,
    });
    known(await importArchive(read(made), INES));
    const [vehicle] = await listVehicles(await database());
    expect(vehicle).toMatchObject({ wheel: null, isCheck: false });
  });
});
