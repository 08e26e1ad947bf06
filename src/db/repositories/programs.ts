import { and, desc, eq, gt, isNull, sql } from 'drizzle-orm';
import type { Database } from '../client';
import { programs } from '../schema';

export type ProgramRow = Omit<typeof programs.$inferSelect, 'keyHash'>;

/** What is told of another program: everything but its key. */
const programColumns = {
  id: programs.id,
  name: programs.name,
  role: programs.role,
  madeAt: programs.madeAt,
  madeBy: programs.madeBy,
  expiresAt: programs.expiresAt,
  usedAt: programs.usedAt,
  revokedAt: programs.revokedAt,
  revokedBy: programs.revokedBy,
};

/** Other programs that may ask, and those that might: the latest first. */
export const listPrograms = (db: Database): Promise<ProgramRow[]> =>
  db.select(programColumns).from(programs).orderBy(desc(programs.madeAt));

/** Puts another program on file under the hash of its key; returns its id. */
export async function saveProgram(
  db: Database,
  program: Pick<typeof programs.$inferInsert, 'name' | 'keyHash' | 'role' | 'madeBy' | 'expiresAt'>,
): Promise<string> {
  const [row] = await db.insert(programs).values(program).returning({ id: programs.id });
  if (!row) throw new Error('The program was not written');
  return row.id;
}

/** The program of a key that counts now; null where there is none. */
export async function findProgram(db: Database, keyHash: string): Promise<ProgramRow | null> {
  const [row] = await db
    .select(programColumns)
    .from(programs)
    .where(
      and(
        eq(programs.keyHash, keyHash),
        isNull(programs.revokedAt),
        gt(programs.expiresAt, sql`now()`),
      ),
    );
  return row ?? null;
}

/** One program by its id; null where there is none, or its key does not count any more. */
export async function findProgramById(db: Database, id: string): Promise<ProgramRow | null> {
  const [row] = await db
    .select(programColumns)
    .from(programs)
    .where(and(eq(programs.id, id), isNull(programs.revokedAt)));
  return row ?? null;
}

/** Takes down that a program asked for something. */
export async function touchProgram(db: Database, id: string): Promise<void> {
  await db
    .update(programs)
    .set({ usedAt: sql`now()` })
    .where(eq(programs.id, id));
}

/** Takes a program’s key away for good; false where there is none. */
export async function revokeProgram(db: Database, id: string, by: string): Promise<boolean> {
  const rows = await db
    .update(programs)
    .set({ revokedAt: sql`now()`, revokedBy: by })
    .where(and(eq(programs.id, id), isNull(programs.revokedAt)))
    .returning({ id: programs.id });
  return rows.length > 0;
}
