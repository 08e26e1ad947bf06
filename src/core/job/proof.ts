import {
  amplitudeRatios,
  judgeOutcome,
  type Feel,
  type Outcome,
  type ProvenCorner,
} from '../assessment';
import type { Corner } from '../readings';
import type { RoadTestAnalysis } from '../roadtest';
import { checksOfKind, findCheck } from './checks';
import { assessed } from './assessed';
import { drumAt, drumsDone, provenDrums, sayDrumWork } from './drums';
import { sayInvented } from './invented';
import { judgeCorner } from './judge';
import { cornerRecord } from './record';
import { notShown, referredIn, sayRepair, sourceRepairs } from './repairs';
import { oncePer } from '../remember';
import type { Correction, Job } from './types';

/** Corners whose correction must be proven by measuring again. */
export const cornersToProve = (job: Job): Corner[] =>
  job.decisions
    .filter(({ correction }) => correction !== 'leave')
    .map(({ corner }) => corner)
    .sort();

/** The last recording of a phase, or null. */
export const recordingOf = (job: Job, phase: 'before' | 'after'): RoadTestAnalysis | null =>
  job.roadTests.findLast((test) => test.phase === phase)?.summary ?? null;

/** How the drive felt, before and after. */
export const feelOf = (job: Job): { before: Feel | null; after: Feel | null } => ({
  before: findCheck(job, 'prove', '', 'feel-before')?.value ?? null,
  after: findCheck(job, 'prove', '', 'feel-after')?.value ?? null,
});

/** Amplitudes before and after, order by order; null where it was not recorded twice. */
export function ratiosOf(job: Job): ReturnType<typeof amplitudeRatios> | null {
  const before = recordingOf(job, 'before');
  const after = recordingOf(job, 'after');
  return before && after ? amplitudeRatios(before.axes, after.axes) : null;
}

/** Corrections after which a rotor is as thick, all round, as it was. */
const KEEPS_THICKNESS = ['index', 'clean', 'plate', 'hub'];

function provenAt(job: Job, corner: Corner): ProvenCorner {
  const after = judgeCorner(job, corner, 'after').assessment;
  const correction = job.decisions.find((each) => each.corner === corner)?.correction ?? '';
  const before = judgeCorner(job, corner, 'before').assessment;
  const kept = KEEPS_THICKNESS.includes(correction) ? before.thickness?.dtvVerdict : undefined;
  return {
    corner,
    runout: after.runout?.verdict.state ?? 'not-measured',
    dtv: cornerRecord(job, corner, 'after').isComposite
      ? 'within'
      : ((after.thickness?.dtvVerdict ?? kept)?.state ?? 'not-measured'),
  };
}

/** What a correction was, in a few words of the workshop. */
const PUT_RIGHT: Readonly<Record<Correction, string>> = {
  leave: 'left as it was',
  index: 'rotor moved on its hub',
  clean: 'seat cleaned',
  plate: 'tapered plate fitted',
  'machine-on-vehicle': 'rotor cut on the vehicle',
  'machine-bench': 'rotor cut on the bench',
  replace: 'rotor renewed',
  hub: 'hub or bearing renewed',
  'hub-replace': 'hub or bearing and rotor renewed',
};

/**
 * What the installed runout says of the seat, as one more mounting beside those before it;
 * null where the rotor was not only moved, or where three mountings are not there. Source:
 * handbook 6 (check mounting), 15.
 */
export function seatingAt(job: Job, corner: Corner): string | null {
  const decision = job.decisions.find((each) => each.corner === corner);
  if (decision?.correction !== 'index') return null;
  const before = cornerRecord(job, corner, 'before');
  const after = cornerRecord(job, corner, 'after');
  const sets = [...before.sets, ...after.sets.filter(({ kind }) => kind === 'runout')];
  if (sets.length === before.sets.length) return null;
  return assessed({ ...before, sets }).index?.consistent === false
    ? `${corner}: the rotor did not seat as the mountings before it say: dirt, burr, bent stud, or nuts not drawn up evenly. Clean, refit, measure again.`
    : null;
}

/** The verdict on a job, or null while nothing was corrected or put right. */
export const outcomeOf = oncePer((job: Job): Outcome | null => {
  const corners = cornersToProve(job);
  const repairs = sourceRepairs(job);
  const drums = provenDrums(job);
  const isWork =
    corners.length > 0 || drumsDone(job).length > 0 || checksOfKind(job, 'fixed').length > 0;
  const isHere = isWork || repairs.some(({ how, did }) => how === 'here' && did !== null);
  const referred = referredIn(job);
  if (!isHere && referred.length === 0) return null;
  return judgeOutcome({
    corners: corners.map((corner) => provenAt(job, corner)),
    drums,
    feel: feelOf(job),
    ratios: ratiosOf(job),
    doubts: [
      ...sayInvented(job).map(({ say }) => say),
      ...corners.flatMap((corner) => seatingAt(job, corner) ?? []),
      ...notShown(job),
    ],
    referred,
    isOnlyReferred: !isHere,
  });
});

/** What cured a job, corner by corner and in words; empty while it is not cured. */
export const putRightIn = (job: Job): string[] =>
  outcomeOf(job)?.state === 'cured'
    ? [
        ...job.decisions
          .filter(({ correction }) => correction !== 'leave')
          .map(({ corner, correction }) => `${corner}, ${PUT_RIGHT[correction]}`)
          .sort(),
        ...drumsDone(job).flatMap((corner) => {
          const { decision } = drumAt(job, corner);
          return decision ? [`${corner}, drum: ${sayDrumWork(decision).toLowerCase()}`] : [];
        }),
        ...sourceRepairs(job)
          .filter(({ did }) => did !== null)
          .map((repair) => `${sayRepair(repair)}, ${repair.did ?? ''}`),
      ]
    : [];
