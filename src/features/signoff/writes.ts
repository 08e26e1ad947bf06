import type { RecheckForm } from '@/core/contracts';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

const refresh = 'by-writer';

/** Signs the job off. */
export const writeSignOff = (form: {
  readonly jobId: string;
  readonly cause: string | null;
  readonly reason: string;
}): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'sign-off',
    input: form,
    place: `sign-off ${form.jobId}`,
    jobId: form.jobId,
    about: 'the sign-off',
    refresh,
  });

/** A lead’s answer to something that was taken back or changed. */
export const answerTakenBack = (
  jobId: string,
  seq: number,
  reason: string,
): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'taken-back',
    input: { jobId, seq, reason },
    place: `taken-back ${jobId} ${seq}`,
    jobId,
    about: `a lead’s answer: “${reason.slice(0, 60)}”`,
    refresh,
  });

/** Adds to the record of a job that was signed off. */
export const writeAddition = (form: {
  readonly jobId: string;
  readonly text: string;
}): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'addition',
    input: form,
    place: `addition ${form.jobId} ${form.text}`.slice(0, 300),
    jobId: form.jobId,
    about: `an addition: “${form.text.slice(0, 60)}”`,
    refresh,
  });

/** Sets something to be looked at again. */
export const writeRecheck = (form: RecheckForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'recheck',
    input: form,
    place: `recheck ${form.jobId} ${form.what}`,
    jobId: form.jobId,
    about: `a recheck: ${form.what.replace('-', ' ')}`,
    refresh,
  });

/** Marks a recheck as done, or takes it away. */
export const endRecheck = (
  jobId: string,
  id: string,
  isDone: boolean,
): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'recheck-end',
    input: { id, isDone },
    place: `recheck-end ${id}`,
    jobId,
    about: isDone ? 'a recheck as done' : 'a recheck taken away',
    refresh,
  });
