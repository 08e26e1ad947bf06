import { nextChecks, type NextCheck } from './nextChecks';
import type { Knowledge } from './types';
import {
  EXPLAINS,
  seenIn,
  SETTLED,
  weigh,
  weighing,
  type WeighedCause,
  type WeighInput,
} from './weigh';

/** A source or effect less probable than this is not told together with the other. */
const JOINED_FROM = 0.1;

/** An effect and the source that wore it in, told together. */
export interface Joined {
  readonly effect: WeighedCause;
  readonly source: WeighedCause;
  /** Probability that the one or the other is what the job is about. */
  readonly probability: number;
}

export interface Diagnosis {
  /** Every possible cause, most probable first. */
  readonly causes: readonly WeighedCause[];
  readonly joined: Joined | null;
  readonly settled: boolean;
  /** Causes that were seen with the eyes; whether they explain the complaint nobody has said yet. */
  readonly seen: readonly WeighedCause[];
  readonly nextChecks: readonly NextCheck[];
}

/** The most probable pair of an effect and its source that both stand in the findings. */
function joinedOf(knowledge: Knowledge, causes: readonly WeighedCause[]): Joined | null {
  const standing = (code: string): WeighedCause | undefined =>
    causes.find(
      (cause) => cause.code === code && cause.probability >= JOINED_FROM && cause.terms.length > 0,
    );
  const pairs = knowledge.joins.flatMap(({ effect, sources }) => {
    const worn = standing(effect);
    if (!worn) return [];
    return sources.flatMap((code) => {
      const source = standing(code);
      return source
        ? [{ effect: worn, source, probability: worn.probability + source.probability }]
        : [];
    });
  });
  return pairs.sort((p, q) => q.probability - p.probability)[0] ?? null;
}

/** Whether the causes are settled, and which effect and source are told together. */
export function conclude(
  knowledge: Knowledge,
  causes: readonly WeighedCause[],
): Pick<Diagnosis, 'joined' | 'settled'> {
  const joined = joinedOf(knowledge, causes);
  const surest = Math.max(causes[0]?.probability ?? 0, joined?.probability ?? 0);
  return { joined, settled: surest >= SETTLED && isMoreThanComplaint(knowledge, causes) };
}

/** Whether anything weighs that was seen, driven or measured: a complaint alone never settles. */
const isMoreThanComplaint = (knowledge: Knowledge, causes: readonly WeighedCause[]): boolean =>
  knowledge.findings.some(
    ({ code, stage }) =>
      stage !== 'complaint' &&
      causes.some(({ terms }) => terms.some((term) => term.finding === code)),
  );

/**
 * What the findings point to, how sure that is, and what to check next. Probabilities are
 * over the causes of the knowledge file. Source: handbook 12.
 */
export function diagnose(knowledge: Knowledge, input: WeighInput): Diagnosis {
  const causes = weigh(knowledge, input);
  const asked = weighing(knowledge, input);
  const sights = asked.some(({ code }) => code === EXPLAINS) ? [] : seenIn(knowledge, asked);
  return {
    causes,
    ...conclude(knowledge, causes),
    seen: causes.filter(({ code }) => sights.some(({ cause }) => cause === code)),
    nextChecks: nextChecks(knowledge, input),
  };
}
