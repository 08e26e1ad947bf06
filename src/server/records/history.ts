import 'server-only';
import { format } from 'date-fns';
import { z } from 'zod';
import type { Job } from '../../core/job';
import { ledgerOf, type LedgerRow } from '../../db/repositories';
import { database } from '../database';

/** One line of a job's history as it is shown. */
export interface HistoryLine {
  readonly seq: number;
  readonly at: string;
  readonly who: string;
  readonly what: string;
  readonly place: string;
  /** What stood there, and what stands there since; null for nothing. */
  readonly before: string | null;
  readonly after: string | null;
  readonly reason: string | null;
  /** Taken back, changed in earnest, or answered: what a reader looks for first. */
  readonly isGrave: boolean;
}

export interface History {
  readonly lines: readonly HistoryLine[];
  /** The line to go on from; null at the beginning of the job. */
  readonly next: number | null;
}

const LINES_A_PAGE = 200;

/** What is filtered by: everything, or what was taken back or changed in earnest, or one sort. */
export const HISTORY_SORTS = [
  'check',
  'reading',
  'set',
  'decision',
  'finding',
  'limit',
  'part',
] as const;

export const historyQuerySchema = z.object({
  only: z.enum(['all', 'grave', ...HISTORY_SORTS]).catch('all'),
  before: z.coerce.number().int().positive().optional().catch(undefined),
});
export type HistoryQuery = z.infer<typeof historyQuerySchema>;

type Row = Readonly<Record<string, unknown>>;

/** Fields that say nothing to somebody who reads what became of a record. */
const SILENT = ['id', 'set_id', 'axle_id', 'vehicle_id', 'by', 'at', 'kind', 'place', 'item'];

/** One value in words: a figure with its unit, a list with commas, nothing found as sound. */
function sayField(value: unknown): string {
  if (Array.isArray(value)) return value.length === 0 ? 'sound' : value.map(sayField).join(', ');
  if (typeof value === 'object' && value !== null) {
    const row = value as Row;
    return typeof row.text === 'string'
      ? `${row.text} ${typeof row.unit === 'string' ? row.unit : ''}`.trim()
      : Object.entries(row)
          .map(([name, each]) => `${name} ${sayField(each)}`)
          .join(', ');
  }
  return value === null || value === undefined ? 'nothing' : String(value);
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
    case 'finding':
      return sayField(row.value);
    case 'decision':
      return sayField(row.words);
    case 'set':
      return row.set_aside_at === null
        ? `${sayField(row.face)} face, mounting ${sayField(row.shift)}, ${sayField(row.laps)} laps`
        : 'set aside';
    case 'answer':
      return 'answered by a lead';
    default:
      return Object.entries(row)
        .filter(([name, value]) => !SILENT.includes(name) && value !== null)
        .map(([name, value]) => `${name.replace(/_/g, ' ')} ${sayField(value)}`)
        .join('; ');
  }
}

const lineOf = (row: LedgerRow): HistoryLine => ({
  seq: row.seq,
  at: format(row.at, 'yyyy-MM-dd HH:mm:ss'),
  who: row.who ? `${row.who}${row.role ? `, ${row.role}` : ''}` : 'nobody named',
  what: row.op === 'sign' ? 'signed off' : row.what,
  place: row.place,
  before: sayRow(row.what, row.before),
  after: row.op === 'take-back' ? null : sayRow(row.what, row.after),
  reason: row.reason,
  isGrave: row.isGrave,
});

/** A page of a job's history, the latest first: what of it is asked for. */
export async function historyOf(job: Job, { only, before }: HistoryQuery): Promise<History> {
  const rows = await ledgerOf(await database(), job.id, {
    before: before ?? null,
    most: LINES_A_PAGE + 1,
    ...(only === 'all' ? {} : only === 'grave' ? { isGrave: true } : { what: only }),
  });
  const shown = rows.slice(0, LINES_A_PAGE);
  return {
    lines: shown.map(lineOf),
    next: rows.length > shown.length ? (shown.at(-1)?.seq ?? null) : null,
  };
}
