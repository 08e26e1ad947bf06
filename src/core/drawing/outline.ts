import { curveCardinalClosed, lineRadial } from 'd3-shape';
import { drawnAngle, radiusOf, type Exaggeration } from './rotorFace';

/** A closed smooth outline through the readings, relative to the centre. */
export function outlinePath(
  values: readonly number[],
  angles: readonly number[],
  sense: 1 | -1,
  scale: Exaggeration,
): string {
  const line = lineRadial<number>()
    .angle((_, j) => drawnAngle(angles[j] ?? 0, sense))
    .radius((value) => radiusOf(value, scale))
    .curve(curveCardinalClosed.tension(0.3))
    .digits(2);
  return line([...values]) ?? '';
}

/** An outline as far as it was read, relative to the centre: a gap where it was not. */
export function openPath(
  values: readonly (number | null)[],
  angles: readonly number[],
  sense: 1 | -1,
  scale: Exaggeration,
): string {
  const line = lineRadial<number | null>()
    .defined((value) => value !== null)
    .angle((_, j) => drawnAngle(angles[j] ?? 0, sense))
    .radius((value) => radiusOf(value ?? 0, scale))
    .digits(2);
  return line([...values]) ?? '';
}
