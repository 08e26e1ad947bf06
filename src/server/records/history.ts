import 'server-only';
import { formatDate } from '../../core/calendar';
import { z } from 'zod';
import type { Job } from '../../core/job';
import { ledgerOf, type LedgerRow } from '../../db/repositories';
import { database } from '../database';
import { sayPair } from './sayLedger';

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

/** What a browser calls itself where screens are not paired: it says nothing to anybody. */
const isNumber = (device: string): boolean =>
  /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(device);

/** Who wrote a line, as what, and at which screen where that has a name. */
export function sayWriter({
  who,
  role,
  device,
}: Pick<LedgerRow, 'who' | 'role' | 'device'>): string {
  const named = who ? `${who}${role ? `, ${role}` : ''}` : 'nobody named';
  return device && !isNumber(device) ? `${named}, at ${device}` : named;
}

const lineOf = (row: LedgerRow): HistoryLine => ({
  seq: row.seq,
  at: formatDate(row.at, 'YYYY-MM-DD HH:mm:ss'),
  who: sayWriter(row),
  what: row.op === 'sign' ? 'signed off' : row.what,
  place: row.place,
  ...sayPair(row),
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
