import {
  advise,
  assessCorner,
  assessHubFace,
  assessRunout,
  assessThickness,
  measuredSet,
  sayAdvice,
  type Advice,
  type AdviceWords,
  type CornerAssessment,
  type CornerRecord,
} from '@/core/assessment';
import { sayReason, type Reason } from '@/core/verdict';
import type { BenchCorner, BenchSet } from './model';
import { asksToIndex, recordOf, type SetResult } from './result';

/** What the solvers say of one set; null while no lap is whole. */
export function solveSet(set: BenchSet, corner: BenchCorner): SetResult | null {
  const measured = measuredSet(set);
  if (!measured) return null;
  if (measured.kind === 'runout') {
    const runout = assessRunout(measured, corner.studs, corner.limits);
    return { kind: 'runout', runout, isHub: false };
  }
  if (measured.kind === 'hub') {
    return { kind: 'runout', runout: assessHubFace(measured, corner.studs), isHub: true };
  }
  return { kind: 'thickness', ...assessThickness(measured, corner.limits) };
}

/**
 * What is said at the entry of a set beside what it asks for: a slow turn that does not count until one
 * does, and, where no nose stands beside it, why a set is not valid.
 */
export function toldAtEntry(
  result: SetResult | null,
  { isCheck, units }: Pick<BenchCorner, 'isCheck' | 'units'>,
): readonly string[] {
  const verdict = result?.kind === 'runout' ? result.runout.verdict : result?.figures.dtvVerdict;
  if (!verdict) return [];
  const isTold = ({ code }: Reason): boolean =>
    (code === 'turn-short' && result?.kind === 'runout' && result.runout.turned === null) ||
    (isCheck === true && verdict.state === 'not-valid' && code !== 'virtual');
  return verdict.reasons.filter(isTold).map((reason) => sayReason(reason, units));
}

/** Advice that would answer what is done about a rotor. */
const ANSWERS: readonly Advice['kind'][] = [
  ...(['within', 'leave', 'index', 'plate', 'hub', 'machine', 'replace', 'no-place'] as const),
];

/**
 * An advice in the words of the bench. Which correction is taken depends on prices too: that is
 * said where the options stand side by side, unless a move surely does or the rotor is scrap.
 */
export function sayOnBench(advice: Advice, corner: BenchCorner): AdviceWords {
  if (corner.isAnswered && ANSWERS.includes(advice.kind)) {
    return {
      todo: 'Everything is read here: decide.',
      why: 'What is done about it is yours to say: metal, money and what comes back count.',
    };
  }
  // A quick check has no such page.
  const isPriced =
    (advice.kind === 'index' && !asksToIndex(advice, corner)) ||
    (!corner.isCheck &&
      (advice.kind === 'hub' ||
        advice.kind === 'machine' ||
        (advice.kind === 'replace' &&
          advice.why !== 'below-discard' &&
          advice.why !== 'condemned')));
  return isPriced
    ? {
        todo: 'Everything is read here: decide.',
        why: 'Runout or thickness variation is beyond its limit. What cures it, and what each way costs, stands side by side on Decide.',
      }
    : sayAdvice(advice, corner);
}

/** A corner as it is judged, and what that says on the bench. */
export interface JudgedCorner {
  readonly judged: { readonly record: CornerRecord; readonly assessment: CornerAssessment };
  readonly advice: Advice;
  /** Null as found: nothing is decided there. */
  readonly words: AdviceWords | null;
  /** Where the rotor sits is to be settled before anything follows. */
  readonly isSeatAsked: boolean;
}

/** What all sets of a corner that count say together. */
export function judgeSets(sets: readonly BenchSet[], corner: BenchCorner): JudgedCorner {
  const record = recordOf(sets, corner);
  const assessment = assessCorner(record);
  const advice = advise(record, assessment);
  // As found nothing is decided: the rotor is read again once its seat is clean.
  const isDecided = corner.phase !== 'as-found';
  return {
    judged: { record, assessment },
    advice,
    words: isDecided ? sayOnBench(advice, corner) : null,
    isSeatAsked: isDecided && assessment.seatDoubt !== null,
  };
}

/** What says what readings mean, where it is here already. */
export interface Solving {
  readonly solveSet: typeof solveSet;
  readonly judgeSets: typeof judgeSets;
}
