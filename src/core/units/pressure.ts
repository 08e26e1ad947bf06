import type { Bar } from './quantity';

export const PRESSURE_UNITS = ['bar', 'psi', 'kPa'] as const;
export type PressureUnit = (typeof PRESSURE_UNITS)[number];

/** Bar in one of each unit; a pound-force on a square inch is 6 894.757 29 Pa. */
const BAR: Readonly<Record<PressureUnit, number>> = { bar: 1, psi: 0.0689475729, kPa: 0.01 };

/** A pressure given in `unit`, in bar. */
export const toBar = (figure: number, unit: PressureUnit): Bar => figure * BAR[unit];

/** The unit behind a spelling; null where it is none. */
export const pressureUnitOf = (spelling: string): PressureUnit | null =>
  PRESSURE_UNITS.find((unit) => unit.toLowerCase() === spelling.trim().toLowerCase()) ?? null;
