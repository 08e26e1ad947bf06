import { and, asc, eq } from 'drizzle-orm';
import type { Database } from '../client';
import { findings, findingsAside } from '../schema';

export type FindingRow = typeof findings.$inferSelect;

/** The findings of a job, in the order they were found. */
export const findingsOf = (db: Database, jobId: string): Promise<FindingRow[]> =>
  db.select().from(findings).where(eq(findings.jobId, jobId)).orderBy(asc(findings.foundAt));

/** Writes a finding over an earlier one of the same code and corner. */
export async function saveFinding(
  db: Database,
  finding: Omit<FindingRow, 'foundAt'>,
): Promise<void> {
  const change = { value: finding.value, foundAt: new Date() };
  await db
    .insert(findings)
    .values({ ...finding, foundAt: change.foundAt })
    .onConflictDoUpdate({ target: [findings.jobId, findings.code, findings.corner], set: change });
}

/** Takes a finding back. */
export async function deleteFinding(
  db: Database,
  { jobId, code, corner }: Pick<FindingRow, 'jobId' | 'code' | 'corner'>,
): Promise<void> {
  await db
    .delete(findings)
    .where(and(eq(findings.jobId, jobId), eq(findings.code, code), eq(findings.corner, corner)));
}

/** Codes of the findings of a job that were set aside. */
export async function asideOf(db: Database, jobId: string): Promise<string[]> {
  const rows = await db.select().from(findingsAside).where(eq(findingsAside.jobId, jobId));
  return rows.map(({ code }) => code);
}

/** Sets a finding aside, or lets it weigh again. */
export async function setAsideFinding(
  db: Database,
  jobId: string,
  code: string,
  isAside: boolean,
): Promise<void> {
  if (isAside) await db.insert(findingsAside).values({ jobId, code }).onConflictDoNothing();
  else {
    await db
      .delete(findingsAside)
      .where(and(eq(findingsAside.jobId, jobId), eq(findingsAside.code, code)));
  }
}
