import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { VEHICLES } from '@/cli/demo/vehicles';
import { readJob } from '@/core/job';
import { mayBeTaken } from '@/core/options';
import type { Database, DatabaseHandle } from '@/db/client';
import { closeDatabase, database, databaseHandle } from '@/server/database';
import { recordCheck } from '@/server/job/checks';
import { loadJob, openJob } from '@/server/job/jobs';
import { beginSet, saveReadings } from '@/server/measure/sets';
import { addPerson, allPeople } from '@/server/shop/people';
import { saveVehicle } from '@/server/shop/vehicles';
import { askUseCase, type UseCaseName } from '@/server/writes/useCases';
import { allRows } from '../support/wholeRecords';
import { known } from './known';
import { useRecords } from './demo';
import { LEAD } from '../support/people';

/**
 * Every use case is broken off after each of its statements in turn; the records must then stand
 * as they did before, to the last row. Each test below is one use case that writes several rows.
 */
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-atomic-'));
let jobId = '';
let setId = '';
let vehicleId = '';

beforeAll(async () => {
  await useRecords(folder);
  vehicleId = known(await saveVehicle(null, VEHICLES.bakery));
  known(await addPerson({ name: 'Ines', role: 'lead' }));
  jobId = known(
    await openJob({ vehicleId, complaint: 'x', odometerKm: '50000', corners: ['FL', 'FR'] }),
  );
  const begin = { jobId, phase: 'before', face: 'outboard', positions: 8, shift: 0 };
  for (const corner of ['FL', 'FR']) {
    const set = known(await beginSet({ ...begin, corner, kind: 'runout' }));
    const readings = Array.from({ length: 8 }, (_, position) => ({
      ...{ lap: 0, position, unit: 'mm' },
      text: (0.04 * Math.cos((2 * Math.PI * position) / 8)).toFixed(3),
    }));
    known(await saveReadings(set.id, { readings }));
    setId = set.id;
  }
});
afterAll(async () => {
  await closeDatabase();
  fs.rmSync(folder, { recursive: true, force: true });
});

/** What breaks a use case off: thrown by the database itself. */
class Cut extends Error {}

/** Counts the statements of a use case, and breaks off after so many. */
const scissors = { isOn: false, statements: 0, after: Infinity };

/** A transaction whose statements are counted. */
function counted(tx: Database): Database {
  const { session } = tx as unknown as { session: { prepareQuery: (...args: never[]) => object } };
  const prepare = session.prepareQuery.bind(session);
  session.prepareQuery = (...args) => {
    const query = prepare(...args) as { execute: (...values: unknown[]) => Promise<unknown> };
    const execute = query.execute.bind(query);
    query.execute = async (...values) => {
      if (!scissors.isOn) return execute(...values);
      if (scissors.statements >= scissors.after) throw new Cut('cut');
      scissors.statements += 1;
      return execute(...values);
    };
    return query;
  };
  return tx;
}

/** Lets every transaction of the program run under the scissors. */
async function underScissors(): Promise<void> {
  const handle: DatabaseHandle = await databaseHandle();
  const { db } = handle;
  const transaction = db.transaction.bind(db);
  db.transaction = ((use, config) =>
    transaction((tx) => use(counted(tx as Database) as never), config)) as typeof db.transaction;
}

const rows = (): Promise<string> => database().then(allRows);

/** Breaks a use case off after each of its statements; then lets it through. Answers how many. */
async function brokenOff(name: UseCaseName, input: unknown): Promise<number> {
  const who = (await allPeople()).find(({ role }) => role === 'lead') ?? null;
  const ask = () => askUseCase(name, input, { who, last: undefined });
  const before = await rows();
  for (let after = 0; ; after += 1) {
    Object.assign(scissors, { isOn: true, statements: 0, after });
    const answer = await ask().catch((error: unknown) => error);
    scissors.isOn = false;
    const isCut = answer instanceof Cut || (answer instanceof Error && answer.cause instanceof Cut);
    if (!isCut) {
      expect(answer).toMatchObject({ ok: true });
      expect(await rows()).not.toBe(before);
      return scissors.statements;
    }
    expect(await rows()).toBe(before);
  }
}

beforeAll(underScissors);

const check = (kind: string, item: string, value: unknown, place = 'FL') => ({
  ...{ jobId, kind, place, item, value, note: null, seen: null },
});
const stamp = async (kind: string, place: string, item: string): Promise<string | null> => {
  const all = await (await database()).query.checks.findMany();
  return (
    all.find((each) => each.kind === kind && each.place === place && each.item === item)?.stamp ??
    null
  );
};

test('a reading with what stood there before', async () => {
  const typed = { setId, lap: 0, position: 3, text: '0.011', unit: 'mm' };
  expect(await brokenOff('reading', typed)).toBeGreaterThan(3);
});

test('a table of several sets', async () => {
  const text = 'set,kind,lap,position,value_mm\n'.concat(
    ...['a', 'b'].flatMap((set) =>
      Array.from({ length: 8 }, (_, j) => `${set},runout,1,${j + 1},0.0${j}\n`),
    ),
  );
  const table = { jobId, corner: 'FL', phase: 'before', kind: 'runout', face: 'outboard' };
  expect(await brokenOff('sets-import', { ...table, shift: 0, text })).toBeGreaterThan(8);
});

test('a look, and what it puts off', async () => {
  known(await recordCheck(check('look', 'hose', ['bulged']), LEAD));
  known(await recordCheck({ ...check('fixed', 'hose', 'fixed'), note: 'renewed' }, LEAD));
  const seen = await stamp('look', 'FL', 'hose');
  expect(
    await brokenOff('check', { ...check('look', 'hose', ['old']), note: 'looked again', seen }),
  ).toBeGreaterThan(3);
  expect(await stamp('fixed', 'FL', 'hose')).toBeNull();
});

test('an answer that is a look by another name', async () => {
  const finding = { jobId, code: 'hub-look', corner: 'FL', value: 'rust' };
  expect(await brokenOff('finding', finding)).toBeGreaterThan(2);
});

test('the rest looked at, and a plan copied across', async () => {
  await brokenOff('looks-sound', { jobId, corner: 'FR' });
  known(await recordCheck(check('method', 'retraction', 'clamp'), LEAD));
  await brokenOff('plan-copy', { jobId, corner: 'FL' });
});

test('deciding anew, and what was corrected for the decision before', async () => {
  const job = (await loadJob(jobId))!;
  const taken = (corner: 'FL' | 'FR') =>
    readJob(job)
      .options(corner)
      .options.filter(mayBeTaken)
      .map(({ action }) => action);
  const [first, second] = taken('FL');
  await brokenOff('decide', { jobId, corner: 'FL', action: first });
  known(await recordCheck(check('correct', 'done', 'done'), LEAD));
  expect(await brokenOff('decide', { jobId, corner: 'FL', action: second })).toBeGreaterThan(4);
  expect(await stamp('correct', 'FL', 'done')).toBeNull();
  const both = taken('FR').find((action) => taken('FL').includes(action));
  await brokenOff('decide-pair', {
    jobId,
    left: { corner: 'FL', action: both },
    right: { corner: 'FR', action: both },
  });
  await brokenOff('undecide', { jobId, corner: 'FL' });
});

test('the pedal that is tried again, pumped and held anew', async () => {
  const db = await database();
  const { checks } = await import('@/db/schema');
  await db.insert(checks).values(
    (['firm', 'hold', 'held'] as const).map((item) => ({
      ...{ jobId, kind: 'pedal' as const, place: '', item },
      value: item === 'held' ? 'sank' : 'done',
    })),
  );
  const seen = await stamp('pedal', '', 'held');
  await brokenOff('check', { ...check('pedal', 'held', null, ''), note: 'mended', seen });
  expect(await stamp('pedal', '', 'firm')).toBeNull();
});

test('a vehicle with its axles and figures, a job with its corners, a complaint', async () => {
  const form = { ...VEHICLES.nurse, plate: 'SK-777-A' };
  expect(await brokenOff('vehicle', { id: null, form })).toBeGreaterThan(5);
  const job = { vehicleId, complaint: 'new', odometerKm: '', corners: ['RL', 'RR'] };
  expect(await brokenOff('job', job)).toBeGreaterThan(2);
  const complaint = { complaint: 'other words', odometerKm: '50001', corners: ['FL', 'FR', 'RL'] };
  await brokenOff('complaint', { jobId, form: complaint });
});

test('the sign-off, with the figures it rests on and what is learnt', async () => {
  const job = { vehicleId, complaint: 'leave it', odometerKm: '', corners: ['RR'] };
  const own = known(await openJob(job));
  const sign = { jobId: own, cause: null, reason: 'looked over' };
  expect(await brokenOff('sign-off', sign)).toBeGreaterThan(5);
});
