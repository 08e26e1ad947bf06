import { sql } from 'drizzle-orm';
import type { Database } from '../client';
import { devices, pairingCodes, people, personSecrets, programs, sessions } from '../schema';

/** Who may come in: screens with their keys, and what people sign in with. */
export interface Access {
  readonly devices: readonly (typeof devices.$inferSelect)[];
  readonly secrets: readonly (typeof personSecrets.$inferSelect)[];
  readonly programs: readonly (typeof programs.$inferSelect)[];
}

/** Reads who may come in, to be carried over to other records. */
export const readAccess = async (db: Database): Promise<Access> => ({
  devices: await db.select().from(devices),
  secrets: await db.select().from(personSecrets),
  programs: await db.select().from(programs),
});

/**
 * Writes who may come in over what these records say of it, and signs everybody out. Where it is not
 * known (null), records of this shop stand as they are; others let nobody in.
 */
export async function writeAccess(
  db: Database,
  access: Access | null,
  { isOwn }: { readonly isOwn: boolean },
): Promise<void> {
  await db.delete(sessions).where(sql`true`);
  await db.delete(pairingCodes).where(sql`true`);
  if (access || !isOwn) {
    await db.delete(devices).where(sql`true`);
    await db.delete(programs).where(sql`true`);
  }
  if (!isOwn) await db.delete(personSecrets).where(sql`true`);
  if (!access) return;
  if (access.devices.length > 0) await db.insert(devices).values([...access.devices]);
  if (access.programs.length > 0) await db.insert(programs).values([...access.programs]);
  const known = new Set((await db.select({ id: people.id }).from(people)).map(({ id }) => id));
  for (const { personId, ...secrets } of access.secrets) {
    if (!known.has(personId)) continue;
    await db
      .insert(personSecrets)
      .values({ personId, ...secrets })
      .onConflictDoUpdate({ target: personSecrets.personId, set: secrets });
  }
}
