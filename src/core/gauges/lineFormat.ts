import {
  lengthUnitOf,
  parseLength,
  toMicrometres,
  type LengthUnit,
  type Micrometres,
} from '../units';

/** How a gauge's text lines are read: learned from a few of them. */
export interface LineFormat {
  /** Which of the figures in a line is the reading, and how many figures a line has. */
  readonly figure: number;
  readonly figures: number;
  /** Unit of the reading where the line names none. */
  readonly unit: LengthUnit;
  /** Power of ten that brings the figure to the unit: a line of whole steps has no point. */
  readonly tens: number;
  /** The gauge counts the other way round. */
  readonly turned: boolean;
}

/** One line understood: the reading as text in a unit, and whether the display is held. */
export interface LineReading {
  readonly text: string;
  readonly unit: LengthUnit;
  readonly value: Micrometres;
  readonly held: boolean;
}

export type LearnedFormat =
  | { readonly ok: true; readonly format: LineFormat }
  | { readonly ok: false; readonly message: string };
export type ReadLine =
  | { readonly ok: true; readonly reading: LineReading }
  | { readonly ok: false; readonly message: string };

const FIGURE = /[+\-\u2212]?\s?\d+(?:[.,]\d+)?/gu;
const UNIT = /(?<![a-z])(mm|um|\u00b5m|\u03bcm|in|inch|thou|mil)(?![a-z])|"/iu;
/** Words that stand in a line while the gauge holds its display. */
const HELD = /(?<![a-z])(hold|held|hld)(?![a-z])/iu;
/** A line longer than this is no gauge's. */
const LONGEST = 120;
const FEWEST_LINES = 2;

const figuresOf = (line: string): string[] =>
  (line.slice(0, LONGEST).match(FIGURE) ?? []).map((text) => text.replace(/\s/g, ''));

const unitIn = (line: string): LengthUnit | null => {
  const word = UNIT.exec(line)?.[0].toLowerCase();
  return word === undefined ? null : lengthUnitOf(word === 'inch' ? 'in' : word);
};

const hasPoint = (text: string): boolean => /[.,]/.test(text);

/** Which figure is the reading: the one with a decimal mark in all lines, else the one that changes. */
function pickFigure(table: readonly (readonly string[])[]): number | null {
  const count = table[0]?.length ?? 0;
  const column = (k: number): string[] => table.map((row) => row[k] ?? '');
  const all = Array.from({ length: count }, (_, k) => k);
  const changing = all.filter((k) => new Set(column(k)).size > 1);
  const pointed = all.filter((k) => column(k).every(hasPoint));
  const both = pointed.filter((k) => changing.includes(k));
  const choice = [both, pointed, changing, all].find((each) => each.length === 1);
  return choice?.[0] ?? null;
}

const MOST_TENS = 6;

/** The power of ten and sense that bring a raw figure to what the gauge shows; null if none does. */
function scaleTo(raw: number, shown: number): Pick<LineFormat, 'tens' | 'turned'> | null {
  for (let tens = 0; tens <= MOST_TENS; tens += 1) {
    const scaled = raw / 10 ** tens;
    const close = 1e-9 * Math.max(1, Math.abs(shown));
    if (Math.abs(scaled - shown) <= close) return { tens, turned: false };
    if (Math.abs(scaled + shown) <= close) return { tens, turned: true };
  }
  return null;
}

const numberOf = (text: string): number => Number(text.replace('\u2212', '-').replace(',', '.'));

/**
 * Learns how a gauge writes its readings from a few lines of it, with different readings.
 * `shown` is what its display shows for the last line, as typed: it settles whole steps and
 * the sense of counting. `unit` is what a bare figure means. Says in words what it cannot tell.
 */
export function learnLineFormat(
  lines: readonly string[],
  unit: LengthUnit,
  shown = '',
): LearnedFormat {
  const own = lines.filter((line) => line.trim() !== '');
  const refuse = (message: string): LearnedFormat => ({ ok: false, message });
  if (own.length < FEWEST_LINES) {
    return refuse('Take at least two different readings, so that what changes is seen.');
  }
  const table = own.map(figuresOf);
  const empty = table.findIndex((row) => row.length === 0);
  if (empty >= 0)
    return refuse(`Line ${empty + 1} has no figure in it: \u201c${own[empty]}\u201d.`);
  const figures = table[0]?.length ?? 0;
  if (table.some((row) => row.length !== figures)) {
    return refuse(
      'The lines differ in how many figures they have. Clear them and take them again.',
    );
  }
  const figure = pickFigure(table);
  if (figure === null) {
    return refuse(
      'More than one figure changes from line to line, or none does. Move the gauge between the lines.',
    );
  }
  const last = own.at(-1) ?? '';
  const named = unitIn(last) ?? unit;
  const base: LineFormat = {
    figure,
    figures,
    unit: named,
    tens: 0,
    turned: false,
  };
  if (shown.trim() === '') return { ok: true, format: base };
  const display = parseLength(shown, named);
  if (!display.ok) return refuse(display.message);
  const inUnit = display.length.value / toMicrometres(1, named);
  const scale = scaleTo(numberOf(table.at(-1)?.[figure] ?? ''), inUnit);
  return scale
    ? { ok: true, format: { ...base, ...scale } }
    : refuse(
        `The last line cannot mean ${shown.trim()}. Read the display and take the line together.`,
      );
}

/** Reads one line of a gauge; the unit that the line names is respected. */
export function readGaugeLine(format: LineFormat, line: string): ReadLine {
  const row = figuresOf(line);
  if (row.length !== format.figures) {
    return {
      ok: false,
      message: `The gauge sent \u201c${line.slice(0, LONGEST).trim()}\u201d, which is not a line as learned.`,
    };
  }
  const raw = row[format.figure] ?? '';
  const unit = unitIn(line) ?? format.unit;
  const text = scaledText(raw, format);
  const parsed = parseLength(text, unit);
  if (!parsed.ok) return { ok: false, message: parsed.message };
  const held = HELD.test(line);
  return { ok: true, reading: { text, unit, value: parsed.length.value, held } };
}

/** The figure as text, its point moved and its sign turned without going through a float. */
function scaledText(raw: string, { tens, turned }: LineFormat): string {
  const plain = raw.replace('\u2212', '-').replace(',', '.').replace(/^\+/, '');
  const isNegative = plain.startsWith('-');
  const [whole = '0', fraction = ''] = plain.replace('-', '').split('.');
  const digits = whole.padStart(tens + 1, '0');
  const cut = digits.length - tens;
  const left = digits.slice(0, cut).replace(/^0+(?=\d)/, '');
  const right = digits.slice(cut) + fraction;
  const size = right === '' ? left : `${left}.${right}`;
  return isNegative === turned || Number(size) === 0 ? size : `-${size}`;
}
