import 'server-only';
import { group } from 'd3-array';
import { sheetsInSchema } from '../../core/contracts';
import { writeTable, type Decimal } from '../../core/exchange';
import {
  mergeSheets,
  readSheets,
  sheetKeyText,
  SHEET_COLUMNS,
  sheetRows,
  type MergeLine,
  type Sheet,
} from '../../core/sheets';
import type { Database } from '../../db/client';
import { listSheets, lockRoom, saveSheets, sayToLedger } from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import type { Download } from '../measure/exchange';

/** Writes what sheets bring: what is new, and what differs where it is chosen; how many figures. */
export async function mergeIn(
  tx: Database,
  sheets: readonly Sheet[],
  { take, by }: { readonly take: readonly string[]; readonly by: string | null },
): Promise<number> {
  const wanted = new Set(take);
  // What stands stays as it is read here until what comes in is written.
  await lockRoom(tx, { of: 'shop' });
  const lines = mergeSheets(await listSheets(tx), sheets).filter(
    ({ id, state }) => state === 'new' || (state === 'conflict' && wanted.has(id)),
  );
  const bySheet = group(lines, ({ sheet }) => sheetKeyText(sheet));
  const written = [...bySheet.values()].flatMap((own) => {
    const [first] = own;
    return first ? [{ ...first.sheet, figures: own.map(({ theirs }) => theirs) }] : [];
  });
  await saveSheets(tx, written, by);
  return lines.length;
}

/** What a spreadsheet of sheets would bring. */
export interface SheetsPlan {
  readonly lines: readonly MergeLine[];
  /** Columns that are not known, and left out. */
  readonly unknown: readonly string[];
}

/** Reads a spreadsheet of sheets and says what it would bring; nothing is written. */
export async function planSheets(input: unknown): Promise<Answer<SheetsPlan>> {
  const parsed = sheetsInSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const read = readSheets(parsed.data.text);
  if (!read.ok) return refuse(read.messages.slice(0, MOST_SAID).join('\n'));
  return accept({
    lines: mergeSheets(await listSheets(await database()), read.sheets),
    unknown: read.unknown,
  });
}

/** Faults of a spreadsheet that are said at once. */
const MOST_SAID = 20;

/** Brings a spreadsheet of sheets in: what is new, and what differs where it is chosen. */
export const bringSheets = (input: unknown, by: string | null): Promise<Answer<number>> =>
  inTransaction(async (tx) => {
    const parsed = sheetsInSchema.safeParse(input);
    if (!parsed.success) return refuseParse(parsed.error);
    const read = readSheets(parsed.data.text);
    if (!read.ok) return refuse(read.messages.slice(0, MOST_SAID).join('\n'));
    await sayToLedger(tx, { reason: 'from a spreadsheet' });
    return accept(await mergeIn(tx, read.sheets, { take: parsed.data.take, by }));
  });

/** All sheets as a spreadsheet. */
export const sheetsTable = async (decimal: Decimal): Promise<Download> => ({
  name: 'model-sheets.csv',
  text: writeTable(SHEET_COLUMNS, sheetRows(await listSheets(await database())), decimal),
});
