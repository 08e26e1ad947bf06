import { ExpectedError } from '../expected';
import { csvFormat, dsvFormat } from 'd3-dsv';
import { beyondPlace, extraPlace, MOST_TURNS, turnPlace } from '../assessment';
import { evenAngles, isOnRaster, MAX_SWEPT_POSITIONS } from '../readings';
import { lengthUnitOf, type LengthUnit } from '../units';

/** A reading set as a table holds it: text as typed, places from 0, closing at `positions`. */
export interface TableSet {
  readonly name: string;
  /** Where and when it was read, if the table says so. */
  readonly corner: string | null;
  readonly phase: string | null;
  readonly kind: 'runout' | 'thickness' | 'hub' | null;
  readonly face: 'outboard' | 'inboard' | null;
  readonly circle: 'outer' | 'inner' | null;
  readonly shift: number | null;
  /** Thickness read until it is settled: it has single places beyond its laps. */
  readonly settle: boolean;
  readonly positions: number;
  readonly laps: number;
  /** Null when evenly spaced from the chalk mark or not given. */
  readonly angles: readonly number[] | null;
  /** Unit of the bare figures; null where the table does not say. */
  readonly unit: LengthUnit | null;
  readonly readings: readonly {
    readonly lap: number;
    readonly position: number;
    readonly text: string;
  }[];
}

export type ReadTable =
  | { readonly ok: true; readonly sets: readonly TableSet[] }
  | { readonly ok: false; readonly message: string };

/** The columns that are written, in order; only the value is needed when read. */
export const SET_COLUMNS = [
  'set',
  'corner',
  'phase',
  'kind',
  'face',
  'circle',
  'shift',
  'lap',
  'position',
  'angle_deg',
  'value_mm',
] as const;

/** What a set must have to be written. */
export interface WritableSet {
  readonly corner: string;
  readonly phase: string;
  readonly kind: 'runout' | 'thickness' | 'hub';
  readonly face: string;
  readonly circle?: string | undefined;
  readonly shift: number;
  readonly positions: number;
  readonly angles?: readonly number[] | null | undefined;
  readonly readings: readonly {
    readonly lap: number;
    readonly position: number;
    readonly valueUm: number;
  }[];
}

const MM = 1000;
const CLOSE = 'close';
const EXTRA = 'extra';
/** Six decimals of a millimetre keep 25.4 mm to the inch exact to a nanometre. */
const VALUE_DECIMALS = 6;

/** What the column "position" says of a place, and its angle: slow turns have none. */
function placeIn(
  set: Pick<WritableSet, 'kind' | 'positions' | 'angles'>,
  position: number,
): { readonly position: string; readonly angle: string } {
  const angles = set.angles ?? evenAngles(set.positions);
  const beyond = beyondPlace(set, position);
  if (beyond?.of === 'turn') {
    return { position: `turn ${beyond.turn + 1} ${beyond.end}`, angle: '' };
  }
  if (beyond) return { position: EXTRA, angle: plain(beyond.angleDeg) };
  return position === set.positions
    ? { position: CLOSE, angle: plain((angles[0] ?? 0) + 360) }
    : { position: String(position + 1), angle: plain(angles[position]!) };
}

const plain = (value: number): string => String(Number(value.toFixed(VALUE_DECIMALS)));

/**
 * Sets as CSV, a row a reading: laps and positions from 1, "close" for the closing reading, "turn 1
 * high" and "turn 1 low" for slow turns, "extra" with its angle for a single place of thickness.
 */
export function writeSetCsv(sets: readonly WritableSet[]): string {
  const rows = sets.flatMap((set, s) => {
    const ordered = [...set.readings].sort((p, q) => p.lap - q.lap || p.position - q.position);
    return ordered.map(({ lap, position, valueUm }) => ({
      set: String(s + 1),
      corner: set.corner,
      phase: set.phase,
      kind: set.kind,
      face: set.kind === 'thickness' ? '' : set.face,
      circle: set.kind === 'thickness' ? (set.circle ?? 'outer') : '',
      shift: String(set.shift),
      lap: String(lap + 1),
      position: placeIn(set, position).position,
      angle_deg: placeIn(set, position).angle,
      value_mm: plain(valueUm / MM),
    }));
  });
  return `${csvFormat(rows, [...SET_COLUMNS])}\n`;
}

type Column =
  | 'set'
  | 'corner'
  | 'phase'
  | 'kind'
  | 'face'
  | 'circle'
  | 'shift'
  | 'lap'
  | 'position'
  | 'angle'
  | 'value';

const NAMES: Readonly<Record<Column, RegExp>> = {
  set: /^set$/,
  corner: /^corner$/,
  phase: /^phase$/,
  kind: /^(kind|what)$/,
  face: /^(face|side)$/,
  circle: /^circle$/,
  shift: /^(shift|mounting)$/,
  lap: /^(lap|turn)$/,
  position: /^(position|pos|place|no|nr|#)$/,
  angle: /^(angle|angle_deg|degrees|deg|°)$/,
  value: /^(value|reading|runout|thickness|dial|micrometer)/,
};

/** Characters that a table of readings may have. */
export const LONGEST_TABLE = 200_000;
const MOST_LAPS = 20;

const UNIT_IN_NAME = /(mm|um|µm|μm|thou|mil|inch|in)\W*$/i;

/** The separator: a tab, else a semicolon, else a comma that is not a decimal mark. */
function separatorOf(line: string): string | null {
  if (line.includes('\t')) return '\t';
  if (line.includes(';')) return ';';
  return line.includes(',') && !/^\s*[+\-−]?\d+,\d+\s*$/.test(line) ? ',' : null;
}

const isFigure = (text: string): boolean => /^\s*[+\-−]?[\d.,]+/.test(text);

function columnsOf(cells: readonly string[]): Map<Column, number> {
  const found = new Map<Column, number>();
  cells.forEach((cell, i) => {
    const name = cell.trim().toLowerCase();
    const column = (Object.keys(NAMES) as Column[]).find((each) => NAMES[each].test(name));
    if (column && !found.has(column)) found.set(column, i);
  });
  return found;
}

interface Row {
  readonly line: number;
  readonly cell: (column: Column) => string;
}

const oneOf = <T extends string>(text: string, choices: readonly T[]): T | null =>
  choices.find((choice) => choice === text.trim().toLowerCase()) ?? null;

class Refused extends ExpectedError {}

function wholeIn(row: Row, column: Column, most: number, fallback: number): number {
  const text = row.cell(column).trim();
  if (text === '') return fallback;
  const value = Number(text);
  if (Number.isInteger(value) && value >= 1 && value <= most) return value;
  throw new Refused(`Line ${row.line}: “${text}” is not a ${column} from 1 to ${most}.`);
}

/** A reading beyond the laps, as its row says. */
type ReadBeyond = { readonly text: string } & (
  | { readonly of: 'turn'; readonly turn: number; readonly end: 'high' | 'low' }
  | { readonly of: 'extra'; readonly angle: number }
);

function beyondIn(row: Row, where: string, text: string): ReadBeyond {
  const turn = /^turn\s*(\d+)\s*(high|low)$/i.exec(where);
  if (turn) {
    const count = Number(turn[1]);
    if (count >= 1 && count <= MOST_TURNS) {
      const end = turn[2]!.toLowerCase() === 'high' ? 'high' : 'low';
      return { of: 'turn', turn: count - 1, end, text };
    }
  }
  const angle = Number(row.cell('angle').trim().replace(',', '.') || NaN);
  if (/^extra$/i.test(where) && isOnRaster(angle) && angle >= 0 && angle < 360) {
    return { of: 'extra', angle, text };
  }
  throw new Refused(
    `Line ${row.line}: “${where}” is not a place. Write turn 1 high, turn 1 low, or extra with an angle that is a multiple of 7.5.`,
  );
}

/** Readings beyond the laps at their places; each of one angle in a lap of its own. */
function placedBeyond(
  beyond: readonly ReadBeyond[],
  positions: number,
): { lap: number; position: number; text: string }[] {
  const seen = new Map<number, number>();
  return beyond.map((each) => {
    if (each.of === 'turn') {
      const place = turnPlace({ kind: 'runout', positions }, each.turn, each.end);
      return { ...place, text: each.text };
    }
    const lap = seen.get(each.angle) ?? 0;
    seen.set(each.angle, lap + 1);
    return { ...extraPlace({ kind: 'thickness', positions }, each.angle, lap), text: each.text };
  });
}

/** The readings of one set from its rows; positions may be left out where the rows are in order. */
function readRows(rows: readonly Row[]) {
  const readings: { lap: number; position: number; text: string }[] = [];
  const closing: { lap: number; text: string }[] = [];
  const beyond: ReadBeyond[] = [];
  const angles = new Map<number, number>();
  const next = new Map<number, number>();
  for (const row of rows) {
    const text = row.cell('value').trim();
    if (text === '') continue;
    if (!isFigure(text)) throw new Refused(`Line ${row.line}: “${text}” is not a figure.`);
    const lap = wholeIn(row, 'lap', MOST_LAPS, 1) - 1;
    const where = row.cell('position').trim();
    if (/^clos/i.test(where)) {
      closing.push({ lap, text });
      continue;
    }
    if (/^(turn|extra)/i.test(where)) {
      beyond.push(beyondIn(row, where, text));
      continue;
    }
    const position = wholeIn(row, 'position', MAX_SWEPT_POSITIONS, (next.get(lap) ?? 0) + 1) - 1;
    if (position >= MAX_SWEPT_POSITIONS) {
      throw new Refused(`Line ${row.line}: a lap has at most ${MAX_SWEPT_POSITIONS} positions.`);
    }
    if (readings.some((each) => each.lap === lap && each.position === position)) {
      throw new Refused(
        `Line ${row.line}: position ${position + 1} of lap ${lap + 1} stands twice.`,
      );
    }
    next.set(lap, position + 1);
    readings.push({ lap, position, text });
    const angle = row.cell('angle').trim().replace(',', '.');
    if (angle !== '') angles.set(position, Number(angle));
  }
  return { readings, closing, beyond, angles };
}

/** One set from its rows. Refuses in words, with the line. */
function setOf(name: string, rows: readonly Row[], unit: LengthUnit | null): TableSet {
  const { readings, closing, beyond, angles } = readRows(rows);
  const positions = Math.max(0, ...readings.map(({ position }) => position + 1));
  const own = Array.from({ length: positions }, (_, j) => angles.get(j) ?? NaN);
  const even = evenAngles(positions);
  const isEven = own.every((angle, j) => Math.abs(angle - even[j]!) < 0.01);
  if (angles.size > 0 && !own.every(Number.isFinite)) {
    throw new Refused('An angle is missing or is no number.');
  }
  const laps = Math.max(1, ...readings.map(({ lap }) => lap + 1));
  const [first] = rows;
  const kind = oneOf(first?.cell('kind') ?? '', ['runout', 'thickness', 'hub']);
  const shift = first?.cell('shift').trim() ?? '';
  return {
    name,
    corner: first?.cell('corner').trim().toUpperCase() || null,
    phase: first?.cell('phase').trim().toLowerCase() || null,
    kind,
    face: oneOf(first?.cell('face') ?? '', ['outboard', 'inboard']),
    circle: oneOf(first?.cell('circle') ?? '', ['outer', 'inner']),
    shift: /^\d$/.test(shift) ? Number(shift) : null,
    positions,
    laps,
    angles: angles.size === 0 || isEven ? null : own,
    unit,
    readings: [
      ...readings,
      ...closing.map(({ lap, text }) => ({ lap, position: positions, text })),
      ...placedBeyond(beyond, positions),
    ],
    settle: beyond.some(({ of }) => of === 'extra'),
  };
}

/**
 * Reads a table of readings: our own CSV, or what is pasted from a spreadsheet, with tabs,
 * semicolons or commas, decimal point or comma, with a heading or as a bare column of
 * figures. Refuses in words, with the line. Several sets are told apart by the column "set".
 */
export function readSetTable(text: string): ReadTable {
  if (text.length > LONGEST_TABLE) return { ok: false, message: 'That is too long for readings.' };
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/);
  const first = lines.find((line) => line.trim() !== '');
  if (first === undefined) return { ok: false, message: 'There is nothing in it.' };
  const separator = separatorOf(first);
  const cellsOf = (line: string): string[] =>
    separator === null ? [line] : (dsvFormat(separator).parseRows(line)[0] ?? []);
  const heading = cellsOf(first);
  const hasHeading = !heading.some(isFigure);
  const columns = hasHeading ? columnsOf(heading) : new Map<Column, number>([['value', 0]]);
  const valueAt = columns.get('value');
  if (valueAt === undefined) {
    return {
      ok: false,
      message:
        'No column is named “value” (or reading, runout, thickness). Name it in the first row.',
    };
  }
  if (!hasHeading && heading.length > 1) {
    return {
      ok: false,
      message:
        'Several columns without names: put names in the first row, like lap, position, value_mm.',
    };
  }
  const word = hasHeading ? UNIT_IN_NAME.exec(heading[valueAt]!.trim())?.[1] : undefined;
  const unit =
    word === undefined ? null : lengthUnitOf(/^inch$/i.test(word) ? 'in' : word.toLowerCase());
  const start = lines.indexOf(first) + (hasHeading ? 1 : 0);
  const rows = lines.slice(start).flatMap((line, i): Row[] => {
    if (line.trim() === '') return [];
    const cells = cellsOf(line);
    const cell = (column: Column): string => cells[columns.get(column) ?? -1] ?? '';
    return [{ line: start + i + 1, cell }];
  });
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const name = row.cell('set').trim() || '1';
    groups.set(name, [...(groups.get(name) ?? []), row]);
  }
  try {
    const sets = [...groups].map(([name, own]) => setOf(name, own, unit));
    return sets.some(({ positions }) => positions > 0)
      ? { ok: true, sets }
      : { ok: false, message: 'There are no readings in it.' };
  } catch (error) {
    if (error instanceof Refused) return { ok: false, message: error.message };
    throw error;
  }
}
