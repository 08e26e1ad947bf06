import { moveBlockers, unfinishedWork, type Blocker } from '../procedure';
import { judgeCorner } from './judge';
import { isDrumWithin } from './drums';
import { sayInvented } from './invented';
import { isDrumAt, isPutRight, looksOf } from './procedure';
import { readinessOf } from './readiness';
import { axleAt } from './record';
import { oncePer } from '../remember';
import type { Job } from './types';

/** How a job stands: the one judgement that pages, reports, documents and writes rest on. */
export interface Standing {
  readonly isSigned: boolean;
  /** Signed off in other records, and by nobody here. */
  readonly isSignedElsewhere: boolean;
  /** Why the vehicle must not be moved or driven; empty where it may. */
  readonly mustNotMove: readonly Blocker[];
  /** What else stands between an open job and its sign-off. */
  readonly notDone: readonly Blocker[];
  /** Every verdict of every corner is there and within, discard included, and nothing was seen wrong. */
  readonly isWithin: boolean;
}

/** Whether everything of a corner was measured, last and judged within. */
function isCornerWithin(job: Job, corner: Job['corners'][number]): boolean {
  if (!axleAt(job, corner)) return false;
  if (isDrumAt(job, corner)) return isDrumWithin(job, corner);
  const after = judgeCorner(job, corner, 'after').assessment;
  const before = judgeCorner(job, corner, 'before').assessment;
  const runout = (after.runout ?? before.runout)?.verdict.state;
  const dtv = (after.thickness ?? before.thickness)?.dtvVerdict.state;
  const discard = (after.thicknessVerdicts ?? before.thicknessVerdicts)?.verdicts.discard.state;
  // What a composite rotor is worn is seen by its marks, and what was seen wrong is told beside.
  const isByMarks = axleAt(job, corner)?.traits.includes('composite') === true;
  return (isByMarks ? [runout] : [runout, dtv, discard]).every((state) => state === 'within');
}

/** Whether a job was signed off elsewhere: its record is closed, and nobody answers for it here. */
const isForeign = ({ origin }: Job): boolean => origin?.isSignedThere === true;

/** That a job was brought in from other records, in words; nothing for a job of this shop. */
export const sayBroughtIn = (job: Job): Blocker[] => {
  const { origin, signedBy } = job;
  if (!origin) return [];
  const there = isForeign(job)
    ? ` It was signed off there${signedBy === null ? '' : ` by ${signedBy}`}; nobody has signed for it here.`
    : ' What was written there was not seen here.';
  const by = origin.by === null ? '' : ` by ${origin.by}`;
  const say = `Brought in from other records on ${origin.at.slice(0, 10)}${by}.${there}`;
  return [{ say, place: 'report' }];
};

/** How a job stands. Source: handbook 15, 17. */
export const standingOf = oncePer((job: Job): Standing => {
  const state = readinessOf(job);
  const mustNotMove = moveBlockers(state);
  const isWrong = looksOf(job).some(
    ({ corner, item, found }) => found.length > 0 && !isPutRight(job, corner, item),
  );
  return {
    isSigned: job.closedAt !== null && !isForeign(job),
    isSignedElsewhere: isForeign(job),
    mustNotMove,
    notDone: [...sayBroughtIn(job), ...sayInvented(job), ...unfinishedWork(state)],
    isWithin:
      !isForeign(job) &&
      mustNotMove.length === 0 &&
      !isWrong &&
      sayInvented(job).length === 0 &&
      job.corners.length > 0 &&
      job.corners.every((corner) => isCornerWithin(job, corner)),
  };
});
