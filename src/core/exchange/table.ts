import { dsvFormat } from 'd3-dsv';

/** How figures are written: with a point and commas between columns, or the other way. */
export type Decimal = 'point' | 'comma';

/** A cell of a table that goes out: text, a figure, or nothing. */
export type Cell = string | number | null;

/** Text that a spreadsheet would take for a formula. */
const FORMULA = /^[=+\-@\t\r]/;

function cellText(cell: Cell, decimal: Decimal): string {
  if (cell === null) return '';
  if (typeof cell === 'number') {
    const text = String(Number(cell.toFixed(6)));
    return decimal === 'comma' ? text.replace('.', ',') : text;
  }
  // What people typed is never a formula of whoever opens the table.
  return FORMULA.test(cell) ? `'${cell}` : cell;
}

/** Lines of a table without its names, as `writeTable` writes them. */
export function writeRows(rows: readonly (readonly Cell[])[], decimal: Decimal = 'point'): string {
  const format = dsvFormat(decimal === 'comma' ? ';' : ',');
  return `${format.formatRows(rows.map((row) => row.map((cell) => cellText(cell, decimal))))}\n`;
}

/**
 * A table as a spreadsheet opens it: a line of names, a line a row; quoted where it must be,
 * with semicolons between the columns where figures have a comma.
 */
export const writeTable = (
  columns: readonly string[],
  rows: readonly (readonly Cell[])[],
  decimal: Decimal = 'point',
): string => writeRows([columns, ...rows], decimal);
