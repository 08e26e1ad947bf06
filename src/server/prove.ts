import {
  amplitudeRatios,
  assessCorner,
  judgeOutcome,
  type Feel,
  type Outcome,
  type ProvenCorner,
} from '../core/assessment';
import { readFeel, roadTestSummarySchema } from '../core/contracts';
import type { Corner } from '../core/readings';
import type { RoadTestAnalysis } from '../core/roadtest';
import type { JobFile } from '../db/repositories';
import { judgeCorner } from './judge';
import { checksOfKind, findCheck } from './procedure';
import { cornerRecord } from './record';

/** Corners whose correction must be proven by measuring again. */
export const cornersToProve = (file: JobFile): Corner[] =>
  file.decisions
    .filter(({ correction }) => correction !== 'leave')
    .map(({ corner }) => corner)
    .sort();

/** The last recording of a phase, or null. */
export function recordingOf(file: JobFile, phase: 'before' | 'after'): RoadTestAnalysis | null {
  const last = file.roadTests.findLast((test) => test.phase === phase);
  return roadTestSummarySchema.safeParse(last?.summary).data ?? null;
}

/** How the drive felt, before and after. */
export const feelOf = (file: JobFile): { before: Feel | null; after: Feel | null } => ({
  before: readFeel(findCheck(file, 'prove', '', 'feel-before')?.value),
  after: readFeel(findCheck(file, 'prove', '', 'feel-after')?.value),
});

/** Amplitudes before and after, order by order; null where it was not recorded twice. */
export function ratiosOf(file: JobFile): ReturnType<typeof amplitudeRatios> | null {
  const before = recordingOf(file, 'before');
  const after = recordingOf(file, 'after');
  return before && after ? amplitudeRatios(before.axes, after.axes) : null;
}

/** Corrections after which a rotor is as thick, all round, as it was. */
const KEEPS_THICKNESS = ['index', 'clean', 'plate', 'hub'];

function provenAt(file: JobFile, corner: Corner): ProvenCorner {
  const after = judgeCorner(file, corner, 'after').assessment;
  const correction = file.decisions.find((each) => each.corner === corner)?.correction ?? '';
  const before = judgeCorner(file, corner, 'before').assessment;
  const kept = KEEPS_THICKNESS.includes(correction) ? before.thickness?.dtvVerdict : undefined;
  return {
    corner,
    runout: after.runout?.verdict.state ?? 'not-measured',
    dtv: (after.thickness?.dtvVerdict ?? kept)?.state ?? 'not-measured',
  };
}

/**
 * What the installed runout says of the seat, as one more mounting beside those before it;
 * null where the rotor was not only moved, or where three mountings are not there. Source:
 * handbook 6 (check mounting), 15.
 */
export function seatingAt(file: JobFile, corner: Corner): string | null {
  const decision = file.decisions.find((each) => each.corner === corner);
  if (decision?.correction !== 'index') return null;
  const before = cornerRecord(file, corner, 'before');
  const after = cornerRecord(file, corner, 'after');
  const sets = [...before.sets, ...after.sets.filter(({ kind }) => kind === 'runout')];
  if (sets.length === before.sets.length) return null;
  return assessCorner({ ...before, sets }).index?.consistent === false
    ? `${corner}: the rotor did not seat as the mountings before it say: dirt, burr, bent stud, or nuts not drawn up evenly. Clean, refit, measure again.`
    : null;
}

/** The verdict on a job, or null while nothing was corrected or put right. */
export function outcomeOf(file: JobFile): Outcome | null {
  const corners = cornersToProve(file);
  const isAnything = corners.length > 0 || checksOfKind(file, 'fixed').length > 0;
  if (!isAnything) return null;
  return judgeOutcome({
    corners: corners.map((corner) => provenAt(file, corner)),
    feel: feelOf(file),
    ratios: ratiosOf(file),
    doubts: corners.flatMap((corner) => seatingAt(file, corner) ?? []),
  });
}
