import { lengthUnitOf, toMicrometres, type LengthUnit } from './length';
import type { Micrometres } from './quantity';

/** A length as typed, kept beside its canonical value so that nothing is lost by rounding. */
export interface TypedLength {
  readonly value: Micrometres;
  readonly unit: LengthUnit;
  readonly text: string;
}

export type ParsedLength =
  | { readonly ok: true; readonly length: TypedLength }
  | { readonly ok: false; readonly message: string };

const NUMBER_AND_UNIT = /^([+-]?)(\d*)(?:[.,](\d*))?\s*([^\d\s.,+-].*)?$/u;

const refuse = (message: string): ParsedLength => ({ ok: false, message });

/**
 * Reads a length as a technician types it.
 *
 * Accepts `0.05`, `0,05 mm`, `2 thou`, `.0025"`, `64um`, with a leading + or -;
 * a bare number takes `fieldUnit`, and is refused when that is null. Returns the value in micrometres with the text
 * and unit as typed, or a message that says what to do. Never throws.
 */
export function parseLength(text: string, fieldUnit: LengthUnit | null): ParsedLength {
  const tidy = text.trim().replace(/[\u2212\u2013]/g, '-');
  if (tidy === '') return refuse('Type a number.');
  if (tidy.length > 40) return refuse('That is too long for one reading. Type one number.');
  const match = NUMBER_AND_UNIT.exec(tidy);
  if (!match) {
    return refuse(`"${text.trim()}" is not a number. Type one number, like 0.05 or 2 thou.`);
  }
  const [, sign = '', whole = '', fraction = '', spelling] = match;
  if (whole === '' && fraction === '') {
    return refuse(`"${text.trim()}" has no digits. Type a number, like 0.05 or 2 thou.`);
  }
  const unit = spelling === undefined ? fieldUnit : lengthUnitOf(spelling);
  if (unit === null && spelling === undefined) {
    return refuse(`"${text.trim()}" has no unit. Write it like "0.05 mm", or as a bare number.`);
  }
  if (unit === null) {
    return refuse(`"${spelling?.trim()}" is not a length unit here. Use mm, \u00b5m, in or thou.`);
  }
  const number = Number(`${sign}${whole || '0'}.${fraction || '0'}`);
  return { ok: true, length: { value: toMicrometres(number, unit), unit, text: text.trim() } };
}
