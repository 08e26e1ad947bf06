import { RASTER } from '../readings';
import type { SlowTurn } from '../runout';
import type { ExtraReading } from '../thickness';
import type { Degrees, Micrometres } from '../units';

/** Where a reading stands in a set: its lap, and its position from 0. */
export interface ReadingPlace {
  readonly lap: number;
  readonly position: number;
}

/** What a reading beyond the places of the laps is of; both stand after the closing reading. */
export type BeyondPlace =
  | { readonly of: 'turn'; readonly turn: number; readonly end: 'high' | 'low' }
  | { readonly of: 'extra'; readonly angleDeg: Degrees };

interface Shape {
  readonly kind: 'runout' | 'thickness' | 'hub';
  readonly positions: number;
}

/** A set with its readings in micrometres. */
interface ReadShape extends Shape {
  readonly readings: readonly (ReadingPlace & { readonly valueUm: Micrometres })[];
}

/** Slow turns of one set at most; the solver asks for six at most. */
export const MOST_TURNS = 12;
const RASTER_PLACES = 360 / RASTER;
/** The place after the last one that a reading of a set may stand at. */
export const placesBeyond = ({ kind, positions }: Shape): number => {
  if (kind === 'hub') return positions + 1;
  return positions + 1 + (kind === 'runout' ? 2 * MOST_TURNS : RASTER_PLACES);
};

/** Where the highest or lowest reading of a slow turn stands: with the first lap, a pair a turn. */
export const turnPlace = (
  { positions }: Shape,
  turn: number,
  end: 'high' | 'low',
): ReadingPlace => ({ lap: 0, position: positions + 1 + 2 * turn + (end === 'low' ? 1 : 0) });

/** Where a reading at an angle of the 7.5° raster stands; each reading of one angle in a lap of its own. */
export const extraPlace = ({ positions }: Shape, angleDeg: Degrees, lap: number): ReadingPlace => ({
  lap,
  position: positions + 1 + Math.round(angleDeg / RASTER),
});

/** What a place beyond those of the laps is of; null for a place of a lap or its closing reading. */
export function beyondPlace({ kind, positions }: Shape, position: number): BeyondPlace | null {
  const at = position - positions - 1;
  if (at < 0 || kind === 'hub') return null;
  return kind === 'runout'
    ? { of: 'turn', turn: Math.floor(at / 2), end: at % 2 === 0 ? 'high' : 'low' }
    : { of: 'extra', angleDeg: at * RASTER };
}

/** The slow turns of a set that are read at both ends; signs as its dial should count. */
export function turnsOf(set: ReadShape, sign: 1 | -1): SlowTurn[] {
  if (set.kind !== 'runout') return [];
  const at = (turn: number, end: 'high' | 'low'): number | undefined => {
    const { lap, position } = turnPlace(set, turn, end);
    return set.readings.find((each) => each.lap === lap && each.position === position)?.valueUm;
  };
  return Array.from({ length: MOST_TURNS }, (_, turn) => [
    at(turn, 'high'),
    at(turn, 'low'),
  ]).flatMap(([one, other]) =>
    one === undefined || other === undefined
      ? []
      : [{ high: Math.max(sign * one, sign * other), low: Math.min(sign * one, sign * other) }],
  );
}

/** The single readings of a thickness set beyond its laps. */
export const extraOf = (set: ReadShape): ExtraReading[] =>
  set.kind !== 'thickness'
    ? []
    : set.readings.flatMap(({ position, valueUm }) => {
        const place = beyondPlace(set, position);
        return place?.of === 'extra' ? [{ angle: place.angleDeg, value: valueUm }] : [];
      });
