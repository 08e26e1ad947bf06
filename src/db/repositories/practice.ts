import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import type { Database } from '../client';
import { people, practiceCases, practiceTasks } from '../schema';

export type PracticeCaseRow = typeof practiceCases.$inferSelect;
export type PracticeTaskRow = typeof practiceTasks.$inferSelect;

/** A case that was ended, as a list names it: without what was done in it. */
export type PracticeLine = Omit<PracticeCaseRow, 'steps' | 'keptAt'> & { readonly person: string };

/** A case that was set, with for whom, and the case by which it is done; null while it is not. */
export interface PracticeTaskLine extends PracticeTaskRow {
  readonly person: string;
  readonly doneBy: string | null;
}

/** Writes a case that was ended; one that is on file stays as it is. */
export async function savePracticeCase(
  db: Database,
  row: Omit<PracticeCaseRow, 'keptAt'>,
): Promise<void> {
  await db.insert(practiceCases).values(row).onConflictDoNothing();
}

/** The cases that somebody ended, or everybody who works here, the latest first; at most `limit`. */
export const listPracticeCases = (
  db: Database,
  personId: string | null,
  limit: number,
): Promise<PracticeLine[]> =>
  db
    .select({
      ...{ id: practiceCases.id, personId: practiceCases.personId, person: people.name },
      ...{ code: practiceCases.code, endedAt: practiceCases.endedAt },
      outcome: practiceCases.outcome,
    })
    .from(practiceCases)
    .innerJoin(people, eq(people.id, practiceCases.personId))
    .where(and(personId === null ? undefined : eq(people.id, personId), eq(people.isHere, true)))
    .orderBy(desc(practiceCases.endedAt))
    .limit(limit);

/** A case that was ended, with what was done in it, and whose it is; null where there is none. */
export async function findPracticeCase(
  db: Database,
  id: string,
): Promise<(PracticeCaseRow & { readonly person: string }) | null> {
  const [row] = await db
    .select({ kept: practiceCases, person: people.name })
    .from(practiceCases)
    .innerJoin(people, eq(people.id, practiceCases.personId))
    .where(eq(practiceCases.id, id));
  return row ? { ...row.kept, person: row.person } : null;
}

/** Writes a case that is set for somebody; one that is on file stays as it is. */
export async function savePracticeTask(
  db: Database,
  row: Pick<PracticeTaskRow, 'id' | 'personId' | 'code' | 'by' | 'note'>,
): Promise<void> {
  await db.insert(practiceTasks).values(row).onConflictDoNothing();
}

/** Takes a case back that was set, once; what was done of it stays, and so does that it was set. */
export async function takePracticeTaskBack(db: Database, id: string, by: string): Promise<boolean> {
  const rows = await db
    .update(practiceTasks)
    .set({ takenBackBy: by, takenBackAt: sql`now()` })
    .where(and(eq(practiceTasks.id, id), isNull(practiceTasks.takenBackAt)))
    .returning({ id: practiceTasks.id });
  return rows.length > 0;
}

/** The cases that were set for somebody, or for everybody who works here, as they were set; those taken back among them. */
export const listPracticeTasks = (
  db: Database,
  personId: string | null,
): Promise<PracticeTaskLine[]> =>
  db
    .select({
      ...{ id: practiceTasks.id, personId: practiceTasks.personId, person: people.name },
      ...{ code: practiceTasks.code, by: practiceTasks.by, note: practiceTasks.note },
      ...{ setAt: practiceTasks.setAt },
      ...{ takenBackBy: practiceTasks.takenBackBy, takenBackAt: practiceTasks.takenBackAt },
      doneBy: sql<string | null>`(
        select done.id from ${practiceCases} done
        where done.person_id = ${practiceTasks.personId} and done.code = ${practiceTasks.code}
          and done.kept_at >= ${practiceTasks.setAt}
        order by done.kept_at limit 1)`,
    })
    .from(practiceTasks)
    .innerJoin(people, eq(people.id, practiceTasks.personId))
    .where(and(eq(people.isHere, true), personId === null ? undefined : eq(people.id, personId)))
    .orderBy(asc(practiceTasks.setAt));
