import { and, asc, eq, ilike, inArray, sql } from 'drizzle-orm';
import type { Database } from '../client';
import { checks, owners, vehicles } from '../schema';

/** Who brings a vehicle, and how they are reached. */
export type OwnerRow = typeof owners.$inferSelect;

/** The owner of a vehicle; null where none is on file. */
export async function findOwner(db: Database, vehicleId: string): Promise<OwnerRow | null> {
  const [row] = await db.select().from(owners).where(eq(owners.vehicleId, vehicleId));
  return row ?? null;
}

/** Vehicles by the name of who brings them: every word somewhere in it, so many at most. */
export const vehiclesOfOwner = (db: Database, words: readonly string[], most: number) =>
  db
    .select({
      id: vehicles.id,
      plate: vehicles.plate,
      make: vehicles.make,
      model: vehicles.model,
      owner: owners.name,
    })
    .from(owners)
    .innerJoin(vehicles, eq(vehicles.id, owners.vehicleId))
    // Words are letters and figures: nothing of them is a pattern.
    .where(and(...words.map((word) => ilike(owners.name, `%${word}%`))))
    .orderBy(asc(vehicles.plate))
    .limit(most);

/** Writes the owner of a vehicle over what stands. */
export async function saveOwner(db: Database, owner: OwnerRow): Promise<void> {
  const { name, reach } = owner;
  await db
    .insert(owners)
    .values(owner)
    .onConflictDoUpdate({ target: owners.vehicleId, set: { name, reach } });
}

/** What stands for a name that was erased. */
const NAMELESS = 'the owner';

/**
 * Erases the owner of a vehicle, and the same name under what was agreed in its open jobs, which are
 * locked; what was signed stays as it was signed.
 */
export async function eraseOwner(
  db: Database,
  vehicleId: string,
  openJobs: readonly string[],
): Promise<void> {
  const owner = await findOwner(db, vehicleId);
  if (owner) {
    await db
      .update(checks)
      .set({ value: sql`jsonb_set(${checks.value}, '{name}', ${JSON.stringify(NAMELESS)}::jsonb)` })
      .where(
        and(
          inArray(checks.jobId, [...openJobs]),
          eq(checks.kind, 'estimate'),
          eq(checks.item, 'approval'),
          sql`lower(trim(${checks.value} ->> 'name')) = ${owner.name.trim().toLowerCase()}`,
        ),
      );
  }
  await db.delete(owners).where(eq(owners.vehicleId, vehicleId));
}
