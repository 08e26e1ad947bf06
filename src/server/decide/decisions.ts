import 'server-only';
import { advise, sayAdvice, type Advice, type CornerAssessment } from '../../core/assessment';
import { decisionFormSchema, pairFormSchema } from '../../core/contracts';
import {
  cornerOptions,
  findCheck,
  isDrumAt,
  judgeCorner,
  type CornerOptions,
  type Correction,
  type Job,
} from '../../core/job';
import {
  actionRecord,
  adviceOf,
  expectedCost,
  mayBeTaken,
  type Action,
  type DecisionDetail,
  type Option,
} from '../../core/options';
import type { Corner } from '../../core/readings';
import type { UnitSystem } from '../../core/units';
import type { Database } from '../../db/client';
import {
  deleteDecision,
  forgetCorrection,
  saveDecisions,
  type NewDecision,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { withJob } from '../job/withJob';
import { shopUnits } from '../shop/settings';

/** What an option costs against a new rotor as it comes; null where a price is missing. */
function moneyOf(
  option: Option,
  { options, input }: CornerOptions,
): NonNullable<DecisionDetail['money']> | null {
  const plain = (each: Option | undefined): number | null =>
    each ? expectedCost(each.cost, 1, null) : null;
  const done = plain(option);
  const asNew = plain(options.find(({ action }) => action === 'new'));
  const { comeback } = input.shop.prices;
  return done === null || asNew === null || comeback === null ? null : { done, asNew, comeback };
}

/** What stands of an option on record: its figures as they were when it was taken. */
function detailOf(
  option: Option,
  { machining }: CornerAssessment,
  compared: CornerOptions,
): DecisionDetail {
  const { runout, probability, finished, expected, plate, action } = option;
  const { lathe } = actionRecord(action);
  const cut = lathe === 'on-vehicle' ? machining?.onVehicle : machining?.bench;
  return {
    runout,
    probability,
    finished,
    expected,
    currency: compared.input.shop.prices.currency,
    money: moneyOf(option, compared),
    plate: plate && { correction: plate.correction, thickAtStud: plate.thickAtStud },
    remaining: lathe === null ? null : (cut?.remainingRunout ?? null),
  };
}

/** A job to decide for, and the units that the words are in. */
interface Asked {
  readonly job: Job;
  readonly units: UnitSystem;
}

/** What is on record of a corner that is cured already, by what says so. */
const CURED: Partial<Record<Advice['kind'], Correction>> = { kept: 'index', cleaned: 'clean' };

/** A corner's decision for an action, or why it may not be taken. */
function decisionFor({ job, units }: Asked, corner: Corner, action: Action): Answer<NewDecision> {
  if (!job.corners.includes(corner)) return refuse('This corner is not part of the job.');
  if (isDrumAt(job, corner)) return refuse('This wheel has a drum: it is decided by itself.');
  const { record, assessment } = judgeCorner(job, corner, 'before');
  const compared = cornerOptions(job, corner, { record, assessment });
  const option = compared.options.find((each) => each.action === action);
  const first = advise(record, assessment);
  // What moving or cleaning has cured is left as it sits: that was the correction, and it is done.
  const cured = action === 'leave' ? CURED[first.kind] : undefined;
  const words = cured ? first : option && adviceOf(option, record, assessment);
  const isWithin = action === 'leave' && first.kind === 'within';
  if (!option || !words || !(mayBeTaken(option) || isWithin || cured)) {
    return refuse('This cannot be done any more as things stand. Look at the options again.');
  }
  return accept({
    jobId: job.id,
    corner,
    correction: cured ?? actionRecord(action).correction,
    shift: cured ? assessment.shift : option.shift,
    words: sayAdvice(words, { ...record, units, isRecord: true }).todo,
    action,
    detail: detailOf(option, assessment, compared),
  });
}

/**
 * A corner that is decided otherwise after its correction was done begins again: what was
 * corrected and rebuilt for the earlier decision is kept in words and asked for anew.
 */
async function beginAgain(tx: Database, job: Job, decision: NewDecision): Promise<void> {
  const { corner } = decision;
  const earlier = job.decisions.find((each) => each.corner === corner);
  const done = findCheck(job, 'correct', corner, 'done');
  const isSame = earlier?.action === decision.action && earlier.shift === decision.shift;
  if (!earlier || !done || isSame) return;
  const known = findCheck(job, 'decide', corner, 'earlier')?.value ?? [];
  const own = {
    ...{ words: earlier.words, by: done.by, at: done.at.toISOString() },
    ...{ correction: earlier.correction, shift: earlier.shift, seq: done.seq },
  };
  await forgetCorrection(tx, job.id, corner, [...known, own]);
}

/** Writes decisions and what begins again with them. */
async function keepDecisions(
  tx: Database,
  job: Job,
  decisions: readonly NewDecision[],
): Promise<void> {
  await saveDecisions(tx, decisions);
  for (const decision of decisions) await beginAgain(tx, job, decision);
}

/** Records what is done about a corner, in the words that the screen shows for it. */
export async function decide(input: unknown): Promise<Answer<Corner>> {
  const parsed = decisionFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner, action } = parsed.data;
  return withJob(jobId, async (tx, job) => {
    const decision = decisionFor({ job, units: await shopUnits() }, corner, action);
    if (!decision.ok) return decision;
    await keepDecisions(tx, job, [decision.value]);
    return accept(corner);
  });
}

/** Records what is done about both corners of an axle, or nothing of it. */
export async function decidePair(input: unknown): Promise<Answer<string>> {
  const parsed = pairFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, left, right } = parsed.data;
  return withJob(jobId, async (tx, job) => {
    const asked = { job, units: await shopUnits() };
    const decisions: NewDecision[] = [];
    for (const { corner, action } of [left, right]) {
      const decision = decisionFor(asked, corner, action);
      if (!decision.ok) return refuse(`${corner}: ${decision.message}`);
      decisions.push(decision.value);
    }
    await keepDecisions(tx, job, decisions);
    return accept(jobId);
  });
}

/** Takes back what was recorded for a corner. */
export async function undecide(input: unknown): Promise<Answer<Corner>> {
  const parsed = decisionFormSchema.pick({ jobId: true, corner: true }).safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner } = parsed.data;
  return withJob(jobId, async (tx) => {
    await deleteDecision(tx, jobId, corner);
    return accept(corner);
  });
}
