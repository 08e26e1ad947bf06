import 'server-only';
import {
  additionSchema,
  bleedOrderSchema,
  causeSchema,
  idSchema,
  recheckSchema,
  signOffSchema,
  torqueFigureSchema,
} from '../core/contracts';
import { openItems, signOffBlocks, type Hindrance } from '../core/procedure';
import { challengeTorque, fastenerOf } from '../core/torque';
import {
  asSigned,
  insertAddition,
  saveRecheck,
  saveTorqueFigure,
  settleRecheck,
  signJob,
  torqueKeyOf,
  updateBleedOrder,
  type JobFile,
  type PersonRow,
} from '../db/repositories';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';
import { learnAfter } from './insights';
import { jobFile, jobToWrite } from './jobs';
import { judgeCorner } from './judge';
import { findCheck } from './procedure';
import { outcomeOf } from './prove';
import { closingOf } from './rebuild';
import { axleRow } from './record';

const WHO = 'Say who you are first: choose your name at “Who is here”.';
const GONE = 'This job is not on file any more.';

/** What stands between a job and its sign-off. */
export interface SignOffView {
  /** What never passes. */
  readonly blocks: readonly Hindrance[];
  /** What the lead may sign with, in writing. */
  readonly open: readonly Hindrance[];
}

/** Rotors whose thinnest place is too close to discard thickness to call, as they stand now. */
const nearDiscard = (file: JobFile): Hindrance[] =>
  file.corners
    .filter((corner) => axleRow(file, corner))
    .filter((corner) => {
      const [after, before] = (['after', 'before'] as const).map(
        (phase) => judgeCorner(file, corner, phase).assessment.thicknessVerdicts,
      );
      return (after ?? before)?.verdicts.discard.state === 'too-close';
    })
    .map((corner) => ({
      say: `${corner}: the thinnest place is too close to discard thickness to call.`,
      place: 'prove',
      corner,
    }));

/** What blocks the sign-off of a job, and what is open without blocking. */
export function signOffOf(file: JobFile): SignOffView {
  const state = closingOf(file);
  const outcome = outcomeOf(file);
  const proof: Hindrance[] =
    outcome === null || outcome.state === 'cured'
      ? []
      : [
          ...[{ say: `The job is ${outcome.state.replace('-', ' ')}.`, place: 'prove' as const }],
          ...[...outcome.reasons, ...outcome.left].map((say) => ({ say, place: 'prove' as const })),
        ];
  const wasApart = state.corners.some(({ wheelOff }) => wheelOff);
  const bedding: Hindrance[] =
    state.pistonsMoved.length > 0 && !findCheck(file, 'bedding', '', 'driven')
      ? [{ say: 'It was not bedded in here.', place: 'prove' }]
      : [];
  const recheck: Hindrance[] =
    wasApart && !file.rechecks.some(({ what }) => what === 'wheel-nuts')
      ? [{ say: 'No recheck of the wheel nuts is set.', place: 'prove' }]
      : [];
  return {
    blocks: signOffBlocks(state),
    open: [...openItems(state), ...nearDiscard(file), ...proof, ...bedding, ...recheck],
  };
}

/**
 * Signs a job off: by a lead, with nothing that blocks; what is open is signed for with a
 * reason and stays on record. Afterwards the record is closed.
 */
export async function signOff(input: unknown, who: PersonRow | null): Promise<Answer<string>> {
  const parsed = signOffSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, cause, reason } = parsed.data;
  const known = causeSchema.safeParse(cause);
  if (!known.success) return refuse('Choose the cause from the list, or leave it open.');
  if (who === null) return refuse(WHO);
  if (who.role !== 'lead') {
    return refuse(`${who.name} is not a lead here: a lead signs off. Ask one to choose the name.`);
  }
  const file = await jobToWrite(jobId);
  if (!file.ok) return file;
  const { blocks, open } = signOffOf(file.value);
  if (blocks.length > 0) {
    return refuse(`It cannot be signed off. ${blocks.map(({ say }) => say).join(' ')}`);
  }
  if (open.length > 0 && reason === '') {
    const message = 'Say why it is signed off with what is open.';
    return refuse(message, { reason: message });
  }
  const isSigned = await signJob(await database(), jobId, {
    closedAt: new Date(),
    confirmedCause: known.data,
    signedBy: who.name,
    signedAs: asSigned(file.value),
    signedWith: { open: open.map(({ say }) => say), reason: reason === '' ? null : reason },
  });
  if (!isSigned) return refuse('Another screen signed it off meanwhile.');
  await learnAfter(jobId);
  return accept(jobId);
}

/** Adds to the record of a job that was signed off, with name and time. */
export async function addToRecord(input: unknown, who: PersonRow | null): Promise<Answer<string>> {
  const parsed = additionSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  if (who === null) return refuse(WHO);
  const file = await jobFile(parsed.data.jobId);
  if (!file) return refuse(GONE);
  if (file.job.closedAt === null)
    return refuse('The job is still open: write it where it belongs.');
  await insertAddition(await database(), { ...parsed.data, by: who.name });
  return accept(parsed.data.jobId);
}

/** Writes a torque figure for the vehicle of a job and its like; one that cannot be is asked twice. */
export async function keepTorqueFigure(
  input: unknown,
  who: PersonRow | null,
): Promise<Answer<string>> {
  const parsed = torqueFigureSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, axle, fastener, figure, ...own } = parsed.data;
  if (who === null) return refuse(WHO);
  const file = await jobToWrite(jobId);
  if (!file.ok) return file;
  const kind = fastenerOf(fastener);
  if (!kind) return refuse('There is no such fastener.');
  const others = file.value.torque.filter((each) => each.fastener === fastener);
  const challenge = challengeTorque(
    kind,
    { value: figure.nm, unit: figure.unit, text: figure.text },
    others.map(({ valueNm }) => valueNm),
  );
  if (challenge && !figure.confirmed) return refuse(challenge, { challenge });
  await saveTorqueFigure(await database(), {
    ...torqueKeyOf(file.value.vehicle),
    ...own,
    axle,
    fastener,
    valueNm: figure.nm,
    text: figure.text,
    unit: figure.unit,
    stages: [...kind.stages],
    by: who.name,
  });
  return accept(fastener);
}

/** Writes the order that a vehicle is bled in, with its source. */
export async function keepBleedOrder(input: unknown): Promise<Answer<string>> {
  const parsed = bleedOrderSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, order, source } = parsed.data;
  const file = await jobToWrite(jobId);
  if (!file.ok) return file;
  await updateBleedOrder(await database(), file.value.vehicle.id, { order, source });
  return accept(jobId);
}

/** Sets something of a job to be looked at again; works after the sign-off too. */
export async function setRecheck(input: unknown, who: PersonRow | null): Promise<Answer<string>> {
  const parsed = recheckSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, what, afterKm, on } = parsed.data;
  const file = await jobFile(jobId);
  if (!file) return refuse(GONE);
  const { odometerKm } = file.job;
  if (afterKm !== null && odometerKm === null && on === null) {
    const message = 'The job has no odometer reading: give a date, or enter the distance there.';
    return refuse(message, { afterKm: message });
  }
  const dueKm = afterKm === null || odometerKm === null ? null : odometerKm + afterKm;
  const by = who?.name ?? null;
  await saveRecheck(await database(), { jobId, what, dueKm, dueOn: on, by });
  return accept(jobId);
}

/** Marks a recheck as done, or takes it away. */
export async function endRecheck(
  id: string,
  isDone: boolean,
  who: PersonRow | null,
): Promise<Answer<string>> {
  if (!idSchema.safeParse(id).success) return refuse('This recheck is not on file.');
  if (isDone && who === null) return refuse(WHO);
  const row = await settleRecheck(await database(), id, isDone ? { by: who?.name ?? '' } : null);
  return row ? accept(row.jobId) : refuse('This recheck is settled already.');
}
