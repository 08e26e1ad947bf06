import { drawJob } from '../../bench';
import {
  advisesNoDrive,
  isChoice,
  weightOf,
  type Cause,
  type ChoiceFinding,
  type Finding,
  type FindingStage,
  type Knowledge,
  type RecordedFinding,
} from '../../diagnosis';
import type { RandomSource } from '../../numeric';
import type { AxlePosition, Corner } from '../../readings';
import { chanceOf, writeCode, type CaseCode } from '../code';
import { carCorner, truthShares, type CarCorner, type Tilt } from './carCorner';

/** A whole car whose fault is known, and what everything at it would show if it were asked, driven or looked at. */
export interface FindCase {
  readonly code: string;
  readonly knowledge: Knowledge;
  /** The axle that the customer complains of. */
  readonly axle: AxlePosition;
  /** The corner at which what is found at a corner is found. */
  readonly corner: Corner;
  /** Where the fault lies; null where it is of the whole vehicle. */
  readonly place: Corner | null;
  readonly cause: Cause;
  readonly shows: readonly Shown[];
  /** The corner as gauges read it. */
  readonly bench: CarCorner;
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

/** Faults that lie at no wheel. */
const OF_VEHICLE = ['driveline', 'master-cylinder', 'air-knockback'];
/** Faults by which a wheel brakes less than its opposite: braking pulls away from it, with all others towards it. */
const BRAKES_LESS = ['stuck-pins', 'stuck-piston', 'stuck-pads', 'contaminated'];

/** The side to which a car pulls that pulls at all, braking or not: of a wheel that is held, towards it. */
function pullsTo(code: string, cause: string, corner: Corner): string {
  const isLeft = corner.endsWith('L');
  const isAway = code === 'pull' && BRAKES_LESS.includes(cause);
  return isLeft === isAway ? 'right' : 'left';
}

/** The answer that most cars give to a finding; null for one that is a figure. */
export const usualAnswer = (finding: Finding): ChoiceFinding['values'][number] | null =>
  isChoice(finding) ? finding.values.reduce((p, q) => (q.usual > p.usual ? q : p)) : null;

/**
 * What was drawn, as one car has it: it pulls to the side of its fault, and nothing is seen at it that
 * forbids driving and is none of that fault.
 */
function ofOneCar(
  finding: Finding,
  value: string | number,
  cause: string,
  corner: Corner,
): string | number {
  const { code, stage } = finding;
  if (value === 'left' || value === 'right') return pullsTo(code, cause, corner);
  const isDanger = stage === 'inspect' && advisesNoDrive([{ code, value }]) !== null;
  return isDanger && weightOf(finding, value, cause) <= 0
    ? (usualAnswer(finding)?.code ?? value)
    : value;
}

/** The car of a code: the same for the same code and knowledge, anywhere. */
export function findCaseOf(own: CaseCode, knowledge: Knowledge): FindCase {
  const random = chanceOf(own);
  const job = drawJob(knowledge, random, { clearness: CLEARNESS });
  const corner = CORNERS_OF[job.axle][random.uniform() < 0.5 ? 0 : 1];
  const cause = knowledge.causes.find(({ code }) => code === job.cause)!;
  const drawn = job.findings.map(({ code, value }) => {
    const finding = knowledge.findings.find((each) => each.code === code)!;
    const isDoubted = random.uniform() < DOUBTED;
    return { code, value: ofOneCar(finding, value, cause.code, corner), isDoubted };
  });
  const place = OF_VEHICLE.includes(cause.code) ? null : corner;
  const bench = benchOf(drawn, cause.code, random);
  const truth = truthShares(bench);
  const shows = drawn.map((each) => ({ ...each, value: asRead(each, bench, truth) }));
  return { code: writeCode(own), knowledge, axle: job.axle, corner, place, cause, shows, bench };
}

/** Faults that tilt the rotor where it sits. */
const TILTS: Readonly<Record<string, Tilt>> = { 'rust-under-hat': 'dirt', 'nut-torque': 'nuts' };

/** The corner that shows what was drawn of it. */
function benchOf(shows: readonly Shown[], cause: string, random: RandomSource): CarCorner {
  const share = (code: string): number => Number(shows.find((each) => each.code === code)?.value);
  const shares = {
    ...{ runout: share('runout'), hub: share('hub-share'), rotor: share('rotor-share') },
    ...{ variation: share('thickness-variation'), nutPull: share('nut-pull') },
    isThinAtHigh: shows.some(({ code, value }) => code === 'thin-at-high' && value === 'yes'),
  };
  return carCorner(shares, TILTS[cause] ?? null, random);
}

/** The answers to how far it was driven since the last work, by the farthest of each in km. */
const SINCE = [
  [200, 'at-once'],
  [1000, 'between'],
  [10_000, 'some-thousand'],
  [Infinity, 'longer'],
] as const;
const sinceOf = (km: number): string => SINCE.find(([farthest]) => km < farthest)![1];

/** What a gauge shows of that corner, where it is read there; as drawn otherwise. */
function asRead(
  { code, value }: Shown,
  bench: CarCorner,
  truth: ReturnType<typeof truthShares>,
): string | number {
  switch (code) {
    case 'runout':
      return truth.runout;
    case 'hub-share':
      return truth.hub;
    case 'rotor-share':
      return truth.rotor;
    case 'thickness-variation':
      return truth.variation;
    case 'thin-at-high':
      return bench.wornKm === null ? value : 'yes';
    // What wore in took as long as it was driven since.
    case 'since':
      return bench.wornKm === null ? value : sinceOf(bench.wornKm);
    default:
      return value;
  }
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
