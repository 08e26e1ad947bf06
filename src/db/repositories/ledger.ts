import { and, desc, eq, gt, lt, or, sql, type SQL } from 'drizzle-orm';
import type { Database } from '../client';
import { jobs, ledger } from '../schema';

export type LedgerRow = typeof ledger.$inferSelect;

/** Who writes and why, as the ledger keeps it with everything that the transaction writes. */
export interface LedgerContext {
  readonly who?: string | null;
  readonly role?: string | null;
  /** The name that the device gave itself. */
  readonly device?: string;
  /** The id that the writing browser gave itself: whoever shows a job need not load anew what it wrote itself. */
  readonly sender?: string;
  readonly reason?: string | null;
  /** That what is written comes from an archive, and brings its own history. */
  readonly op?: 'return' | null;
}

/** Says to the transaction who writes and why; what is not named stays as it was said. */
export async function sayToLedger(db: Database, context: LedgerContext): Promise<void> {
  const parts = Object.entries(context).map(
    ([name, value]) => sql`set_config(${`zh.${name}`}, ${value ?? ''}, true)`,
  );
  if (parts.length > 0) await db.execute(sql`select ${sql.join(parts, sql`, `)}`);
}

/** Adds a lead’s answer to a line of the ledger. */
export async function answerLedger(
  db: Database,
  answer: Pick<LedgerRow, 'jobId' | 'who' | 'role' | 'place' | 'reason'> & { readonly of: number },
): Promise<void> {
  const { of, ...own } = answer;
  await db
    .insert(ledger)
    .values({ ...own, what: 'answer', op: 'answer', after: { of }, isGrave: true });
}

/** Lines of a job’s history, the latest first: at most so many, those before a line. */
export const ledgerOf = (
  db: Database,
  jobId: string,
  {
    before,
    most,
    what,
    isGrave,
  }: {
    readonly before: number | null;
    readonly most: number;
    /** Only what is of one sort. */
    readonly what?: string;
    /** Only what was taken back, changed in earnest, or answered. */
    readonly isGrave?: true;
  },
): Promise<LedgerRow[]> => {
  const vehicle = sql`(select ${jobs.vehicleId} from ${jobs} where ${jobs.id} = ${jobId})`;
  const begun = sql`coalesce((select min(own.seq) from ledger own where own.job_id = ${jobId}), 0)`;
  return db
    .select()
    .from(ledger)
    .where(
      and(
        or(
          eq(ledger.jobId, jobId),
          and(sql`${ledger.vehicleId} = ${vehicle}`, sql`${ledger.seq} > ${begun}`),
        ),
        before === null ? undefined : lt(ledger.seq, before),
        what === undefined ? undefined : eq(ledger.what, what),
        isGrave ? sql`${ledger.isGrave}` : undefined,
      ),
    )
    .orderBy(desc(ledger.seq))
    .limit(most);
};

/** Where lines of the ledger belong: to a job, to a vehicle, or to the shop. */
export type LedgerRoom =
  | { readonly of: 'job' | 'vehicle'; readonly id: string }
  | { readonly of: 'shop' };

const inRoom = (room: LedgerRoom): SQL => {
  switch (room.of) {
    case 'job':
      return sql`${ledger.jobId} = ${room.id}`;
    case 'vehicle':
      return sql`${ledger.vehicleId} = ${room.id}`;
    case 'shop':
      return sql`${ledger.jobId} is null and ${ledger.vehicleId} is null`;
  }
};

/** The last line of a room; 0 where there is none. */
export async function reachOf(db: Database, room: LedgerRoom): Promise<number> {
  const [row] = await db
    .select({ seq: sql`coalesce(max(${ledger.seq}), 0)`.mapWith(Number) })
    .from(ledger)
    .where(inRoom(room));
  return row?.seq ?? 0;
}

/**
 * Lets no other transaction that asks for it write in a room until this one has ended: lines of it
 * are in the order in which they came to stand, and what was not seen can be told.
 */
export async function lockRoom(db: Database, room: LedgerRoom): Promise<void> {
  const name = room.of === 'shop' ? 'shop' : `${room.of} ${room.id}`;
  await db.execute(sql`select pg_advisory_xact_lock(hashtextextended(${name}, 0))`);
}

/** Lines of a room after one of them, in order: at most so many. */
export const linesSince = (
  db: Database,
  room: LedgerRoom,
  { seq, most }: { readonly seq: number; readonly most: number },
): Promise<LedgerRow[]> =>
  db
    .select()
    .from(ledger)
    .where(and(inRoom(room), gt(ledger.seq, seq)))
    .orderBy(desc(ledger.seq))
    .limit(most);
