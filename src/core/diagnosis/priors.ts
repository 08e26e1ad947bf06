import type { Knowledge } from './types';

/** Jobs that the workshop defaults weigh as much as. */
const WORTH_JOBS = 40;

/** A cause's share before any finding, and the counts it comes from. */
export interface CountedPrior {
  readonly code: string;
  /** Share among all causes, 0 to 1. */
  readonly share: number;
  /** Closed jobs in which it was confirmed. */
  readonly confirmed: number;
}

/**
 * Brings the defaults and the shop's confirmed causes together by counts: the defaults weigh
 * as much as 40 jobs, each closed job with a confirmed cause as one. Source: handbook 12.
 */
export function countedPriors(
  knowledge: Knowledge,
  confirmed: Readonly<Record<string, number>>,
): CountedPrior[] {
  const total = knowledge.causes.reduce((sum, { prior }) => sum + prior, 0);
  // What was signed with a cause that was split since counts for its parts alike.
  const counts = knowledge.causes.map(({ code }) =>
    knowledge.former
      .filter(({ now }) => now.includes(code))
      .reduce(
        (sum, former) => sum + (confirmed[former.code] ?? 0) / former.now.length,
        confirmed[code] ?? 0,
      ),
  );
  const jobs = counts.reduce((sum, each) => sum + each, 0);
  return knowledge.causes.map(({ code, prior }, i) => ({
    code,
    share: ((prior / total) * WORTH_JOBS + counts[i]!) / (WORTH_JOBS + jobs),
    confirmed: counts[i]!,
  }));
}
