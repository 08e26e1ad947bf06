import { LENGTH_KINDS, readTyped } from '@/core/readings';
import { exactNumber, fieldUnit, UNIT_SIGN, type LengthRole, type UnitSystem } from '@/core/units';

/** A figure that is noted of a set beside its readings. */
export type Detail = 'zeroErrorUm' | 'endPlayUm' | 'rotorCelsius' | 'radiusUm' | 'torqueNm';

const KINDS = {
  zeroErrorUm: LENGTH_KINDS.zeroError,
  endPlayUm: LENGTH_KINDS.amount,
  radiusUm: LENGTH_KINDS.radius,
} as const;

const PLAIN = {
  rotorCelsius: {
    low: -60,
    high: 900,
    sign: '°C',
    message: 'Type the temperature in °C, like 24.',
  },
  torqueNm: { low: 1, high: 1000, sign: 'N·m', message: 'Type the torque in N·m, like 110.' },
} as const;

const isPlain = (detail: Detail): detail is keyof typeof PLAIN => detail in PLAIN;
const roleOf = (detail: Detail): LengthRole => (detail === 'radiusUm' ? 'size' : 'deviation');
const unitOf = (detail: Detail, units: UnitSystem) => fieldUnit(units, roleOf(detail));

/** The sign of a detail's unit. */
export const detailSign = (detail: Detail, units: UnitSystem): string =>
  isPlain(detail) ? PLAIN[detail].sign : UNIT_SIGN[unitOf(detail, units)];

/** A noted value as it is typed: nothing lost by rounding. */
export function detailText(detail: Detail, value: number | null, units: UnitSystem): string {
  if (value === null) return '';
  return isPlain(detail) ? String(value) : exactNumber(value, unitOf(detail, units));
}

/** Reads the text of one detail: its value, null when empty, or why not. */
export function readDetail(
  detail: Detail,
  text: string,
  units: UnitSystem,
): { value: number | null } | { message: string } {
  if (text.trim() === '') return { value: null };
  if (isPlain(detail)) {
    const { low, high, message } = PLAIN[detail];
    const value = Number(text.trim().replace(',', '.'));
    return Number.isFinite(value) && value >= low && value <= high ? { value } : { message };
  }
  const read = readTyped(text, unitOf(detail, units), KINDS[detail]);
  return read.ok ? { value: read.length.value as number } : { message: read.message };
}
