import 'server-only';
import { getTableConfig, type PgColumn, type PgTable } from 'drizzle-orm/pg-core';
import { z } from 'zod';
import {
  lineFormatSchema,
  MAX_LAPS,
  roadTestSummarySchema,
  sweepSchema,
} from '../../../core/contracts';
import {
  additions,
  axleLimits,
  axles,
  checks,
  decisions,
  findings,
  findingsAside,
  gauges,
  jobCorners,
  jobs,
  ledger,
  people,
  photoBlobs,
  photos,
  readingChanges,
  readings,
  readingSets,
  rechecks,
  roadTests,
  settings,
  torqueFigures,
  trayParts,
  vehicles,
} from '../../../db/schema';

/** Tables of an archive by name, each after those that it points at. */
export const TABLES = {
  settings,
  people,
  gauges,
  vehicles,
  axles,
  axleLimits,
  torqueFigures,
  jobs,
  jobCorners,
  readingSets,
  readings,
  readingChanges,
  decisions,
  findings,
  findingsAside,
  checks,
  trayParts,
  photoBlobs,
  photos,
  roadTests,
  additions,
  rechecks,
} as const satisfies Record<string, PgTable>;

export type TableName = keyof typeof TABLES;
export const TABLE_NAMES = Object.keys(TABLES) as TableName[];

/** What the ledger calls the line that says that a job or a vehicle came from an archive. */
export const BROUGHT = 'archive';

/** A row as an archive holds it: times as text, bytes in base64. */
export type ArchiveRow = Readonly<Record<string, unknown>>;

const LONGEST_TEXT = 20_000;
const MOST_BYTES = 90_000_000;

const um = z.number();
const runout = z.strictObject({ tir: um, low: um, high: um, atWorst: um.nullable() });
/** A row as a document inside another row has it. */
const keptRow = (table: PgTable): z.ZodObject => z.strictObject(rowShape(table));

/** What stands in the document columns, where the program reads it without asking further. */
const DOCUMENTS: Readonly<Record<string, z.ZodType>> = {
  'decisions.detail': z.strictObject({
    runout: runout.nullable(),
    probability: z.number().min(0).max(1).nullable(),
    finished: um.nullable(),
    expected: z.number().nullable(),
    currency: z.string().max(40),
    plate: z.strictObject({ correction: um, thickAtStud: z.int() }).nullable(),
    remaining: um.nullable(),
    money: z.strictObject({ done: z.number(), asNew: z.number(), comeback: z.number() }).nullish(),
  }),
  'jobs.signed_with': z.strictObject({
    open: z.array(z.string().max(1000)).max(500),
    reason: z.string().max(1000).nullable(),
  }),
  // The tables are read when the first archive is: a document may hold rows of other tables.
  'jobs.signed_as': z.lazy(() =>
    z.strictObject({
      vehicle: keptRow(vehicles)
        .pick({ plate: true, make: true, model: true, year: true, drive: true, variant: true })
        .optional(),
      axles: z
        .array(keptRow(axles).extend({ limits: z.array(keptRow(axleLimits)).max(40) }))
        .max(4),
      torque: z.array(keptRow(torqueFigures)).max(500),
      rules: z.json(),
      shop: z.json(),
    }),
  ),
  'jobs.origin': z.strictObject({
    made: z.string().max(40),
    by: z.string().max(200).nullable(),
    at: z.string().max(40),
    isSignedThere: z.boolean(),
  }),
  'torque_figures.stages': z.array(z.number().positive().max(2)).min(1).max(10),
  'gauges.line_format': lineFormatSchema,
  'reading_sets.angles': z.array(z.number()).max(72),
  'reading_sets.sweeps': z.array(sweepSchema).max(MAX_LAPS),
  'reading_sets.left_out': z.array(z.string().max(300)).max(60),
  'road_tests.summary': roadTestSummarySchema,
};

/** What a column of the database can hold, as an archive writes it. */
function columnSchema(table: string, column: PgColumn): z.ZodType {
  const { columnType, enumValues } = column;
  if (enumValues && enumValues.length > 0) return z.enum(enumValues as [string, ...string[]]);
  switch (columnType) {
    case 'PgUUID':
      return z.uuid();
    case 'PgText':
      return z.string().max(LONGEST_TEXT);
    case 'PgInteger':
      return z.int().min(-2_147_483_648).max(2_147_483_647);
    case 'PgDoublePrecision':
      return z.number();
    case 'PgBoolean':
      return z.boolean();
    case 'PgTimestamp':
      return z.iso.datetime();
    case 'PgDateString':
      return z.iso.date();
    case 'PgJsonb':
      return DOCUMENTS[`${table}.${column.name}`] ?? z.json();
    case 'PgArray':
      return z.array(z.union([z.string().max(40), z.int()])).max(40);
    case 'PgCustomColumn':
      return z.base64().max(MOST_BYTES);
    default:
      throw new Error(`An archive knows no column of kind ${columnType} (${table}.${column.name})`);
  }
}

/** Columns that a database fills by itself: where a row stands in the order of its writing. */
const OWN_ORDER = ['seq'];

const knownColumns = new Map<PgTable, readonly (readonly [string, PgColumn])[]>();

/** The columns of a table by the names of the program; asked for every row, found out once. */
const columnsOf = (table: PgTable): readonly (readonly [string, PgColumn])[] => {
  const known = knownColumns.get(table);
  if (known) return known;
  const { columns } = getTableConfig(table);
  const named = Object.entries(table as unknown as Record<string, PgColumn>);
  const own = named.filter(([key, column]) => columns.includes(column) && !OWN_ORDER.includes(key));
  knownColumns.set(table, own);
  return own;
};

/** The columns of a table, each as an archive writes it. */
function rowShape(table: PgTable): Record<string, z.ZodType> {
  const { name } = getTableConfig(table);
  return Object.fromEntries(
    columnsOf(table).map(([key, column]) => {
      const schema = columnSchema(name, column);
      return [key, column.notNull ? schema : schema.nullable()];
    }),
  );
}

/** What stands in a column that an older archive does not know; undefined where something must. */
function unsaid({ notNull, default: standard }: PgColumn): unknown {
  if (!notNull) return null;
  const isPlain = ['string', 'number', 'boolean'].includes(typeof standard);
  return isPlain || Array.isArray(standard) ? standard : undefined;
}

/** Columns of a table that may be missing in an archive from before there were any, and what stands there. */
const unsaidOf = (table: PgTable): [string, unknown][] =>
  columnsOf(table)
    .map(([key, column]): [string, unknown] => [key, unsaid(column)])
    .filter(([, value]) => value !== undefined);

const UNSAID = Object.fromEntries(
  TABLE_NAMES.map((name) => [name, unsaidOf(TABLES[name])]),
) as Readonly<Record<TableName, [string, unknown][]>>;

/** A row with what its table has come to hold since; the row itself where nothing is missing. */
export function withNewColumns(name: TableName, row: ArchiveRow): ArchiveRow {
  const missing = UNSAID[name].filter(([key]) => !(key in row));
  return missing.length === 0 ? row : ({ ...Object.fromEntries(missing), ...row } as ArchiveRow);
}

const rowSchema = (table: PgTable): z.ZodType<ArchiveRow> =>
  z.strictObject(rowShape(table)) as unknown as z.ZodType<ArchiveRow>;

export const ROW_SCHEMAS = Object.fromEntries(
  TABLE_NAMES.map((name) => [name, rowSchema(TABLES[name])]),
) as Readonly<Record<TableName, z.ZodType<ArchiveRow>>>;

/** A line of the history, with its place in it. */
export const HISTORY_SCHEMA = z.strictObject({
  line: z.int().positive(),
  ...rowShape(ledger),
}) as unknown as z.ZodType<ArchiveRow>;

/** A line of the ledger as an archive writes it. */
export const toHistory = ({ seq, ...line }: typeof ledger.$inferSelect): ArchiveRow => ({
  line: seq,
  ...toArchive(line),
});

/** A line of an archive’s history as the ledger takes it: it gets a place of its own. */
export const fromHistory = ({ line: _, ...row }: ArchiveRow): typeof ledger.$inferInsert =>
  ({ ...row, at: new Date(String(row.at)) }) as typeof ledger.$inferInsert;

function primaryKeyOf(table: PgTable): readonly string[] {
  const { primaryKeys } = getTableConfig(table);
  const composite = primaryKeys[0]?.columns ?? [];
  const isKey = (column: PgColumn): boolean =>
    column.primary || composite.some((each) => each.name === column.name);
  return columnsOf(table)
    .filter(([, column]) => isKey(column))
    .map(([key]) => key);
}

const KEYS = Object.fromEntries(
  TABLE_NAMES.map((name) => [name, primaryKeyOf(TABLES[name])]),
) as Readonly<Record<TableName, readonly string[]>>;

/** The columns that tell one row of a table from another. */
export const keysOf = (name: TableName): readonly string[] => KEYS[name];

/** The columns of a table that hold a time at which something was written. */
export const timesOf = (name: TableName): readonly string[] =>
  columnsOf(TABLES[name])
    .filter(([, column]) => column.columnType === 'PgTimestamp')
    .map(([key]) => key);

/** What tells a row from others of its table, as one text. */
export const keyOfRow = (name: TableName, row: ArchiveRow): string =>
  JSON.stringify(keysOf(name).map((key) => row[key]));

/** A row of the database as an archive writes it. */
export const toArchive = (row: Readonly<Record<string, unknown>>): ArchiveRow =>
  Object.fromEntries(
    Object.entries(row).flatMap(([key, value]) => {
      if (OWN_ORDER.includes(key)) return [];
      return [archiveField(key, value)];
    }),
  );

function archiveField(key: string, value: unknown): [string, unknown] {
  if (value instanceof Date) return [key, value.toISOString()];
  return [key, value instanceof Uint8Array ? Buffer.from(value).toString('base64') : value];
}

/** A row of an archive as the database takes it. */
export const fromArchive = (name: TableName, row: ArchiveRow): Record<string, unknown> =>
  Object.fromEntries(
    columnsOf(TABLES[name]).map(([key, column]) => {
      const value = row[key];
      if (typeof value !== 'string') return [key, value];
      if (column.columnType === 'PgTimestamp') return [key, new Date(value)];
      if (column.columnType === 'PgCustomColumn') {
        return [key, new Uint8Array(Buffer.from(value, 'base64'))];
      }
      return [key, value];
    }),
  );

/** Columns beside the key that together stand once in a table; none where there are none. */
export const uniqueOf = (name: TableName): readonly (readonly [string, PgColumn])[] => {
  const table = TABLES[name];
  const [unique] = getTableConfig(table).uniqueConstraints;
  return columnsOf(table).filter(([, column]) =>
    unique?.columns.some((each) => each.name === column.name),
  );
};
