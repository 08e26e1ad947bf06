import { LENGTH_KINDS, type LengthKind } from '../readings';
import type { Micrometres } from '../units';
import type { FigureKind } from './types';

/** What a figure of the inspection can be, by its kind. */
export const FIGURE_KINDS: Readonly<Record<FigureKind, LengthKind>> = {
  pad: LENGTH_KINDS.pad,
  thickness: LENGTH_KINDS.thickness,
  amount: LENGTH_KINDS.amount,
  endPlay: LENGTH_KINDS.endPlay,
  drum: LENGTH_KINDS.drum,
};

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
