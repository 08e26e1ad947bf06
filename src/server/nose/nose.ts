import 'server-only';
import { cache } from 'react';
import { z } from 'zod';
import {
  asideFormSchema,
  findingFormSchema,
  type FindingData,
  KNOWLEDGE,
  overridesSchema,
  readOverrides,
} from '../../core/contracts';
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
} from '../../core/diagnosis';
import {
  findingsOfJob,
  isLook,
  type Job,
  noDriveOf,
  outOfQuestion,
  putRightIn,
  refuseRole,
  standingOf,
} from '../../core/job';
import { onceByContent } from '../../core/remember';
import {
  countConfirmedCauses,
  deleteFinding,
  readSetting,
  saveFinding,
  setAsideFinding,
  writeSetting,
  type Who,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { recordLook, takeLookBack } from '../job/checks';
import { withJob } from '../job/withJob';
import { changesIn, withoutWeight, withWeight } from './knowledgeForms';

/** Where the shop’s own is kept among the settings. */
export const OVERRIDES = 'knowledge';

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

const knowledgeSchema = z.strictObject({
  what: z.enum(['numbers', 'weight', 'drop-weight', 'reset']),
  fields: z.record(z.string().max(80), z.string().max(80)),
});
type KnowledgeForm = z.infer<typeof knowledgeSchema>;

/** The shop's own knowledge as a form changes it, or what is wrong with the form. */
function changedBy({ what, fields }: KnowledgeForm, overrides: Overrides): Answer<Overrides> {
  switch (what) {
    case 'reset':
      return accept(NO_OVERRIDES);
    case 'drop-weight':
      return accept(withoutWeight(overrides, fields));
    case 'weight': {
      const changed = withWeight(overrides, fields);
      return changed
        ? accept(changed)
        : refuse('Write the weight in decibans, from −20 to 20. Nothing was changed.');
    }
    case 'numbers': {
      const changes = changesIn(fields);
      return changes.ok
        ? accept({ ...overrides, ...changes.value })
        : refuse(`${changes.words} Nothing was changed.`);
    }
  }
}

/** Changes the shop's priors, minutes and weights as its form says, or goes back to what is shipped. */
export const changeKnowledge = (input: unknown): Promise<Answer<null>> =>
  inTransaction(async (tx) => {
    const parsed = knowledgeSchema.safeParse(input);
    if (!parsed.success) return refuseParse(parsed.error);
    const changed = changedBy(parsed.data, (await shopKnowledge()).overrides);
    if (!changed.ok) return changed;
    const whole = overridesSchema.safeParse(changed.value);
    if (!whole.success) return refuseParse(whole.error);
    await writeSetting(tx, OVERRIDES, whole.data);
    return accept(null);
  });

/** What the nose shows of a job. */
export interface NoseView extends ShopKnowledge {
  readonly diagnosis: Diagnosis;
  readonly findings: readonly RecordedFinding[];
  readonly aside: readonly string[];
  /** Why no road test may be driven, or null. */
  readonly noDrive: string | null;
  /** What cured the job, corner by corner; empty while it is not cured. */
  readonly putRight: readonly string[];
}

/** Weighing asks every next check for what it would change: what was weighed lately is kept. */
const MOST_WEIGHED = 64;

const weighed = onceByContent(
  ({ overrides, input }: { overrides: Overrides; input: Parameters<typeof diagnose>[1] }) =>
    diagnose(applyOverrides(KNOWLEDGE, overrides), input),
  MOST_WEIGHED,
);

const hasElectricParkingBrake = (job: Job): boolean =>
  job.vehicle.axles.some(({ traits }) => traits.includes('electric-parking-brake'));

/** Weighs a job's findings with the shop's knowledge; once in a request for one job. */
export const noseOf = cache(async (job: Job): Promise<NoseView> => {
  const shop = await shopKnowledge();
  const findings = findingsOfJob(job);
  const { without, never } = outOfQuestion(job);
  const diagnosis = weighed({
    overrides: shop.overrides,
    input: {
      findings,
      aside: job.aside,
      corners: job.corners,
      // An electric parking brake is not pulled while it rolls.
      without: [...(hasElectricParkingBrake(job) ? ['rear-only'] : []), ...without],
      never,
      priors: Object.fromEntries(shop.priors.map(({ code, share }) => [code, share])),
    },
  });
  return {
    ...shop,
    diagnosis,
    findings,
    aside: job.aside,
    noDrive: noDriveOf(job, findings),
    // Nothing reassures while the vehicle must not be driven.
    putRight: standingOf(job).mustNotMove.length > 0 ? [] : putRightIn(job),
  };
});

/** Why an answer on which a vehicle is not driven may not be written over, in words; null where it may. */
function refuseAnswer(
  job: Job,
  { code, corner, value }: FindingData,
  who: Who | null,
): string | null {
  const forbids = (answer: string | null): string | null =>
    answer === null ? null : advisesNoDrive([{ code, value: answer }]);
  const isDanger = job.findings.some(
    (each) =>
      each.corner === (corner ?? '') &&
      each.code === code &&
      forbids(each.value) !== null &&
      // Another answer beside it takes nothing away.
      forbids(each.value) !== forbids(value),
  );
  return isDanger ? refuseRole(who, 'technician') : null;
}

/** Records an answer or a finding, or takes it back. */
export async function recordFinding(
  input: unknown,
  who: Who | null = null,
): Promise<Answer<string>> {
  const parsed = findingFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, code, value, corner: at } = parsed.data;
  const corner = at ?? '';
  return withJob(jobId, async (tx, job) => {
    const why = refuseAnswer(job, parsed.data, who);
    if (why !== null) return refuse(why);
    if (at && value === null) {
      const stays = await takeLookBack(tx, job, at, { code, value: parsed.data.was });
      if (stays !== null) return refuse(stays);
    }
    if (at && value !== null && isLook(code, value, corner)) {
      const stays = await recordLook(tx, job, at, { code, value });
      if (stays !== null) return refuse(stays);
      await deleteFinding(tx, { jobId, code, corner });
      return accept(jobId);
    }
    if (value === null) await deleteFinding(tx, { jobId, code, corner });
    else await saveFinding(tx, { jobId, code, corner, value });
    return accept(jobId);
  });
}

/** Sets a finding aside, so that the effect is seen, or lets it weigh again. */
export async function weighFinding(input: unknown): Promise<Answer<string>> {
  const parsed = asideFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, code, isAside } = parsed.data;
  return withJob(jobId, async (tx) => {
    await setAsideFinding(tx, jobId, code, isAside);
    return accept(jobId);
  });
}
