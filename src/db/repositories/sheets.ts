import { group } from 'd3-array';
import { and, asc, count, eq, exists, inArray, sql } from 'drizzle-orm';
import {
  plainName,
  sheetKeyText,
  type Sheet,
  type SheetChoice,
  type SheetCode,
  type SheetFigure,
  type SheetKey,
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

const IN_ORDER = [
  asc(modelSheets.make),
  asc(modelSheets.model),
  asc(modelSheets.axle),
  asc(modelSheets.yearFrom),
  asc(modelSheets.id),
];

/** Every sheet, by make and model. */
export const listSheets = async (db: Database): Promise<SheetRow[]> =>
  whole(
    db,
    await db
      .select()
      .from(modelSheets)
      .orderBy(...IN_ORDER),
  );

/** A sheet in a list: what it is of, and how many figures it has. */
export type SheetLine = SheetKey & { readonly id: string; readonly count: number };

/** A page of the sheets, by make and model. One more where there are more. */
export async function pageOfSheets(
  db: Database,
  { size, number }: { readonly size: number; readonly number: number },
): Promise<SheetLine[]> {
  const rows = await db
    .select({ sheet: modelSheets, count: count(sheetFigures.id) })
    .from(modelSheets)
    .leftJoin(sheetFigures, eq(sheetFigures.sheetId, modelSheets.id))
    .groupBy(modelSheets.id)
    .orderBy(...IN_ORDER)
    .limit(size + 1)
    .offset((number - 1) * size);
  return rows.map(({ sheet: { key: _, wheel, ...own }, count: figures }) => ({
    ...{ ...own, wheel: wheel as Sheet['wheel'], count: figures },
  }));
}

/** The models with a sheet of an axle that says all of these, by name. */
export const modelsSaying = (
  db: Database,
  axle: Sheet['axle'],
  codes: readonly SheetCode[],
): Promise<SheetChoice[]> =>
  db
    .selectDistinct({
      ...{ make: modelSheets.make, model: modelSheets.model, variant: modelSheets.variant },
      ...{ yearFrom: modelSheets.yearFrom, yearTo: modelSheets.yearTo },
    })
    .from(modelSheets)
    .where(
      and(
        eq(modelSheets.axle, axle),
        ...codes.map((code) =>
          exists(
            db
              .select({ one: sql`1` })
              .from(sheetFigures)
              .where(and(eq(sheetFigures.sheetId, modelSheets.id), eq(sheetFigures.code, code))),
          ),
        ),
      ),
    )
    .orderBy(asc(modelSheets.make), asc(modelSheets.model), asc(modelSheets.yearFrom));

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

const keyRow = (key: SheetKey) => {
  const { make, model, yearFrom, yearTo, axle, variant, wheel } = key;
  return { make, model, yearFrom, yearTo, axle, variant, wheel, key: sheetKeyText(key) };
};

/** Writes over what a sheet is of. */
export async function updateSheetKey(db: Database, id: string, key: SheetKey): Promise<void> {
  await db.update(modelSheets).set(keyRow(key)).where(eq(modelSheets.id, id));
}

/** Rows that one statement writes: parameters are counted. */
const AT_ONCE = 500;
const inParts = <Item>(items: readonly Item[]): Item[][] =>
  Array.from({ length: Math.ceil(items.length / AT_ONCE) }, (_, i) =>
    items.slice(i * AT_ONCE, (i + 1) * AT_ONCE),
  );

/** Writes sheets, spelled as they stand where they do, and figures over those of the same codes. */
export async function saveSheets(
  db: Database,
  sheets: readonly Sheet[],
  by: string | null,
): Promise<void> {
  const ids = new Map<string, string>();
  for (const part of inParts(sheets)) {
    const rows = await db
      .insert(modelSheets)
      .values(part.map(({ figures: _, ...key }) => keyRow(key)))
      .onConflictDoUpdate({ target: modelSheets.key, set: { key: sql`excluded.key` } })
      .returning({ id: modelSheets.id, key: modelSheets.key });
    for (const { id, key } of rows) ids.set(key, id);
  }
  const at = new Date();
  const figures = sheets.flatMap(({ figures: own, ...key }) =>
    own.map(({ code, text, unit, value, source }) => ({
      ...{ sheetId: ids.get(sheetKeyText(key)) ?? '', code, text, unit, value, source, by, at },
    })),
  );
  for (const part of inParts(figures)) {
    await db
      .insert(sheetFigures)
      .values(part)
      .onConflictDoUpdate({
        target: [sheetFigures.sheetId, sheetFigures.code],
        set: {
          text: sql`excluded.text`,
          unit: sql`excluded.unit`,
          value: sql`excluded.value`,
          source: sql`excluded.source`,
          by: sql`excluded.by`,
          at: sql`excluded.at`,
        },
      });
  }
}

/** Takes figures off a sheet. */
export async function dropSheetFigures(
  db: Database,
  sheetId: string,
  codes: readonly SheetCode[],
): Promise<void> {
  await db
    .delete(sheetFigures)
    .where(and(eq(sheetFigures.sheetId, sheetId), inArray(sheetFigures.code, codes)));
}

/** Takes a sheet off file: its figures first, so that the history names what they were of. */
export async function dropSheet(db: Database, id: string): Promise<void> {
  await db.delete(sheetFigures).where(eq(sheetFigures.sheetId, id));
  await db.delete(modelSheets).where(eq(modelSheets.id, id));
}
