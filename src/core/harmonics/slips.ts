import { medianOf } from '../numeric';
import { parseLength, type LengthUnit, type Micrometres } from '../units';

/** A slip of the hand that would explain a reading, and the text that was likely meant. */
export interface Slip {
  readonly kind: 'sign' | 'decimal' | 'digits' | 'unit';
  readonly text: string;
  readonly value: Micrometres;
}

/** A reading as typed, with what is known of its place from the other readings. */
export interface TypedReading {
  readonly text: string;
  /** The unit that a bare number takes. */
  readonly unit: LengthUnit;
  /** The two readings before it in the lap, the nearer first; as many as there are. */
  readonly before: readonly Micrometres[];
  /** Readings of the same place in other laps. */
  readonly samePlace: readonly Micrometres[];
  /** All other readings of the set. */
  readonly others: readonly Micrometres[];
  readonly resolution: Micrometres;
}

/** Below this nothing is far off: the reading may well be right. */
const LEAST_SCALE: Micrometres = 10;
const RESOLUTIONS = 5;
/** How far off, in scales, a reading stands before it is doubted. */
const FAR = 5;
/** How near, in scales, what was meant must lie. */
const NEAR = 2;
/** What was meant lies nearer by this factor at least. */
const NEARER = 5;
const FEWEST_OTHERS = 3;

/** What a reading is expected to be, and on what scale it may differ; null when not known. */
function expectation(reading: TypedReading): { at: Micrometres; scale: Micrometres } | null {
  const { before, samePlace, others, resolution } = reading;
  const least = Math.max(LEAST_SCALE, RESOLUTIONS * resolution);
  if (samePlace.length > 0) return { at: medianOf(samePlace), scale: least };
  const [one, two] = before;
  if (one !== undefined && two !== undefined && others.length >= FEWEST_OTHERS) {
    return { at: 2 * one - two, scale: Math.max(least, Math.abs(one - two)) };
  }
  if (others.length < FEWEST_OTHERS) return null;
  const middle = medianOf(others);
  const half = Math.max(...others.map((value) => Math.abs(value - middle)));
  return { at: middle, scale: Math.max(least, half) };
}

const FIGURE = /^([+\-\u2212]?)(\d*)([.,]?)(\d*)(.*)$/su;

/** The text with its decimal mark moved by so many places, to the right when positive. */
function moved(text: string, places: number): string | null {
  const [, sign = '', whole = '', mark = '', fraction = '', rest = ''] =
    FIGURE.exec(text.trim()) ?? [];
  const digits = whole + fraction;
  const at = whole.length + places;
  if (digits === '' || Math.abs(places) > 3) return null;
  const padded = at <= 0 ? '0'.repeat(1 - at) + digits : digits.padEnd(at, '0');
  const cut = Math.max(at, 1);
  const left = padded.slice(0, cut).replace(/^0+(?=\d)/, '');
  const right = padded.slice(cut);
  return `${sign}${left}${right === '' ? '' : (mark || '.') + right}${rest}`;
}

/** The texts with two neighbouring digits changed over. */
function swapped(text: string): string[] {
  const found: string[] = [];
  for (let i = 0; i < text.length; i += 1) {
    const rest = /^(\d)([.,]?)(\d)/.exec(text.slice(i));
    if (!rest || rest[1] === rest[3]) continue;
    const [all, one = '', mark = '', two = ''] = rest;
    found.push(text.slice(0, i) + two + mark + one + text.slice(i + all.length));
  }
  return found;
}

const hasUnit = (text: string): boolean => /[^\d\s.,+\-\u2212\u2013]/u.test(text);

/** Everything that may have been meant, the likelier slips first. */
function candidates({ text, unit }: TypedReading): { kind: Slip['kind']; text: string }[] {
  const tidy = text.trim();
  const isNegative = /^[-\u2212\u2013]/u.test(tidy);
  const flipped = isNegative ? tidy.slice(1) : `-${tidy.replace(/^\+/, '')}`;
  const others = (['mm', 'thou', 'in', 'um'] as const).filter((each) => each !== unit);
  return [
    { kind: 'sign', text: flipped },
    ...[1, -1, 2, -2, 3, -3].flatMap((places) => {
      const meant = moved(tidy, places);
      return meant === null ? [] : [{ kind: 'decimal' as const, text: meant }];
    }),
    ...swapped(tidy).map((meant) => ({ kind: 'digits' as const, text: meant })),
    ...(hasUnit(tidy)
      ? []
      : others.map((other) => ({ kind: 'unit' as const, text: `${tidy} ${other}` }))),
  ];
}

/**
 * The slip that would explain a reading that stands far off: a sign, a decimal mark, two
 * digits changed over, or another unit. Null where the reading is near what the others
 * lead to expect, where too little is known, or where no slip explains it. Lengths in
 * micrometres. It is offered, never applied by itself. Source: handbook 3.
 */
export function suggestSlip(reading: TypedReading): Slip | null {
  const typed = parseLength(reading.text, reading.unit);
  const expected = expectation(reading);
  if (!typed.ok || !expected) return null;
  const off = Math.abs(typed.length.value - expected.at);
  if (off <= FAR * expected.scale) return null;
  const near = candidates(reading).flatMap(({ kind, text }) => {
    const parsed = parseLength(text, reading.unit);
    if (!parsed.ok) return [];
    const { value } = parsed.length;
    const miss = Math.abs(value - expected.at);
    const isMeant = miss <= NEAR * expected.scale && miss * NEARER <= off;
    return isMeant ? [{ kind, text, value, miss }] : [];
  });
  const best = near.toSorted((p, q) => p.miss - q.miss)[0];
  return best ? { kind: best.kind, text: best.text, value: best.value } : null;
}
