import { and, desc, eq, lt, or, sql } from 'drizzle-orm';
import type { Database } from '../client';
import { jobs, ledger } from '../schema';

export type LedgerRow = typeof ledger.$inferSelect;

/** Who writes and why, as the ledger keeps it with everything that the transaction writes. */
export interface LedgerContext {
  readonly who?: string | null;
  readonly role?: string | null;
  readonly reason?: string | null;
  /** That what is written comes from elsewhere. */
  readonly op?: 'import' | null;
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
