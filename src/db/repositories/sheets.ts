import { group } from 'd3-array';
import { asc, eq, inArray, sql } from 'drizzle-orm';
import {
  plainName,
  sheetKeyText,
  type Sheet,
  type SheetCode,
  type SheetFigure,
} from '../../core/sheets';
import type { Database } from '../client';
import { modelSheets, sheetFigures } from '../schema';

export type SheetFigureRow = SheetFigure & { readonly by: string | null; readonly at: Date };
export type SheetRow = Omit<Sheet, 'figures'> & {
  readonly id: string;
  readonly figures: readonly SheetFigureRow[];
};

/** Rows of sheets with their figures. */
async function whole(
  db: Database,
  rows: readonly (typeof modelSheets.$inferSelect)[],
): Promise<SheetRow[]> {
  if (rows.length === 0) return [];
  const ids = rows.map(({ id }) => id);
  const figures = await db.select().from(sheetFigures).where(inArray(sheetFigures.sheetId, ids));
  const bySheet = group(figures, ({ sheetId }) => sheetId);
  return rows.map(({ key: _, wheel, ...own }) => ({
    ...own,
    wheel: wheel as Sheet['wheel'],
    figures: (bySheet.get(own.id) ?? []).map(({ id: _id, sheetId: _sheet, code, ...figure }) => ({
      ...figure,
      code: code as SheetCode,
    })),
  }));
}

/** Every sheet, by make and model. */
export const listSheets = async (db: Database): Promise<SheetRow[]> =>
  whole(
    db,
    await db
      .select()
      .from(modelSheets)
      .orderBy(
        asc(modelSheets.make),
        asc(modelSheets.model),
        asc(modelSheets.axle),
        asc(modelSheets.yearFrom),
      ),
  );

/** The sheets of a model, of any year and variant. */
export async function findSheetsOf(
  db: Database,
  { make, model }: { readonly make: string; readonly model: string },
): Promise<SheetRow[]> {
  const ofModel = `${plainName(make)}|${plainName(model)}|`;
  const rows = await db
    .select()
    .from(modelSheets)
    .where(sql`starts_with(${modelSheets.key}, ${ofModel})`);
  return whole(db, rows);
}

export async function findSheet(db: Database, id: string): Promise<SheetRow | null> {
  const rows = await db.select().from(modelSheets).where(eq(modelSheets.id, id));
  const [sheet] = await whole(db, rows);
  return sheet ?? null;
}

/** The sheet of a key, made where there is none; its id. Spelled as it stands. */
export async function sheetOfKey(db: Database, key: Omit<Sheet, 'figures'>): Promise<string> {
  const { make, model, yearFrom, yearTo, axle, variant, wheel } = key;
  const [row] = await db
    .insert(modelSheets)
    .values({ make, model, yearFrom, yearTo, axle, variant, wheel, key: sheetKeyText(key) })
    .onConflictDoUpdate({ target: modelSheets.key, set: { key: sheetKeyText(key) } })
    .returning({ id: modelSheets.id });
  if (!row) throw new Error('The sheet was not written');
  return row.id;
}

/** Writes over what a sheet is of. */
export async function updateSheetKey(
  db: Database,
  id: string,
  key: Omit<Sheet, 'figures'>,
): Promise<void> {
  const { make, model, yearFrom, yearTo, axle, variant, wheel } = key;
  await db
    .update(modelSheets)
    .set({ make, model, yearFrom, yearTo, axle, variant, wheel, key: sheetKeyText(key) })
    .where(eq(modelSheets.id, id));
}

/** Writes figures of a sheet over those of the same codes. */
export async function saveSheetFigures(
  db: Database,
  sheetId: string,
  figures: readonly SheetFigure[],
  by: string | null,
): Promise<void> {
  for (const { code, text, unit, value, source } of figures) {
    const set = { text, unit, value, source, by, at: new Date() };
    await db
      .insert(sheetFigures)
      .values({ sheetId, code, ...set })
      .onConflictDoUpdate({ target: [sheetFigures.sheetId, sheetFigures.code], set });
  }
}

/** Takes figures off a sheet. */
export async function dropSheetFigures(
  db: Database,
  sheetId: string,
  codes: readonly SheetCode[],
): Promise<void> {
  const rows = await db.select().from(sheetFigures).where(eq(sheetFigures.sheetId, sheetId));
  const gone = rows.filter(({ code }) => codes.includes(code as SheetCode));
  for (const { id } of gone) await db.delete(sheetFigures).where(eq(sheetFigures.id, id));
}

/** Takes a sheet off file: its figures first, so that the history names what they were of. */
export async function dropSheet(db: Database, id: string): Promise<void> {
  await db.delete(sheetFigures).where(eq(sheetFigures.sheetId, id));
  await db.delete(modelSheets).where(eq(modelSheets.id, id));
}
