import { dsvFormat } from 'd3-dsv';
import { LIMIT_SOURCES, type LimitSource } from '../assessment';
import { AXLE_POSITIONS } from '../readings';
import { isModelYear } from './limitFields';
import { COLUMN_UNITS, readValue, SHEET_KINDS, type SheetKind } from './figures';
import { sheetKeyText, wrongAmong, type Sheet, type SheetFigure, type SheetKey } from './sheet';

/** Columns that say what a line is of. */
const KEY_COLUMNS = ['make', 'model', 'year_from', 'year_to', 'axle', 'variant', 'wheel'] as const;
const WHEELS = ['', 'steel', 'alloy'] as const;

/** A figure that somebody could be hurt by is taken with its source only. */
const needsSource = ({ manner }: SheetKind): boolean =>
  manner.as === 'length' || manner.as === 'torque';

const sourceColumn = ({ column }: SheetKind): string =>
  `${column.replace(/_(mm|nm|kg)$/, '')}_source`;

/** The columns of a spreadsheet of sheets: what it is of, then each figure with its source. */
export const SHEET_COLUMNS: readonly string[] = [
  ...KEY_COLUMNS,
  ...SHEET_KINDS.flatMap((kind) => [kind.column, sourceColumn(kind)]),
];

/** In a column of millimetres or newton metres stands the figure in that unit. */
function cellOf({ manner }: SheetKind, { text, value }: SheetFigure): string | number {
  if (value === null) return text;
  return manner.as === 'length' ? value / 1000 : value;
}

/** Sheets as rows of a spreadsheet, an axle a line. */
export const sheetRows = (sheets: readonly Sheet[]): (string | number | null)[][] =>
  sheets.map((sheet) => [
    ...[sheet.make, sheet.model, sheet.yearFrom || null, sheet.yearTo || null],
    ...[sheet.axle, sheet.variant, sheet.wheel],
    ...SHEET_KINDS.flatMap((kind) => {
      const figure = sheet.figures.find(({ code }) => code === kind.code);
      return figure ? [cellOf(kind, figure), figure.source] : [null, null];
    }),
  ]);

export type ReadSheets =
  | { readonly ok: true; readonly sheets: readonly Sheet[]; readonly unknown: readonly string[] }
  | { readonly ok: false; readonly messages: readonly string[] };

/** Most of a table that is read: the lines of a large shop. */
const MOST_LINES = 5000;
const LONGEST_NAME = 60;

type Line = Readonly<Record<string, string>>;

/** Figures that begin with a sign a spreadsheet takes for a formula went out behind an apostrophe. */
const cell = (line: Line, column: string): string =>
  (line[column] ?? '').trim().replace(/^'(?=[=+\-@])/, '');

function yearOf(line: Line, column: string, fault: (message: string) => void): number {
  const text = cell(line, column);
  if (text === '') return 0;
  const year = Number(text);
  if (isModelYear(year)) return year;
  fault(`${column} "${text}" is not a year like 2019.`);
  return 0;
}

function keyOf(line: Line, fault: (message: string) => void): SheetKey | null {
  const [make, model, variant] = ['make', 'model', 'variant'].map((name) => cell(line, name));
  const axle = AXLE_POSITIONS.find((each) => each === cell(line, 'axle').toLowerCase());
  const wheel = WHEELS.find((each) => each === cell(line, 'wheel').toLowerCase());
  if (!make || !model) fault('make and model must be filled.');
  if ([make, model, variant].some((text) => (text ?? '').length > LONGEST_NAME)) {
    fault(`make, model and variant have at most ${LONGEST_NAME} characters.`);
  }
  if (!axle) fault('axle is front or rear.');
  if (wheel === undefined) fault('wheel is steel, alloy or empty.');
  const [yearFrom, yearTo] = [yearOf(line, 'year_from', fault), yearOf(line, 'year_to', fault)];
  if (yearFrom && yearTo && yearTo < yearFrom) fault('year_to is before year_from.');
  if (!make || !model || !axle || wheel === undefined) return null;
  return { make, model, yearFrom, yearTo, axle, variant: variant ?? '', wheel };
}

function figuresOf(line: Line, fault: (message: string) => void): SheetFigure[] {
  return SHEET_KINDS.flatMap((kind): SheetFigure[] => {
    const text = cell(line, kind.column);
    if (text === '') return [];
    const read = readValue(kind, text, COLUMN_UNITS);
    if (!read.ok) {
      fault(`${kind.column}: ${read.message}`);
      return [];
    }
    const typed = cell(line, sourceColumn(kind)).toLowerCase();
    const source: LimitSource | undefined =
      typed === '' && !needsSource(kind) ? 'other' : LIMIT_SOURCES.find((each) => each === typed);
    if (!source) {
      fault(`${sourceColumn(kind)}: say where it is from: ${LIMIT_SOURCES.join(', ')}.`);
      return [];
    }
    return [{ ...read.value, code: kind.code, source }];
  });
}

/**
 * Reads a spreadsheet of sheets, with commas or semicolons between its columns and a point or a
 * comma in its figures. All that is wrong is said, with the line where it stands; then nothing is
 * taken. Columns that are not known are named and left out.
 */
export function readSheets(table: string): ReadSheets {
  const head = table.replace(/^\ufeff/, '');
  const first = head.slice(0, head.search(/\r?\n|$/));
  const separator = first.split(';').length > first.split(',').length ? ';' : ',';
  const lines = dsvFormat(separator).parse(head);
  const known = lines.columns.map((name) => name.trim().toLowerCase());
  const missing = (['make', 'model', 'axle'] as const).filter((name) => !known.includes(name));
  if (missing.length > 0) {
    return {
      ok: false,
      messages: [`The first line must name the columns; it lacks ${missing.join(', ')}.`],
    };
  }
  if (lines.length > MOST_LINES) {
    return { ok: false, messages: [`At most ${MOST_LINES} lines are read at once.`] };
  }
  const messages: string[] = [];
  const sheets: Sheet[] = [];
  const keys = new Set<string>();
  lines.forEach((raw, i) => {
    const fault = (message: string): void => void messages.push(`Line ${i + 2}: ${message}`);
    const line: Line = Object.fromEntries(
      Object.entries(raw).map(([name, value]) => [name.trim().toLowerCase(), value ?? '']),
    );
    if (Object.values(line).every((value) => value.trim() === '')) return;
    const key = keyOf(line, fault);
    const figures = figuresOf(line, fault);
    for (const { message } of wrongAmong(figures)) fault(message);
    if (!key) return;
    const text = sheetKeyText(key);
    if (keys.has(text)) fault('the same axle of the same model stands on an earlier line.');
    keys.add(text);
    sheets.push({ ...key, figures });
  });
  if (messages.length > 0) return { ok: false, messages };
  return {
    ok: true,
    sheets,
    unknown: known.filter((name) => name !== '' && !SHEET_COLUMNS.includes(name)),
  };
}
