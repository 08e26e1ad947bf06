import type { UnitSystem } from './formatLength';
import type { NewtonMetres } from './quantity';

export const TORQUE_UNITS = ['N·m', 'lb·ft', 'kgf·m'] as const;
export type TorqueUnit = (typeof TORQUE_UNITS)[number];

/** Newton metres in one of each unit. Source: handbook 2; standard gravity 9.80665 m/s². */
const NEWTON_METRES: Readonly<Record<TorqueUnit, number>> = {
  N·m: 1,
  lb·ft: 1.3558179483314004,
  kgf·m: 9.80665,
};

/** The unit that a shop reads torque in until it chooses: pound-feet where it reads inches. */
export const torqueUnit = (units: UnitSystem): TorqueUnit => (units === 'mm' ? 'N·m' : 'lb·ft');

export const toNewtonMetres = (figure: number, unit: TorqueUnit): NewtonMetres =>
  figure * NEWTON_METRES[unit];

export const fromNewtonMetres = (torque: NewtonMetres, unit: TorqueUnit): number =>
  (torque as number) / NEWTON_METRES[unit];

/** A torque with its unit: whole from 20 on, one decimal below, two in kgf·m. */
export function formatTorque(torque: NewtonMetres, unit: TorqueUnit): string {
  const figure = fromNewtonMetres(torque, unit);
  const digits = unit === 'kgf·m' ? 2 : figure < 20 ? 1 : 0;
  return `${figure.toFixed(digits)} ${unit}`;
}

/** A torque as typed, kept beside its canonical value. */
export interface TypedTorque {
  readonly value: NewtonMetres;
  readonly unit: TorqueUnit;
  readonly text: string;
}

export type ParsedTorque =
  | { readonly ok: true; readonly torque: TypedTorque }
  | { readonly ok: false; readonly message: string };

const SPELLINGS: readonly (readonly [RegExp, TorqueUnit])[] = [
  [/^n(ewton)?m(et(re|er)s?)?$/, 'N·m'],
  [/^((lb|lbs|lbf)(ft|feet)|(ft|foot)(lb|lbs|lbf|pounds?))$/, 'lb·ft'],
  [/^(kgf?m|mkgf?|kpm)$/, 'kgf·m'],
];

/** The unit behind a spelling like "Nm", "ft-lb" or "kgf m"; null where it is none. */
export function torqueUnitOf(spelling: string): TorqueUnit | null {
  const plain = spelling.toLowerCase().replace(/[\s.·⋅*-]/g, '');
  return SPELLINGS.find(([pattern]) => pattern.test(plain))?.[1] ?? null;
}

const NUMBER_AND_UNIT = /^(\d+)(?:[.,](\d+))?\s*([^\d\s.,].*)?$/u;
const LARGEST_NM = 1500;

const refuse = (message: string): ParsedTorque => ({ ok: false, message });

/**
 * Reads a torque as a technician types it: `110`, `81 lb ft`, `11,2 kgm`. A bare number takes
 * `fieldUnit`. Answers in newton metres with text and unit as typed, or says what to do.
 */
export function parseTorque(text: string, fieldUnit: TorqueUnit): ParsedTorque {
  const tidy = text.trim();
  if (tidy === '') return refuse('Type the torque.');
  const match = NUMBER_AND_UNIT.exec(tidy);
  if (!match) return refuse(`"${tidy}" is not a torque. Type a number, like 110 or 81 lb·ft.`);
  const [, whole = '', fraction = '', spelling] = match;
  const unit = spelling === undefined ? fieldUnit : torqueUnitOf(spelling);
  if (unit === null) {
    return refuse(`"${spelling?.trim()}" is not a torque unit here. Use N·m, lb·ft or kgf·m.`);
  }
  const value = toNewtonMetres(Number(`${whole}.${fraction || '0'}`), unit);
  if (!((value as number) > 0 && (value as number) <= LARGEST_NM)) {
    return refuse(`${tidy} cannot be the torque of a brake or wheel fastener. Check the figure.`);
  }
  return { ok: true, torque: { value, unit, text: tidy } };
}
