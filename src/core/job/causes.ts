import { KNOWLEDGE } from '../contracts';
import type { Cause } from '../diagnosis';
import type { Corner } from '../readings';
import { findCheck } from './checks';
import type { Job } from './types';

/** A cause as it is told; what was split since has no sentence for the owner. */
export type KnownCause = Pick<Cause, 'code' | 'name' | 'means'> & Partial<Pick<Cause, 'owner'>>;

/** A cause that the work confirmed, with its corner; of the whole vehicle where that is null. */
export interface ConfirmedCause {
  readonly corner: Corner | null;
  readonly cause: KnownCause;
}

const causeOf = (code: string | null): KnownCause | undefined =>
  [...KNOWLEDGE.causes, ...KNOWLEDGE.former].find((each) => each.code === code);

/** Causes that were confirmed at a corner, by their codes. */
export const causesAt = (job: Job, corner: Corner): readonly string[] =>
  findCheck(job, 'decide', corner, 'causes')?.value ?? [];

/** Every cause that the work confirmed: the one that it was signed with, then corner by corner. */
export function confirmedCauses(job: Job): ConfirmedCause[] {
  const atCorners = job.corners.flatMap((corner) =>
    causesAt(job, corner).flatMap((code) => {
      const cause = causeOf(code);
      return cause ? [{ corner, cause }] : [];
    }),
  );
  const main = causeOf(job.confirmedCause);
  const isSaid = atCorners.some(({ cause }) => cause.code === main?.code);
  return main && !isSaid ? [{ corner: null, cause: main }, ...atCorners] : atCorners;
}

/** A confirmed cause in one line. */
export const sayCause = ({ corner, cause }: ConfirmedCause): string =>
  `${corner === null ? '' : `${corner}: `}${cause.name}`;
