import { toMicrometres, type LengthUnit, type Micrometres } from '../units';

/** What a short entry is read against. */
export interface ShortContext {
  /** Unit of a bare figure. */
  readonly unit: LengthUnit;
  readonly resolution: Micrometres;
  /** The reading before it, as typed in full and in the same unit; null at the first. */
  readonly previous: string | null;
}

const WHOLE = /^([+-]?)(\d{1,6})$/;
const UNITS_IN_STEPS: readonly LengthUnit[] = ['mm', 'in'];

/** More decimals than this no gauge shows. */
const MOST_DECIMALS = 6;

/** A gauge's step in a unit as a whole number of last places: 0.0005 in is 5 at four decimals. */
function stepOf(
  resolution: Micrometres,
  unit: LengthUnit,
): { readonly step: number; readonly decimals: number } | null {
  const size = resolution / toMicrometres(1, unit);
  for (let decimals = 0; decimals <= MOST_DECIMALS; decimals += 1) {
    const step = size * 10 ** decimals;
    if (step > 0.5 && Math.abs(step - Math.round(step)) < 1e-6 * step) {
      return { step: Math.round(step), decimals };
    }
  }
  return null;
}

/**
 * A dial reading without a decimal mark counts the gauge's steps where its unit is mm or in:
 * "12" on a dial of 0.001 mm is 0.012, "-3" on one of 0.01 mm is -0.03. Anything else is
 * given back as it was typed. A whole millimetre of runout nobody reads.
 */
export function expandDial(text: string, { unit, resolution }: ShortContext): string {
  const [, sign = '', digits] = WHOLE.exec(text.trim()) ?? [];
  if (digits === undefined || !UNITS_IN_STEPS.includes(unit)) return text;
  const scale = stepOf(resolution, unit);
  if (!scale) return text;
  const value = (Number(digits) * scale.step) / 10 ** scale.decimals;
  const isMinus = sign === '-' && value !== 0;
  return `${isMinus ? '-' : ''}${value.toFixed(scale.decimals)}`;
}

const FULL = /^(\d+)([.,])(\d+)$/;
const FEWEST_DIGITS = 2;

/**
 * The last two or more digits of a thickness stand for the nearest thickness to the one before
 * that ends in them: "91" after 27.986 is 27.991, "03" after 27.998 is 28.003. All digits
 * without their decimal mark ("27986") are the whole figure. Anything else is given back.
 */
export function expandThickness(text: string, context: ShortContext): string {
  const tidy = text.trim();
  if (!/^\d{2,7}$/.test(tidy)) return text;
  const [, whole = '', mark = '.', fraction = ''] = FULL.exec(context.previous ?? '') ?? [];
  if (whole === '') return withoutMark(tidy, context) ?? text;
  const decimals = fraction.length;
  if (tidy.length === whole.length + decimals) {
    return `${tidy.slice(0, whole.length)}${mark}${tidy.slice(whole.length)}`;
  }
  if (tidy.length > decimals || decimals < FEWEST_DIGITS) return text;
  const before = Number(whole + fraction);
  const cycle = 10 ** tidy.length;
  const near = Math.round((before - Number(tidy)) / cycle) * cycle + Number(tidy);
  if (near <= 0) return text;
  const digits = String(near).padStart(decimals + 1, '0');
  return `${digits.slice(0, -decimals)}${mark}${digits.slice(-decimals)}`;
}

/**
 * Whether two digits could be the beginning of a whole figure near one that is written out: the first two digits
 * before its decimal mark, or one more or less. A figure with fewer digits there begins with no two of them.
 */
export function mayBeginWhole(digits: string, whole: string): boolean {
  const [lead = ''] = /^\d*/.exec(whole) ?? [];
  return lead.length >= 2 && Math.abs(Number(digits) - Number(lead.slice(0, 2))) <= 1;
}

const MM_DIGITS = 5;

/** "27986" as the first thickness in mm at 0.001 mm: two digits before the mark. */
function withoutMark(digits: string, { unit, resolution }: ShortContext): string | null {
  const isPlain =
    unit === 'mm' && digits.length === MM_DIGITS && stepOf(resolution, unit)?.decimals === 3;
  return isPlain ? `${digits.slice(0, 2)}.${digits.slice(2)}` : null;
}

/** The text with its sign turned. */
export const flipSign = (text: string): string =>
  /^\s*[-\u2212]/.test(text)
    ? text.replace(/^\s*[-\u2212]/, '')
    : `-${text.trim().replace(/^\+/, '')}`;

/** The text as a minus figure, whatever sign it has. */
export const asMinus = (text: string): string =>
  /^\s*[-\u2212]/.test(text) ? text : flipSign(text);
