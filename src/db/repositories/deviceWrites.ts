import { and, eq, lt } from 'drizzle-orm';
import type { Database } from '../client';
import { deviceWrites } from '../schema';

export type DeviceWriteRow = typeof deviceWrites.$inferSelect;
type DevicePlace = Pick<DeviceWriteRow, 'device' | 'place'>;

/** The newest write of a device at a place, locked for the transaction; null where there is none. */
export async function lockDeviceWrite(
  db: Database,
  { device, place }: DevicePlace,
): Promise<DeviceWriteRow | null> {
  const own = await db
    .insert(deviceWrites)
    .values({ device, place, number: 0 })
    .onConflictDoNothing()
    .returning();
  if (own.length > 0) return null;
  const [row] = await db
    .select()
    .from(deviceWrites)
    .where(and(eq(deviceWrites.device, device), eq(deviceWrites.place, place)))
    .for('update');
  return row ?? null;
}

/** Writes down that a write of a device was taken, and what it was answered with. */
export async function saveDeviceWrite(
  db: Database,
  { device, place }: DevicePlace,
  write: Pick<DeviceWriteRow, 'number' | 'answer'>,
): Promise<void> {
  await db
    .update(deviceWrites)
    .set({ ...write, at: new Date() })
    .where(and(eq(deviceWrites.device, device), eq(deviceWrites.place, place)));
}

/** Forgets writes from before a moment: none of them can still be on its way. */
export async function sweepDeviceWrites(db: Database, before: Date): Promise<void> {
  await db.delete(deviceWrites).where(lt(deviceWrites.at, before));
}
