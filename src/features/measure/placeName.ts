import { beyondPlace } from '@/core/assessment';
import { fastenerName } from '@/core/readings';
import type { Degrees } from '@/core/units';
import type { BenchCorner, BenchSet } from './model';

const sayAngle = (angle: Degrees): string => `${Number(angle.toFixed(1))}°`;

/** Where an angle is by the nearest stud or hole: at it, or so many degrees before or after. */
export function byStud(
  angle: Degrees,
  { studs, fastening }: Pick<BenchCorner, 'studs' | 'fastening'>,
): string {
  const spacing = 360 / studs;
  const nearest = Math.round(angle / spacing);
  const off = angle - nearest * spacing;
  const name = `${fastenerName(fastening)} ${(nearest % studs) + 1}`;
  if (Math.abs(off) < 0.05) return `at ${name}`;
  return `${sayAngle(Math.abs(off))} ${off > 0 ? 'after' : 'before'} ${name}`;
}

/** Angle of a place of the laps. */
export const angleAt = (set: Pick<BenchSet, 'angles' | 'positions'>, position: number): Degrees =>
  set.angles?.[position] ?? (360 * position) / set.positions;

/** A place to read, by its number, its degrees and the nearest stud; or the end of a slow turn. */
export function placeName(set: BenchSet, position: number, corner: BenchCorner): string {
  const beyond = beyondPlace(set, position);
  if (beyond?.of === 'turn') {
    const count = beyond.turn === 0 ? 'Slow turn' : `Slow turn ${beyond.turn + 1}`;
    return `${count}: stop at the ${beyond.end === 'high' ? 'highest' : 'lowest'} place and read it`;
  }
  if (beyond) {
    return `Until it is settled: at ${sayAngle(beyond.angleDeg)}, ${byStud(beyond.angleDeg, corner)}`;
  }
  if (position === set.positions) return 'Position 1 again, to close the lap';
  const angle = angleAt(set, position);
  const isChalk = position === 0 && angle === 0;
  const where = isChalk
    ? `chalk mark, ${fastenerName(corner.fastening)} 1`
    : `${sayAngle(angle)}, ${byStud(angle, corner)}`;
  return `Position ${position + 1} of ${set.positions} (${where})`;
}
