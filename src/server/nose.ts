import 'server-only';
import { cache } from 'react';
import {
  cleaningFinding,
  compareCleaning,
  measuredFindings,
  recordingFinding,
} from '../core/assessment';
import {
  asideFormSchema,
  findingFormSchema,
  KNOWLEDGE,
  overridesSchema,
  readOverrides,
  roadTestSummarySchema,
} from '../core/contracts';
import {
  advisesNoDrive,
  applyOverrides,
  countedPriors,
  diagnose,
  NO_OVERRIDES,
  type CountedPrior,
  type Diagnosis,
  type Knowledge,
  type Overrides,
  type RecordedFinding,
} from '../core/diagnosis';
import { CORNERS, type Corner } from '../core/readings';
import {
  countConfirmedCauses,
  deleteFinding,
  readSetting,
  saveFinding,
  setAsideFinding,
  writeSetting,
  type JobFile,
} from '../db/repositories';
import { accept, refuseParse, type Answer } from './answer';
import { database } from './database';
import { judgeCorner } from './judge';
import { jobToWrite } from './jobs';
import { inspectionFindings, isLook, offTheRoad } from './procedure';
import { axleRow } from './record';
import { outcomeOf } from './prove';
import { recordLook, takeLookBack } from './strip';

const OVERRIDES = 'knowledge';

/** The knowledge as this shop uses it. */
export interface ShopKnowledge {
  readonly knowledge: Knowledge;
  readonly overrides: Overrides;
  readonly priors: readonly CountedPrior[];
  /** Closed jobs with a confirmed cause. */
  readonly confirmedJobs: number;
}

/** The knowledge with the shop's changes and the counts of its closed jobs. */
export async function shopKnowledge(): Promise<ShopKnowledge> {
  const db = await database();
  const overrides = readOverrides(await readSetting(db, OVERRIDES));
  const knowledge = applyOverrides(KNOWLEDGE, overrides);
  const priors = countedPriors(knowledge, await countConfirmedCauses(db));
  const confirmedJobs = priors.reduce((sum, { confirmed }) => sum + confirmed, 0);
  return { knowledge, overrides, priors, confirmedJobs };
}

/** Changes the shop's priors, minutes and weights; null goes back to what is shipped. */
export async function changeKnowledge(input: unknown): Promise<Answer<null>> {
  const parsed = overridesSchema.safeParse(input ?? NO_OVERRIDES);
  if (!parsed.success) return refuseParse(parsed.error);
  await writeSetting(await database(), OVERRIDES, parsed.data);
  return accept(null);
}

/** The findings that were answered, as the core takes them; looks come from the inspection. */
const answered = (file: JobFile): RecordedFinding[] =>
  file.findings
    .filter(({ code, value, corner }) => !isLook(code, value, corner))
    .map(({ code, value, corner }) => ({
      code,
      value,
      corner: CORNERS.find((each) => each === corner),
    }));

/** What the last recording says: before the correction, or after one that did not cure it. */
function recorded(file: JobFile, isOpenAgain: boolean): RecordedFinding[] {
  const after = file.roadTests.findLast(({ phase }) => phase === 'after');
  const before = file.roadTests.findLast(({ phase }) => phase === 'before');
  const last = isOpenAgain ? (after ?? before) : before;
  const summary = roadTestSummarySchema.safeParse(last?.summary);
  const finding = summary.success ? recordingFinding(summary.data) : null;
  return finding ? [finding] : [];
}

/** A corner as it was found last: after a correction that did not cure it, else before one. */
function judgedAt(file: JobFile, corner: Corner, isOpenAgain: boolean) {
  const asFound = judgeCorner(file, corner, 'as-found');
  const cleaned = judgeCorner(file, corner, 'before');
  const after = isOpenAgain ? judgeCorner(file, corner, 'after') : null;
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
export function findingsOfJob(file: JobFile): RecordedFinding[] {
  const isOpenAgain = outcomeOf(file)?.state === 'not-cured';
  const measured = file.corners
    .filter((corner) => axleRow(file, corner))
    .flatMap((corner) => {
      const { asFound, cleaned, judged } = judgedAt(file, corner, isOpenAgain);
      const cleaning = cleaningFinding(compareCleaning(asFound, cleaned), corner);
      const found = measuredFindings(judged.record, judged.assessment);
      return cleaning ? [...found, cleaning] : found;
    });
  const machine = [...measured, ...recorded(file, isOpenAgain), ...inspectionFindings(file)];
  const own = answered(file).filter(
    ({ code, corner }) =>
      !machine.some((each) => each.code === code && (each.corner ?? '') === (corner ?? '')),
  );
  return [...own, ...machine];
}

/** Why the vehicle may not be driven: by what was answered, and by what was found wrong. */
function noDriveOf(file: JobFile, findings: readonly RecordedFinding[]): string | null {
  const looked = inspectionFindings(file);
  const rest = findings.filter(
    ({ code, value }) => !looked.some((look) => look.code === code && look.value === value),
  );
  const reasons = [advisesNoDrive(rest) ?? [], offTheRoad(file)].flat();
  return reasons.length > 0 ? reasons.join(', ') : null;
}

/** What the nose shows of a job. */
export interface NoseView extends ShopKnowledge {
  readonly diagnosis: Diagnosis;
  readonly findings: readonly RecordedFinding[];
  readonly aside: readonly string[];
  /** Why no road test may be driven, or null. */
  readonly noDrive: string | null;
}

/** Weighs a job's findings with the shop's knowledge; once in a request for one file. */
export const noseOf = cache(async (file: JobFile): Promise<NoseView> => {
  const shop = await shopKnowledge();
  const findings = findingsOfJob(file);
  const diagnosis = diagnose(shop.knowledge, {
    findings,
    aside: file.aside,
    corners: file.corners,
    priors: Object.fromEntries(shop.priors.map(({ code, share }) => [code, share])),
  });
  return {
    ...shop,
    diagnosis,
    findings,
    aside: file.aside,
    noDrive: noDriveOf(file, findings),
  };
});

/** Records an answer or a finding, or takes it back. */
export async function recordFinding(input: unknown): Promise<Answer<string>> {
  const parsed = findingFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, code, value } = parsed.data;
  const writable = await jobToWrite(jobId);
  if (!writable.ok) return writable;
  const file = writable.value;
  const corner = parsed.data.corner ?? '';
  const db = await database();
  const at = parsed.data.corner;
  if (at && value === null) await takeLookBack(file, at, { code, value: parsed.data.was });
  if (at && value !== null && isLook(code, value, corner)) {
    await recordLook(file, at, { code, value });
    await deleteFinding(db, { jobId, code, corner });
    return accept(jobId);
  }
  if (value === null) await deleteFinding(db, { jobId, code, corner });
  else await saveFinding(db, { jobId, code, corner, value });
  return accept(jobId);
}

/** Sets a finding aside, so that the effect is seen, or lets it weigh again. */
export async function weighFinding(input: unknown): Promise<Answer<string>> {
  const parsed = asideFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, code, isAside } = parsed.data;
  const file = await jobToWrite(jobId);
  if (!file.ok) return file;
  await setAsideFinding(await database(), jobId, code, isAside);
  return accept(jobId);
}
