import type { Micrometres } from '../units';

/** A measured figure of the inspection: its value, and text and unit as typed. */
export interface StoredFigure {
  readonly text: string;
  readonly unit: string;
  readonly um: Micrometres;
}

/** A figure as stored, or null where what is stored is none. */
export function readFigure(value: unknown): StoredFigure | null {
  if (typeof value !== 'object' || value === null) return null;
  const { text, unit, um } = value as Record<string, unknown>;
  return typeof text === 'string' && typeof unit === 'string' && typeof um === 'number'
    ? { text, unit, um }
    : null;
}
