import { eq } from 'drizzle-orm';
import type { Database } from '../client';
import { owners } from '../schema';

/** Who brings a vehicle, and how they are reached. */
export type OwnerRow = typeof owners.$inferSelect;

/** The owner of a vehicle; null where none is on file. */
export async function findOwner(db: Database, vehicleId: string): Promise<OwnerRow | null> {
  const [row] = await db.select().from(owners).where(eq(owners.vehicleId, vehicleId));
  return row ?? null;
}

/** Writes the owner of a vehicle over what stands. */
export async function saveOwner(db: Database, owner: OwnerRow): Promise<void> {
  const { name, reach } = owner;
  await db
    .insert(owners)
    .values(owner)
    .onConflictDoUpdate({ target: owners.vehicleId, set: { name, reach } });
}

/** Erases the owner of a vehicle. */
export async function eraseOwner(db: Database, vehicleId: string): Promise<void> {
  await db.delete(owners).where(eq(owners.vehicleId, vehicleId));
}
