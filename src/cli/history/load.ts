import { csvFormatRows } from 'd3-dsv';
import { sql } from 'drizzle-orm';
import { tallyJob } from '../../core/insights';
import { seededRandom, type RandomSource } from '../../core/numeric';
import type { Database } from '../../db/client';
import type { SignedAs } from '../../db/schema/jobs';
import {
  JOBS_A_VEHICLE,
  pastJobs,
  pastVehicle,
  planOf,
  type HistorySize,
  type PastJob,
} from './past';

type Cell = string | number | null;
type Rows = Readonly<Record<string, Cell[][]>>;

/** Columns of every table that the history fills, in the order of its rows. */
const COLUMNS = {
  vehicles: 'id, plate, make, model',
  axles: 'id, vehicle_id, position, fastening, studs, caliper',
  axle_limits: 'id, axle_id, kind, value_um, text, unit, source',
  jobs: 'id, number, vehicle_id, complaint, odometer_km, confirmed_cause, created_at, closed_at, signed_by, signed_with, signed_as, comeback_of',
  job_corners: 'job_id, corner',
  reading_sets:
    'id, job_id, corner, kind, phase, face, positions, shift, resolution_um, repeatability_um, created_at',
  readings: 'set_id, lap, position, value_um, text, unit, taken_at',
  decisions: 'job_id, corner, correction, words, action, detail, decided_at',
  checks: 'job_id, kind, place, item, value, by, at, stamp',
  job_tallies: 'job_id, measure, key, item, value, year',
} as const;
type Table = keyof typeof COLUMNS;
const TABLES = Object.keys(COLUMNS) as Table[];

const LIMITS = [
  ['nominal', 28_000],
  ['machineTo', 26_500],
  ['discard', 26_000],
  ['runout', 50],
  ['dtv', 12],
] as const;

/** A random UUID from seeded draws. */
function uuid(random: RandomSource): string {
  const hex = (digits: number): string =>
    Math.floor(random.uniform() * 16 ** digits)
      .toString(16)
      .padStart(digits, '0');
  return `${hex(8)}-${hex(4)}-4${hex(3)}-8${hex(3)}-${hex(8)}${hex(4)}`;
}

const empty = (): Record<Table, Cell[][]> =>
  Object.fromEntries(TABLES.map((table) => [table, []])) as unknown as Record<Table, Cell[][]>;

/** Rows of one set with its readings. */
function addSet(
  rows: Record<Table, Cell[][]>,
  set: {
    readonly id: string;
    readonly jobId: string;
    readonly corner: string;
    readonly kind: 'runout' | 'thickness';
    readonly phase: 'before' | 'after';
    readonly at: string;
    readonly values: readonly number[];
  },
): void {
  const { id, jobId, corner, kind, phase, at, values } = set;
  const gauge = kind === 'runout' ? [1, 1] : [1, 1.5];
  rows.reading_sets.push([
    ...[id, jobId, corner, kind, phase, 'outboard', values.length, 0],
    ...gauge,
    at,
  ]);
  values.forEach((value, position) => {
    rows.readings.push([id, 0, position, value, String(value / 1000), 'mm', at]);
  });
}

/** Rows of one job with all that hangs on it. */
function addJob(
  rows: Record<Table, Cell[][]>,
  job: PastJob,
  vehicle: { readonly id: string; readonly signedAs: string },
  ids: ReadonlyMap<number, string>,
  random: RandomSource,
): void {
  const jobId = ids.get(job.number) ?? '';
  const { createdAt, closedAt, learnt } = job;
  const at = createdAt.toISOString();
  const end = closedAt?.toISOString() ?? null;
  rows.jobs.push([
    ...[jobId, job.number, vehicle.id, job.complaint, job.odometerKm],
    ...[end && learnt.cause, at, end, end && 'Ines'],
    ...[end && '{"open":[],"reason":null}', end && vehicle.signedAs],
    job.comebackOf === null ? null : (ids.get(job.comebackOf) ?? null),
  ]);
  for (const each of job.corners) {
    const { corner, correction, predicted, finished, money } = each;
    rows.job_corners.push([jobId, corner]);
    const set = { jobId, corner, at };
    addSet(rows, {
      ...set,
      id: uuid(random),
      kind: 'runout',
      phase: 'before',
      values: each.runout,
    });
    addSet(rows, {
      ...{ ...set, id: uuid(random), kind: 'thickness', phase: 'before' },
      values: each.thickness,
    });
    if (closedAt === null) continue;
    addSet(rows, { ...set, id: uuid(random), kind: 'runout', phase: 'after', values: each.after });
    const detail = {
      runout: { ...predicted, atWorst: null },
      ...{ probability: 0.95, finished, expected: money.done, currency: 'crowns', plate: null },
      ...{ remaining: null, money },
    };
    rows.decisions.push([
      ...[jobId, corner, correction, 'As it was decided at the time.', null],
      ...[JSON.stringify(detail), at],
    ]);
    const check = (item: string, value: unknown): Cell[] => [
      ...[jobId, 'correct', corner, item, JSON.stringify(value), 'Tobiah', end, uuid(random)],
    ];
    rows.checks.push(check('done', 'done'));
    if (finished !== null) {
      rows.checks.push(
        check('finished', { text: String(finished / 1000), unit: 'mm', um: finished }),
      );
    }
  }
  if (closedAt === null) return;
  const year = closedAt.getFullYear();
  for (const { measure, key, item, value } of tallyJob(learnt)) {
    rows.job_tallies.push([jobId, measure, key, item, value, year]);
  }
}

/** Rows of a vehicle with its axles; returns its id and its figures as a signed job keeps them. */
function addVehicle(
  rows: Record<Table, Cell[][]>,
  index: number,
  random: RandomSource,
): { id: string; signedAs: string } {
  const id = uuid(random);
  const { plate, make, model } = pastVehicle(index);
  rows.vehicles.push([id, plate, make, model]);
  const axles = (['front', 'rear'] as const).map((position): SignedAs['axles'][number] => {
    const axleId = uuid(random);
    const own = { id: axleId, vehicleId: id, position, fastening: 'studs' as const, studs: 5 };
    rows.axles.push([axleId, id, position, 'studs', 5, 'floating']);
    const limits = LIMITS.map(([kind, valueUm]) => {
      const limitId = uuid(random);
      const text = `${valueUm / 1000} mm`;
      rows.axle_limits.push([limitId, axleId, kind, valueUm, text, 'mm', 'maker']);
      const source = 'maker' as const;
      return { id: limitId, axleId, kind, valueUm, text, unit: 'mm', source, by: null, at: null };
    });
    return {
      ...own,
      ...{
        caliper: 'floating',
        allowedShifts: null,
        pistons: null,
        rotorKg: null,
        thread: null,
        traits: [],
      },
      isFasteningSaid: true,
      limits,
    };
  });
  return { id, signedAs: JSON.stringify({ axles, torque: [], rules: null, shop: null }) };
}

/** The embedded engine's own way to take rows in bulk. */
interface Bulk {
  readonly query: (text: string, params: unknown[], options: { blob: Blob }) => Promise<unknown>;
}

/** What stands for nothing in a row, so that an empty text stays one. */
const NOTHING = '\\N';

const asCsv = (rows: readonly Cell[][]): string =>
  csvFormatRows(rows.map((row) => row.map((cell) => (cell === null ? NOTHING : String(cell)))));

/** The embedded engine behind a database; null where a server is. */
function embeddedEngine(db: Database): Bulk | null {
  const { $client: client } = db as Database & { readonly $client: Bulk | object };
  return 'exec' in client && 'query' in client ? client : null;
}

/** Rows as a server takes them from anybody: as one document, by the types of the table. */
async function insertInto(db: Database, table: Table, rows: readonly Cell[][]): Promise<void> {
  const names = COLUMNS[table].split(', ');
  const document = rows.map((row) => Object.fromEntries(row.map((cell, i) => [names[i], cell])));
  const columns = sql.raw(COLUMNS[table]);
  await db.execute(
    sql`insert into ${sql.raw(table)} (${columns}) overriding system value select ${columns}
      from json_populate_recordset(null::${sql.raw(table)}, ${JSON.stringify(document)}::json)`,
  );
}

async function copyIn(db: Database, rows: Rows): Promise<void> {
  const client = embeddedEngine(db);
  for (const table of TABLES) {
    const own = rows[table] ?? [];
    if (own.length === 0) continue;
    if (!client) {
      await insertInto(db, table, own);
      continue;
    }
    const text = `copy ${table} (${COLUMNS[table]}) from '/dev/blob' with (format csv, null '${NOTHING}')`;
    await client.query(text, [], { blob: new Blob([asCsv(own)]) });
  }
}

/** Lets rows come in without what the program does at each: on a server by whoever owns the tables. */
async function setTriggers(db: Database, isOn: boolean): Promise<void> {
  if (embeddedEngine(db)) {
    await db.execute(sql.raw(`set session_replication_role = ${isOn ? 'default' : 'replica'}`));
    return;
  }
  for (const table of TABLES) {
    await db.execute(sql.raw(`alter table ${table} ${isOn ? 'enable' : 'disable'} trigger user`));
  }
}

/** Vehicles whose rows are made and written in one go. */
const AT_A_TIME = 250;

/**
 * Fills a database with the jobs of past years, numbered from 1: the same size and
 * seed give the same rows. Triggers are off while it loads; what they keep is made at the end.
 * `onJobs` is told how many jobs are written.
 */
export async function loadHistory(
  db: Database,
  size: HistorySize,
  onJobs: (written: number) => void = () => undefined,
): Promise<void> {
  const { jobs, seed } = size;
  const random = seededRandom(seed);
  const plan = planOf(size, random);
  const vehicles = Math.ceil(jobs / JOBS_A_VEHICLE);
  const ids = new Map<number, string>();
  for (let number = 1; number <= jobs; number += 1) ids.set(number, uuid(random));
  await setTriggers(db, false);
  for (let first = 0; first < vehicles; first += AT_A_TIME) {
    const rows = empty();
    for (let index = first; index < Math.min(first + AT_A_TIME, vehicles); index += 1) {
      const vehicle = addVehicle(rows, index, random);
      for (const job of pastJobs(index, jobs, plan)) addJob(rows, job, vehicle, ids, random);
    }
    await copyIn(db, rows);
    onJobs(Math.min((first + AT_A_TIME) * JOBS_A_VEHICLE, jobs));
  }
  await db.execute(sql`insert into tally_cells (measure, key, year, count, sum, squares)
    select measure, key, year, count(*), sum(value), sum(value * value) from job_tallies
    where job_id in (select id from jobs where number <= ${jobs})
    group by measure, key, year`);
  await db.execute(
    sql`insert into job_search (job_id, document) select id, zh_job_document(id) from jobs
      where number <= ${jobs}`,
  );
  await setTriggers(db, true);
  await db.execute(
    sql`select setval(pg_get_serial_sequence('jobs', 'number'), greatest((select max(number) from jobs), 100))`,
  );
  await db.execute(sql`analyze`);
}
