import { drawJob } from '../../bench';
import {
  isChoice,
  type Cause,
  type Finding,
  type FindingStage,
  type Knowledge,
  type RecordedFinding,
} from '../../diagnosis';
import type { AxlePosition, Corner } from '../../readings';
import { chanceOf, writeCode, type CaseCode } from '../code';

/** A whole car whose fault is known, and what everything at it would show if it were asked, driven or looked at. */
export interface FindCase {
  readonly code: string;
  readonly knowledge: Knowledge;
  /** The axle that the customer complains of. */
  readonly axle: AxlePosition;
  /** The corner at which the fault lies. */
  readonly corner: Corner;
  readonly cause: Cause;
  readonly shows: readonly Shown[];
}

/** What one finding would show. */
export interface Shown extends RecordedFinding {
  /** The customer says it with doubt; of the complaint alone. */
  readonly isDoubted: boolean;
}

/**
 * How much more clearly than in the knowledge what is asked, driven, looked at and measured shows the
 * fault: the shares of its answers are taken to this power. Customers answer as the knowledge has it,
 * wrongly now and then; a look at the part itself is hardly ever wrong. An assumption of practice.
 */
export const CLEARNESS: Readonly<Record<FindingStage, number>> = {
  complaint: 1.3,
  'road-test': 1.7,
  inspect: 3,
  measure: 2,
};

/** How often a customer is not sure of an answer. */
const DOUBTED = 0.25;

const CORNERS_OF: Readonly<Record<AxlePosition, readonly [Corner, Corner]>> = {
  front: ['FL', 'FR'],
  rear: ['RL', 'RR'],
};

/** The car of a code: the same for the same code and knowledge, anywhere. */
export function findCaseOf(own: CaseCode, knowledge: Knowledge): FindCase {
  const random = chanceOf(own);
  const job = drawJob(knowledge, random, { clearness: CLEARNESS });
  const corner = CORNERS_OF[job.axle][random.uniform() < 0.5 ? 0 : 1];
  const cause = knowledge.causes.find(({ code }) => code === job.cause)!;
  const shows = job.findings.map((finding) => ({
    ...finding,
    isDoubted: random.uniform() < DOUBTED,
  }));
  return { code: writeCode(own), knowledge, axle: job.axle, corner, cause, shows };
}

/** What a finding of a car shows. */
export const shownOf = ({ shows }: Pick<FindCase, 'shows'>, code: string): Shown =>
  shows.find((each) => each.code === code)!;

/** A share of a limit as a technician reads it: to a tenth, and so is what is weighed. */
export const readRatio = (value: string | number): number => Math.round(10 * Number(value)) / 10;

/** What was found, as the nose weighs it. */
export const asRecorded = (finding: Finding, { code, value }: Shown): RecordedFinding => ({
  code,
  value: isChoice(finding) ? value : Math.max(0.1, readRatio(value)),
});
