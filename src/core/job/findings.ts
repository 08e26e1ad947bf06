import {
  cleaningFinding,
  compareCleaning,
  measuredFindings,
  recordingFinding,
} from '../assessment';
import { KNOWLEDGE } from '../contracts';
import { advisesNoDrive, isMoot, type RecordedFinding } from '../diagnosis';
import { CORNERS, type Corner } from '../readings';
import { drumFindings } from './drums';
import { judgeCorner } from './judge';
import { inspectionFindings, isLook, offTheRoad } from './procedure';
import { outcomeOf } from './proof';
import { axleAt } from './record';
import { oncePer } from '../remember';
import { wheelFindings } from './wheelFigures';
import type { Job } from './types';

/** Whether an earlier answer leaves nothing to ask: what was answered before says nothing then. */
const saysNothing = (job: Job, code: string): boolean => {
  const finding = KNOWLEDGE.findings.find((each) => each.code === code);
  return finding !== undefined && isMoot(finding, job.findings);
};

/** The findings that were answered, as the core takes them; looks come from the inspection. */
const answered = (job: Job): RecordedFinding[] =>
  job.findings
    .filter(({ code, value, corner }) => !isLook(code, value, corner) && !saysNothing(job, code))
    .map(({ code, value, corner }) => ({
      code,
      value,
      corner: CORNERS.find((each) => each === corner),
    }));

/** What the last recording says: before the correction, or after one that did not cure it. */
function recorded(job: Job, isOpenAgain: boolean): RecordedFinding[] {
  const after = job.roadTests.findLast(({ phase }) => phase === 'after');
  const before = job.roadTests.findLast(({ phase }) => phase === 'before');
  const last = isOpenAgain ? (after ?? before) : before;
  const finding = last?.summary ? recordingFinding(last.summary) : null;
  return finding ? [finding] : [];
}

/** A corner as it was found last: after a correction that did not cure it, else before one. */
function judgedAt(job: Job, corner: Corner, isOpenAgain: boolean) {
  const asFound = judgeCorner(job, corner, 'as-found');
  const cleaned = judgeCorner(job, corner, 'before');
  const after = isOpenAgain ? judgeCorner(job, corner, 'after') : null;
  const isRead = (each: typeof cleaned): boolean =>
    each.assessment.runout !== null || each.assessment.thickness !== null;
  // Until the seat is clean, how it was found is what there is.
  const before = isRead(cleaned) ? cleaned : asFound;
  if (!after || !isRead(after)) return { asFound, cleaned, judged: before };
  // How it ends counts after a correction, not the first of its readings.
  const assessment = { ...after.assessment, firstRunout: after.assessment.runout };
  return { asFound, cleaned, judged: { ...after, assessment } };
}

/** Everything found in a job; what was read or recorded stands before what was answered. */
export const findingsOfJob = oncePer((job: Job): RecordedFinding[] => {
  const isOpenAgain = outcomeOf(job)?.state === 'not-cured';
  const measured = job.corners
    .filter((corner) => axleAt(job, corner))
    .flatMap((corner) => {
      const { asFound, cleaned, judged } = judgedAt(job, corner, isOpenAgain);
      const cleaning = cleaningFinding(compareCleaning(asFound, cleaned), corner);
      const found = measuredFindings(judged.record, judged.assessment);
      return cleaning ? [...found, cleaning] : found;
    });
  const machine = [
    ...measured,
    ...recorded(job, isOpenAgain),
    ...drumFindings(job),
    ...wheelFindings(job),
    ...inspectionFindings(job),
  ];
  const own = answered(job).filter(
    ({ code, corner }) =>
      !machine.some((each) => each.code === code && (each.corner ?? '') === (corner ?? '')),
  );
  return [...own, ...machine];
});

/** Why the vehicle may not be driven: by what was answered, and by what was found wrong. */
export function noDriveOf(job: Job, findings: readonly RecordedFinding[]): string | null {
  const looked = inspectionFindings(job);
  const rest = findings.filter(
    ({ code, value }) => !looked.some((look) => look.code === code && look.value === value),
  );
  const reasons = [advisesNoDrive(rest) ?? [], offTheRoad(job)].flat();
  return reasons.length > 0 ? reasons.join(', ') : null;
}
