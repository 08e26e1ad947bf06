import 'server-only';
import { additionSchema, causeSchema, signOffSchema, takenBackSchema } from '../../core/contracts';
import { linesToAnswer, refuseRole, signOffOf } from '../../core/job';
import {
  answerLedger,
  figuresToKeep,
  insertAddition,
  signJob,
  type PersonRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { withJob } from '../job/withJob';
import { learnFrom } from '../records/insights';

/** What is said to somebody whose name is not known. */
export const WHO = 'Say who you are first: choose your name at “Who is here”.';

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
  return withJob(jobId, async (tx, job) => {
    const { blocks, open } = signOffOf(job);
    if (blocks.length > 0) {
      return refuse(`It cannot be signed off. ${blocks.map(({ say }) => say).join(' ')}`);
    }
    if (open.length > 0 && reason === '') {
      const message = 'Say why it is signed off with what is open.';
      return refuse(message, { reason: message });
    }
    await signJob(tx, jobId, {
      closedAt: new Date(),
      confirmedCause: known.data,
      signedBy: who.name,
      signedAs: await figuresToKeep(tx, jobId),
      signedWith: { open: open.map(({ say }) => say), reason: reason === '' ? null : reason },
    });
    await learnFrom(tx, jobId);
    return accept(jobId);
  });
}

/** A lead’s answer to something that was taken back, or to a figure that was changed, in writing. */
export async function answerTakenBack(
  input: unknown,
  who: PersonRow | null,
): Promise<Answer<string>> {
  const parsed = takenBackSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { jobId, seq, reason } = parsed.data;
  const why = refuseRole(who, 'lead');
  if (why !== null || who === null) return refuse(why ?? WHO);
  return withJob(jobId, async (tx, job) => {
    const line = job.past.find((each) => each.seq === seq);
    if (!line || !linesToAnswer(job).some((each) => each.seq === seq))
      return refuse('This stands open no more. Load the page again.');
    const { name, role } = who;
    await answerLedger(tx, { jobId, who: name, role, place: line.place, reason, of: seq });
    return accept(jobId);
  });
}

/** Adds to the record of a job that was signed off, with name and time. */
export async function addToRecord(input: unknown, who: PersonRow | null): Promise<Answer<string>> {
  const parsed = additionSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  if (who === null) return refuse(WHO);
  const { jobId } = parsed.data;
  return withJob(
    jobId,
    async (tx, job) => {
      if (job.closedAt === null) {
        return refuse('The job is still open: write it where it belongs.');
      }
      await insertAddition(tx, { ...parsed.data, by: who.name });
      return accept(jobId);
    },
    { evenSigned: true },
  );
}
