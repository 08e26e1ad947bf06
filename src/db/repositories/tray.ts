import { and, asc, eq, getTableColumns, inArray, isNotNull, isNull } from 'drizzle-orm';
import type { Database } from '../client';
import { photoBlobs, photos, trayParts } from '../schema';

export type TrayPartRow = typeof trayParts.$inferSelect;
export type PhotoRow = typeof photos.$inferSelect;
export type PhotoBlobRow = typeof photoBlobs.$inferSelect;
/** A photo with the size of its picture, without the picture. */
export type PhotoLine = PhotoRow & Pick<PhotoBlobRow, 'width' | 'height'>;

/** The parts taken off in a job, in the order they came off. */
export const trayOf = (db: Database, jobId: string): Promise<TrayPartRow[]> =>
  db
    .select()
    .from(trayParts)
    .where(eq(trayParts.jobId, jobId))
    .orderBy(asc(trayParts.takenAt), asc(trayParts.id));

/** Puts a part in the tray; one that was put there already under its id is returned as it is. */
export async function insertTrayPart(
  db: Database,
  part: typeof trayParts.$inferInsert,
): Promise<TrayPartRow> {
  const [row] = await db.insert(trayParts).values(part).onConflictDoNothing().returning();
  const put = row ?? (part.id === undefined ? null : await findTrayPart(db, part.id));
  if (!put) throw new Error('The part was not written');
  return put;
}

/** One part, or null. */
export async function findTrayPart(db: Database, id: string): Promise<TrayPartRow | null> {
  const [row] = await db.select().from(trayParts).where(eq(trayParts.id, id));
  return row ?? null;
}

/** The lines of a part that may be changed. */
export type TrayPartLines = Pick<TrayPartRow, 'place' | 'orientation' | 'mark' | 'fate'>;

const LINES = ['place', 'orientation', 'mark', 'fate'] as const;

/**
 * Changes lines of a part that nobody changed since they were seen: `was` holds what the
 * writer saw of each. Returns the part, or null where a line stands otherwise.
 */
export async function updateTrayPart(
  db: Database,
  id: string,
  was: Partial<TrayPartLines>,
  change: Partial<TrayPartLines>,
): Promise<TrayPartRow | null> {
  const seen = LINES.flatMap((line) => {
    const value = was[line];
    return value === undefined ? [] : [eq(trayParts[line], value)];
  });
  const [row] = await db
    .update(trayParts)
    .set(change)
    .where(and(eq(trayParts.id, id), ...seen))
    .returning();
  return row ?? null;
}

/** Marks a part as back on, or as off again; null where it stands so already. */
export async function markTrayPart(
  db: Database,
  id: string,
  back: Pick<TrayPartRow, 'backAt' | 'backBy'>,
): Promise<TrayPartRow | null> {
  const stands = back.backAt === null ? isNotNull(trayParts.backAt) : isNull(trayParts.backAt);
  const [row] = await db
    .update(trayParts)
    .set(back)
    .where(and(eq(trayParts.id, id), stands))
    .returning();
  return row ?? null;
}

/** Takes a part out of the tray as if it had never been put there. */
export async function deleteTrayPart(db: Database, id: string): Promise<void> {
  await db.delete(trayParts).where(eq(trayParts.id, id));
}

/** The photos of a job without their pictures, oldest first. */
export const photosOf = (db: Database, jobId: string): Promise<PhotoLine[]> =>
  db
    .select({
      ...getTableColumns(photos),
      width: photoBlobs.width,
      height: photoBlobs.height,
    })
    .from(photos)
    .innerJoin(photoBlobs, eq(photoBlobs.sha256, photos.sha256))
    .where(eq(photos.jobId, jobId))
    .orderBy(asc(photos.takenAt), asc(photos.id));

/** Keeps a picture once by its hash and hangs it on a job; returns the photo's id. */
export const insertPhoto = (
  db: Database,
  blob: PhotoBlobRow,
  photo: Omit<PhotoRow, 'id' | 'takenAt' | 'sha256'>,
): Promise<string> =>
  db.transaction(async (tx) => {
    await tx.insert(photoBlobs).values(blob).onConflictDoNothing();
    const own = { ...photo, sha256: blob.sha256 };
    const [same] = await tx
      .select({ id: photos.id })
      .from(photos)
      .where(
        and(
          eq(photos.jobId, own.jobId),
          eq(photos.corner, own.corner),
          own.partId === null ? isNull(photos.partId) : eq(photos.partId, own.partId),
          eq(photos.sha256, own.sha256),
        ),
      );
    if (same) return same.id;
    const [row] = await tx.insert(photos).values(own).returning({ id: photos.id });
    if (!row) throw new Error('The photo was not written');
    return row.id;
  });

/** A picture by its hash: whole, or small. */
export async function findPicture(
  db: Database,
  sha256: string,
  size: 'picture' | 'thumb',
): Promise<{ readonly mime: string; readonly picture: Uint8Array } | null> {
  const [row] = await db
    .select({ mime: photoBlobs.mime, picture: photoBlobs[size] })
    .from(photoBlobs)
    .where(eq(photoBlobs.sha256, sha256));
  return row ?? null;
}

/** Pictures by their hashes, whole. */
export const findPictures = (
  db: Database,
  sha256: readonly string[],
): Promise<Pick<PhotoBlobRow, 'sha256' | 'mime' | 'picture'>[]> =>
  db
    .select({ sha256: photoBlobs.sha256, mime: photoBlobs.mime, picture: photoBlobs.picture })
    .from(photoBlobs)
    .where(inArray(photoBlobs.sha256, [...sha256]));

/** Takes a photo back; its picture goes when no other photo shows it. */
export const deletePhoto = (db: Database, id: string): Promise<void> =>
  db.transaction(async (tx) => {
    const [row] = await tx.delete(photos).where(eq(photos.id, id)).returning();
    if (!row) return;
    const [other] = await tx
      .select({ id: photos.id })
      .from(photos)
      .where(eq(photos.sha256, row.sha256))
      .limit(1);
    if (!other) await tx.delete(photoBlobs).where(eq(photoBlobs.sha256, row.sha256));
  });
