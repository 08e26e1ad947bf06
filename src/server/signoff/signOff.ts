import 'server-only';
import { additionSchema, causeSchema, signOffSchema } from '../../core/contracts';
import { signOffOf } from '../../core/job';
import { figuresToKeep, insertAddition, signJob, type PersonRow } from '../../db/repositories';
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
