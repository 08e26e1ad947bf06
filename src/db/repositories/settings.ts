import { eq } from 'drizzle-orm';
import type { Database } from '../client';
import { RULES_SETTING, settings, SHOP_SETTING } from '../schema';

/** A setting's value as stored, or undefined when it was never set. */
export async function readSetting(db: Database, key: string): Promise<unknown> {
  const [row] = await db.select().from(settings).where(eq(settings.key, key));
  return row?.value;
}

export { RULES_SETTING, SHOP_SETTING };

/** Writes a setting over what is there. */
export async function writeSetting(db: Database, key: string, value: unknown): Promise<void> {
  await db
    .insert(settings)
    .values({ key, value })
    .onConflictDoUpdate({ target: settings.key, set: { value } });
}
