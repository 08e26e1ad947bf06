import { measuredSet, type AxleLimits, type CornerRecord } from '../core/assessment';
import { axleOf, type Corner } from '../core/readings';
import type { AxleRow, JobFile, SetFile } from '../db/repositories';

export type Phase = SetFile['phase'];

/** An axle's figures by kind. */
export const limitsOf = (axle: AxleRow | undefined): AxleLimits =>
  Object.fromEntries(
    (axle?.limits ?? []).map(({ kind, valueUm, source }) => [kind, { value: valueUm, source }]),
  );

/** The sets of a corner that count, in the order they were begun. */
export const setsOfCorner = (file: JobFile, corner: Corner, phase: Phase): SetFile[] =>
  file.sets.filter(
    (set) => set.corner === corner && set.phase === phase && set.setAsideAt === null,
  );

/** A corner of a job as the solvers need it. Throws when the vehicle lacks the axle. */
export function cornerRecord(file: JobFile, corner: Corner, phase: Phase): CornerRecord {
  const axle = file.vehicle.axles.find(({ position }) => position === axleOf(corner));
  if (!axle) throw new Error(`The vehicle has no ${axleOf(corner)} axle`);
  const sets = setsOfCorner(file, corner, phase).flatMap((set) => {
    const measured = measuredSet(set);
    return measured ? [measured] : [];
  });
  return {
    corner,
    fastening: axle.fastening,
    studs: axle.studs,
    allowedShifts: axle.allowedShifts,
    limits: limitsOf(axle),
    sets,
  };
}
