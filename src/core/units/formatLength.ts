import { fromMicrometres, type LengthUnit } from './length';
import type { Micrometres } from './quantity';

/** What the shop has chosen to read in. */
export type UnitSystem = 'mm' | 'thou';

/** What a length is of: inch shops read a micrometer in inches and a dial in thousandths. */
export type LengthRole = 'deviation' | 'size';

/** The unit in which a bare number of this role is understood and shown. */
export function fieldUnit(system: UnitSystem, role: LengthRole): LengthUnit {
  if (system === 'mm') return 'mm';
  return role === 'size' ? 'in' : 'thou';
}

const DECIMALS: Readonly<Record<LengthUnit, number>> = { um: 1, mm: 3, thou: 1, in: 4 };

export const UNIT_SIGN: Readonly<Record<LengthUnit, string>> = {
  um: '\u00b5m',
  mm: 'mm',
  thou: 'thou',
  in: 'in',
};

/** The figure alone, with the decimals its unit is read to; a true minus sign; never "-0". */
export function formatNumber(value: Micrometres, unit: LengthUnit): string {
  const fixed = fromMicrometres(value, unit).toFixed(DECIMALS[unit]);
  const isZero = Number(fixed) === 0;
  return isZero ? fixed.replace('-', '') : fixed.replace('-', '\u2212');
}

/** The figure with its unit, e.g. "0.050 mm" or "2.0 thou". */
export function formatLength(value: Micrometres, unit: LengthUnit): string {
  return `${formatNumber(value, unit)} ${UNIT_SIGN[unit]}`;
}

/** A length in the shop's unit for its role. */
export function formatIn(system: UnitSystem, role: LengthRole, value: Micrometres): string {
  return formatLength(value, fieldUnit(system, role));
}

/** Decimals beyond which a length in a unit is the noise of arithmetic. */
const EXACT_DECIMALS = 7;

/** A length as a bare figure in a unit, for a field: nothing that was typed is lost by rounding. */
export const exactNumber = (value: Micrometres, unit: LengthUnit): string =>
  String(Number(fromMicrometres(value, unit).toFixed(EXACT_DECIMALS)));
