import 'server-only';
import { advise, assessCorner, sayAdvice, type CornerAssessment } from '../core/assessment';
import { decisionFormSchema, pairFormSchema, type Correction } from '../core/contracts';
import {
  adviceOf,
  expectedCost,
  mayBeTaken,
  type Action,
  type DecisionDetail,
  type Option,
} from '../core/options';
import type { Corner } from '../core/readings';
import {
  deleteDecision,
  forgetCorrection,
  saveDecisions,
  type JobFile,
  type NewDecision,
} from '../db/repositories';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';
import { jobToWrite } from './jobs';
import { cornerOptions, type CornerOptions } from './options';
import { findCheck } from './procedure';
import { cornerRecord } from './record';
import { shopUnits } from './settings';

const CORRECTION_OF: Readonly<Record<Action, Correction>> = {
  leave: 'leave',
  clean: 'clean',
  index: 'index',
  plate: 'plate',
  'on-vehicle': 'machine-on-vehicle',
  bench: 'machine-bench',
  'bench-indexed': 'machine-bench',
  new: 'replace',
  'new-indexed': 'replace',
  hub: 'hub',
  'hub-new': 'hub-replace',
};

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
  const cut = action === 'on-vehicle' ? machining?.onVehicle : machining?.bench;
  return {
    runout,
    probability,
    finished,
    expected,
    currency: compared.input.shop.prices.currency,
    money: moneyOf(option, compared),
    plate: plate && { correction: plate.correction, thickAtStud: plate.thickAtStud },
    remaining: CORRECTION_OF[action].startsWith('machine') ? (cut?.remainingRunout ?? null) : null,
  };
}

/** A corner's decision for an action, or why it may not be taken. */
async function decisionFor(
  file: JobFile,
  corner: Corner,
  action: Action,
): Promise<Answer<NewDecision>> {
  if (!file.corners.includes(corner)) return refuse('This corner is not part of the job.');
  const record = cornerRecord(file, corner, 'before');
  const assessment = assessCorner(record);
  const compared = cornerOptions(file, corner, { record, assessment });
  const option = compared.options.find((each) => each.action === action);
  const words = option && adviceOf(option, record, assessment);
  const isWithin = action === 'leave' && advise(record, assessment).kind === 'within';
  if (!option || !words || !(mayBeTaken(option) || isWithin)) {
    return refuse('This cannot be done any more as things stand. Look at the options again.');
  }
  const { todo } = sayAdvice(words, { ...record, units: await shopUnits() });
  return accept({
    jobId: file.job.id,
    corner,
    correction: CORRECTION_OF[action],
    shift: option.shift,
    words: todo,
    action,
    detail: detailOf(option, assessment, compared),
  });
}

/**
 * A corner that is decided otherwise after its correction was done begins again: what was
 * corrected and rebuilt for the earlier decision is kept in words and asked for anew.
 */
async function beginAgain(file: JobFile, decision: NewDecision): Promise<void> {
  const { corner } = decision;
  const earlier = file.decisions.find((each) => each.corner === corner);
  const done = findCheck(file, 'correct', corner, 'done');
  const isSame = earlier?.action === decision.action && earlier.shift === decision.shift;
  if (!earlier || !done || isSame) return;
  const known = findCheck(file, 'decide', corner, 'earlier')?.value;
  const own = { words: earlier.words, by: done.by, at: done.at.toISOString() };
  await forgetCorrection(await database(), file.job.id, corner, [
    ...(Array.isArray(known) ? (known as unknown[]) : []),
    own,
  ]);
}

/** Records what is done about a corner, in the words that the screen shows for it. */
export async function decide(input: unknown): Promise<Answer<Corner>> {
  const parsed = decisionFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner, action } = parsed.data;
  const file = await jobToWrite(jobId);
  if (!file.ok) return file;
  const decision = await decisionFor(file.value, corner, action);
  if (!decision.ok) return decision;
  await saveDecisions(await database(), [decision.value]);
  await beginAgain(file.value, decision.value);
  return accept(corner);
}

/** Records what is done about both corners of an axle, or nothing of it. */
export async function decidePair(input: unknown): Promise<Answer<string>> {
  const parsed = pairFormSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, left, right } = parsed.data;
  const file = await jobToWrite(jobId);
  if (!file.ok) return file;
  const decisions: NewDecision[] = [];
  for (const { corner, action } of [left, right]) {
    const decision = await decisionFor(file.value, corner, action);
    if (!decision.ok) return refuse(`${corner}: ${decision.message}`);
    decisions.push(decision.value);
  }
  await saveDecisions(await database(), decisions);
  for (const decision of decisions) await beginAgain(file.value, decision);
  return accept(jobId);
}

/** Takes back what was recorded for a corner. */
export async function undecide(input: unknown): Promise<Answer<Corner>> {
  const parsed = decisionFormSchema.pick({ jobId: true, corner: true }).safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, corner } = parsed.data;
  const file = await jobToWrite(jobId);
  if (!file.ok) return file;
  await deleteDecision(await database(), jobId, corner);
  return accept(corner);
}
