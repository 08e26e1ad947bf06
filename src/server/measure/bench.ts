import 'server-only';
import { CORNERS, type Corner } from '../../core/readings';
import type { UnitSystem } from '../../core/units';
import {
  axleAt,
  carriedTo,
  cornerRecord,
  type Carried,
  type Job,
  type Phase,
  seatToFit,
  type ReadingSet,
} from '../../core/job';
import { practiceBench } from '../practice/stages';
import { everyGauge, type GaugeRow } from './gauges';
import { loadJob } from '../job/jobs';
import { shopPositions, shopUnits } from '../shop/settings';

/** Everything that the measuring bench of one corner opens with. */
export interface BenchOpening {
  readonly job: Job;
  readonly corner: Corner;
  readonly units: UnitSystem;
  /** Positions that the shop begins its sets with; null for what is recommended. */
  readonly usualPositions: number | null;
  /** What is known of how the corner is prepared. */
  readonly carried: Carried;
  /** Every gauge: a set may have been begun with one that is out of use now. */
  readonly gauges: readonly GaugeRow[];
  readonly record: ReturnType<typeof cornerRecord>;
  readonly sets: readonly (ReadingSet & { readonly isAside: boolean })[];
  /** The seat in which the next set is read, as far as the job knows it. */
  readonly expectedShift: number | null;
  /** The next corner of the job, or null after the last. */
  readonly nextCorner: Corner | null;
}

/** Loads a corner's bench, or null when the job has no such corner. */
export async function openBenchOf(
  id: string,
  name: string,
  phase: Phase,
): Promise<BenchOpening | null> {
  const job = await loadJob(id);
  const corner = CORNERS.find((each) => each === name);
  if (!job || !corner || !job.corners.includes(corner) || !axleAt(job, corner)) return null;
  const units = await shopUnits();
  const record = cornerRecord(job, corner, phase);
  return {
    job,
    corner,
    units,
    usualPositions: await shopPositions(),
    carried: carriedTo(job, corner, phase),
    gauges: await everyGauge(),
    record,
    sets: job.sets
      .filter((set) => set.corner === corner && set.phase === phase)
      .map((set) => ({ ...set, isAside: set.setAsideAt !== null })),
    expectedShift: seatToFit(job, corner),
    nextCorner: job.corners[job.corners.indexOf(corner) + 1] ?? null,
  };
}

/** The corner as its bench takes it. */
export const benchCorner = (
  { job, record, units, gauges, usualPositions, carried }: BenchOpening,
  phase: Phase,
) => ({
  ...{ ...record, jobId: job.id, phase, units, gauges, usualPositions, carried },
  whose: job.vehicle.isCheck ? `Check ${job.number}` : job.vehicle.plate,
  isFloating: axleAt(job, record.corner)?.traits.includes('two-piece') === true,
  ...practiceBench(job, record.corner, phase),
});
