import 'server-only';
import { formatDate } from '../../core/calendar';
import type { LedgerRow } from '../../db/repositories';

type Row = Readonly<Record<string, unknown>>;

const isRow = (value: unknown): value is Row =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Fields that say nothing to somebody who reads what became of a record. */
const SILENT = ['id', 'set_id', 'axle_id', 'vehicle_id', 'by', 'at', 'kind', 'place', 'item'];

/** A moment as the database writes it. */
const MOMENT = /^\d{4}-\d\d-\d\d[T ]\d\d:\d\d:\d\d[\d.]*(Z|[+-]\d\d(:?\d\d)?)$/;

/** One value in words: a figure with its unit, a list with commas, nothing found as sound. */
function sayField(value: unknown): string {
  if (Array.isArray(value)) {
    const said = value.map((each) => sayField(each).replace(/\.$/, ''));
    return said.length === 0 ? 'sound' : said.join(', ');
  }
  if (typeof value === 'object' && value !== null) {
    const row = value as Row;
    return typeof row.text === 'string'
      ? `${row.text} ${typeof row.unit === 'string' ? row.unit : ''}`.trim()
      : Object.entries(row)
          .map(([name, each]) => `${name} ${sayField(each)}`)
          .join(', ');
  }
  if (typeof value === 'string' && MOMENT.test(value)) {
    return formatDate(new Date(value), 'YYYY-MM-DD HH:mm:ss');
  }
  return value === null || value === undefined ? 'nothing' : String(value);
}

/** What the fields of a row say, each by its name. */
const sayFields = (row: Row): string =>
  Object.entries(row)
    .filter(([name, value]) => !SILENT.includes(name) && value !== null)
    .map(([name, value]) => `${name.replace(/_/g, ' ')} ${sayField(value)}`)
    .join('; ');

/** How many laps a set has, and how many readings came in those that were swept. */
function sayLaps({ laps, sweeps }: Row): string {
  const said = laps === 1 ? '1 lap' : `${sayField(laps)} laps`;
  if (!Array.isArray(sweeps)) return said;
  const came = (sweeps as readonly Row[]).map(({ times }) =>
    Array.isArray(times) ? times.length : 0,
  );
  return `${said}, ${came.length === 0 ? 'to be swept' : `swept: ${came.join(' and ')} readings`}`;
}

/** A row of the database in words, as its sort has them; null where there is none. */
export function sayRow(what: string, document: unknown): string | null {
  if (typeof document !== 'object' || document === null) return null;
  const row = document as Row;
  switch (what) {
    case 'check':
      return sayField(row.value);
    case 'reading':
    case 'limit':
    case 'torque':
      return `${sayField(row.text)} ${sayField(row.unit)}`;
    case 'sheet':
      // A figure of it, or what the sheet itself is of.
      return row.code === undefined
        ? sayFields(row)
        : `${sayField(row.text)} ${sayField(row.unit)}`;
    case 'finding':
      return sayField(row.value);
    case 'decision':
      return sayField(row.words);
    case 'set':
      return row.set_aside_at === null
        ? `${sayField(row.face)} face, mounting ${sayField(row.shift)}, ${sayLaps(row)}`
        : 'set aside';
    case 'answer':
      return 'answered by a lead';
    default:
      return sayFields(row);
  }
}

/** What of two documents differs: of rows and what they hold the fields that do. */
function differing(before: unknown, after: unknown): readonly [unknown, unknown] {
  if (!isRow(before) || !isRow(after)) return [before, after];
  const names = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (name) => JSON.stringify(before[name]) !== JSON.stringify(after[name]),
  );
  const pairs = names.map((name) => [name, ...differing(before[name], after[name])] as const);
  return [
    Object.fromEntries(pairs.map(([name, was]) => [name, was ?? null])),
    Object.fromEntries(pairs.map(([name, , is]) => [name, is ?? null])),
  ];
}

/** Rows that are told whole: what they are is one value. */
const WHOLE = [
  'check',
  'reading',
  'limit',
  'torque',
  'sheet',
  'finding',
  'decision',
  'set',
  'answer',
];

/** What stood there and what stands there since, in words: of a wide row only what differs. */
export function sayPair({
  what,
  op,
  before,
  after,
}: Pick<LedgerRow, 'what' | 'op' | 'before' | 'after'>): {
  readonly before: string | null;
  readonly after: string | null;
} {
  const [was, is] = WHOLE.includes(what) ? [before, after] : differing(before, after);
  return { before: sayRow(what, was), after: op === 'take-back' ? null : sayRow(what, is) };
}

/** One line in a few words: where, what stood there, what stands there since. */
export function sayChange(
  line: Pick<LedgerRow, 'what' | 'op' | 'place' | 'before' | 'after'>,
): string {
  // Of an owner the ledger knows that it changed, and nothing else.
  if (line.what === 'owner') return line.op === 'take-back' ? line.place : `${line.place}: changed`;
  const { before, after } = sayPair(line);
  return `${line.place}: ${before ?? 'nothing'} → ${after ?? 'taken back'}`;
}
