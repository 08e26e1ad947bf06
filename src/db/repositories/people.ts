import { and, asc, eq, getTableColumns, inArray, notInArray, sql } from 'drizzle-orm';
import type { Database } from '../client';
import { people } from '../schema';

export type PersonRow = typeof people.$inferSelect;

/** Who does something: a name, and what it is here. */
export type Who = Pick<PersonRow, 'name' | 'role'>;

/** Everyone who works here now, by name. */
export const listPeople = (db: Database): Promise<PersonRow[]> =>
  db.select().from(people).where(eq(people.isHere, true)).orderBy(asc(people.name));

/** Everyone who works or ever worked here. */
export const everyPerson = (db: Database): Promise<PersonRow[]> => db.select().from(people);

/**
 * Brings people in as they are in other records of the shop, under their ids there; who was put on file here under one
 * of their names gives it up.
 */
export async function bringPeople(db: Database, rows: readonly PersonRow[]): Promise<void> {
  if (rows.length === 0) return;
  const [ids, names] = [rows.map(({ id }) => id), rows.map(({ name }) => name)];
  await db
    .update(people)
    .set({ name: sql`${people.name} || ' (' || ${people.id} || ')'` })
    .where(and(inArray(people.name, names), notInArray(people.id, ids)));
  const { name, role, initials, isHere } = getTableColumns(people);
  const taken = (column: { readonly name: string }) => sql.raw(`excluded.${column.name}`);
  await db
    .insert(people)
    .values([...rows])
    .onConflictDoUpdate({
      target: people.id,
      set: {
        ...{ name: taken(name), role: taken(role) },
        ...{ initials: taken(initials), isHere: taken(isHere) },
      },
    });
}

/** One person who works here, or null. */
export async function findPerson(db: Database, id: string): Promise<PersonRow | null> {
  const [row] = await db.select().from(people).where(eq(people.id, id));
  return row?.isHere ? row : null;
}

/** The person of a name who works here, or null. */
export async function findPersonByName(db: Database, name: string): Promise<PersonRow | null> {
  const [row] = await db.select().from(people).where(eq(people.name, name));
  return row?.isHere ? row : null;
}

/** Writes a person, or brings one of the same name back; returns the id. */
export async function savePerson(
  db: Database,
  person: Pick<PersonRow, 'name' | 'role' | 'initials'>,
): Promise<string> {
  const [row] = await db
    .insert(people)
    .values(person)
    .onConflictDoUpdate({
      target: people.name,
      set: { role: person.role, initials: person.initials, isHere: true },
    })
    .returning({ id: people.id });
  if (!row) throw new Error('The person was not written');
  return row.id;
}

/** Changes what a person is here and what is short for the name; null where nobody has the id. */
export async function updatePerson(
  db: Database,
  id: string,
  change: Pick<PersonRow, 'role' | 'initials'>,
): Promise<string | null> {
  const rows = await db.update(people).set(change).where(eq(people.id, id)).returning();
  return rows[0]?.id ?? null;
}

/** Offers a person no more; what was written under the name stays. */
export async function dismissPerson(db: Database, id: string): Promise<void> {
  await db.update(people).set({ isHere: false }).where(eq(people.id, id));
}
