import { sql } from 'drizzle-orm';
import { z } from 'zod';
import type { Database } from '../../../db/client';

export const BACKUP_FORMAT = 'zesty-hound-backup';
export const BACKUP_VERSION = 2;

/** What a backup says of itself, in the file beside the database. */
const manifestSchema = z.strictObject({
  format: z.literal(BACKUP_FORMAT),
  /** The first version had neither digest nor seal. */
  version: z.union([z.literal(1), z.literal(BACKUP_VERSION)]),
  made: z.iso.datetime(),
  /** The newest migration that its database has. */
  schema: z.strictObject({ when: z.number(), tag: z.string().max(200) }),
  counts: z.strictObject({
    vehicles: z.int().min(0),
    jobs: z.int().min(0),
    readings: z.int().min(0),
    photos: z.int().min(0),
  }),
  /** One figure for every file of its database. */
  digest: z.string().length(64).optional(),
  /** The seal of the shop that made it, over all the rest. */
  seal: z.string().max(100).optional(),
});
export type Manifest = z.output<typeof manifestSchema>;

/** Reads what a backup says of itself; null where it is not ours or not sound. */
export function readManifest(text: string): Manifest | null {
  try {
    return manifestSchema.parse(JSON.parse(text));
  } catch {
    return null;
  }
}

type Asked = Pick<Database, 'execute'>;

/** The newest line of the ledger. */
export async function newestLine(db: Asked): Promise<number> {
  const found = await db.execute(sql`select coalesce(max(seq), 0)::int as newest from ledger`);
  const [row] = (found as unknown as { rows: { newest: number }[] }).rows;
  return row?.newest ?? 0;
}

/** How many records of each kind a database has: a restored one must have the same. */
export async function countRecords(db: Asked): Promise<Manifest['counts']> {
  const found = await db.execute(sql`select
    (select count(*) from vehicles)::int as vehicles, (select count(*) from jobs)::int as jobs,
    (select count(*) from readings)::int as readings, (select count(*) from photos)::int as photos`);
  const [counts] = (found as unknown as { rows: Manifest['counts'][] }).rows;
  if (!counts) throw new Error('The records were not counted');
  return counts;
}
