import 'server-only';
import { CORNERS, type Corner } from '../core/readings';
import type { UnitSystem } from '../core/units';
import type { JobFile, SetFile } from '../db/repositories';
import { everyGauge, type GaugeRow } from './gauges';
import { jobFile } from './jobs';
import { axleRow, cornerRecord, type Phase } from './record';
import { shopPositions, shopUnits } from './settings';

/** Everything that the measuring bench of one corner opens with. */
export interface BenchOpening {
  readonly file: JobFile;
  readonly corner: Corner;
  readonly units: UnitSystem;
  /** Positions that the shop begins its sets with; null for what is recommended. */
  readonly usualPositions: number | null;
  /** Every gauge: a set may have been begun with one that is out of use now. */
  readonly gauges: readonly GaugeRow[];
  readonly record: ReturnType<typeof cornerRecord>;
  readonly sets: readonly (SetFile & { readonly isAside: boolean })[];
  /** The shift that was decided on, for measuring after the move. */
  readonly decidedShift: number | null;
  /** The next corner of the job, or null after the last. */
  readonly nextCorner: Corner | null;
}

/** Loads a corner's bench, or null when the job has no such corner. */
export async function openBenchOf(
  id: string,
  name: string,
  phase: Phase,
): Promise<BenchOpening | null> {
  const file = await jobFile(id);
  const corner = CORNERS.find((each) => each === name);
  if (!file || !corner || !file.corners.includes(corner) || !axleRow(file, corner)) return null;
  const units = await shopUnits();
  const record = cornerRecord(file, corner, phase);
  const decision = file.decisions.find((each) => each.corner === corner);
  return {
    file,
    corner,
    units,
    usualPositions: await shopPositions(),
    gauges: await everyGauge(),
    record,
    sets: file.sets
      .filter((set) => set.corner === corner && set.phase === phase)
      .map((set) => ({ ...set, isAside: set.setAsideAt !== null })),
    decidedShift: decision?.shift ?? null,
    nextCorner: file.corners[file.corners.indexOf(corner) + 1] ?? null,
  };
}
