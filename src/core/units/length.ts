import type { Micrometres } from './quantity';

/** The one table of length units: micrometres in one unit. 1 in = 25.4 mm exactly. */
export const MICROMETRES_PER = {
  um: 1,
  mm: 1000,
  thou: 25.4,
  in: 25400,
} as const;

export type LengthUnit = keyof typeof MICROMETRES_PER;

/** Every spelling accepted where a length is typed, in lower case. */
const SPELLINGS: Readonly<Record<string, LengthUnit>> = {
  um: 'um',
  '\u00b5m': 'um',
  '\u03bcm': 'um',
  mm: 'mm',
  thou: 'thou',
  mil: 'thou',
  in: 'in',
  '"': 'in',
  '\u2033': 'in',
  "''": 'in',
};

/** The unit that a spelling stands for, or null when it is none we know. */
export function lengthUnitOf(spelling: string): LengthUnit | null {
  return SPELLINGS[spelling.trim().toLowerCase()] ?? null;
}

/** A length given in `unit`, in micrometres. */
export function toMicrometres(value: number, unit: LengthUnit): Micrometres {
  return value * MICROMETRES_PER[unit];
}

/** A length in micrometres, as a number of `unit`. */
export function fromMicrometres(value: Micrometres, unit: LengthUnit): number {
  return (value as number) / MICROMETRES_PER[unit];
}
