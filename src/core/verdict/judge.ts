import type { Micrometres } from '../units';
import type { Reason } from './reasons';

export type VerdictState = 'within' | 'beyond' | 'too-close' | 'not-measured' | 'not-valid';

/** A judgement of one value against one limit, lengths in micrometres. */
export interface Verdict {
  readonly state: VerdictState;
  readonly value: Micrometres | null;
  readonly limit: Micrometres;
  readonly guardBand: Micrometres | null;
  /** Distance to the limit, positive on the good side. */
  readonly margin: Micrometres | null;
  /** Laps in all that would settle a too-close verdict, or null. */
  readonly lapsToSettle: number | null;
  readonly reasons: readonly Reason[];
}

/** One-sided 95 % coverage. Source: handbook 5. */
export const COVERAGE = 1.645;

/** Variance in µm²: a part that shrinks with laps, and a part that does not. */
export interface VarianceParts {
  /** Variance with one lap. */
  readonly perLap: number;
  readonly constant: number;
}

export const varianceAt = (parts: VarianceParts, laps: number): number =>
  parts.perLap / laps + parts.constant;

export interface Judgement {
  readonly value: Micrometres;
  readonly limit: Micrometres;
  /** `upper`: the value must not exceed the limit; `lower`: it must not fall below. */
  readonly side: 'upper' | 'lower';
  readonly variance: VarianceParts;
  readonly laps: number;
  readonly reasons?: readonly Reason[];
  /** A quality check forbids the verdict; the figures are still shown. */
  readonly invalid?: boolean;
}

/** The smallest number of laps with guard band <= distance, or null when none has. */
export function lapsToSettle(variance: VarianceParts, distance: Micrometres): number | null {
  const room = (distance / COVERAGE) ** 2 - variance.constant;
  if (!(room > 0)) return null;
  const laps = Math.max(1, Math.ceil(variance.perLap / room - 1e-9));
  return Number.isSafeInteger(laps) ? laps : null;
}

function stateOf(margin: number, guardBand: number): VerdictState {
  if (margin - guardBand >= 0) return 'within';
  return margin + guardBand < 0 ? 'beyond' : 'too-close';
}

/** Judges a value with its guard band U = 1.645 u. Source: handbook 5. */
export function judge(judgement: Judgement): Verdict {
  const { value, limit, variance, laps } = judgement;
  const guardBand = COVERAGE * Math.sqrt(varianceAt(variance, laps));
  const margin = judgement.side === 'upper' ? limit - value : value - limit;
  const state = judgement.invalid ? 'not-valid' : stateOf(margin, guardBand);
  const settle = state === 'too-close' ? lapsToSettle(variance, Math.abs(margin)) : null;
  const hint: Reason[] =
    state !== 'too-close'
      ? []
      : [
          settle === null
            ? { code: 'gauge-too-coarse', needs: Math.abs(margin) }
            : { code: 'settle', laps: settle },
        ];
  return {
    state,
    value,
    limit,
    guardBand,
    margin,
    lapsToSettle: settle,
    reasons: [...(judgement.reasons ?? []), ...hint],
  };
}

/** The verdict where a set is missing. */
export function notMeasured(limit: Micrometres, what: string): Verdict {
  return {
    state: 'not-measured',
    value: null,
    limit,
    guardBand: null,
    margin: null,
    lapsToSettle: null,
    reasons: [{ code: 'not-taken', what }],
  };
}

/** A value whose uncertainty does not shrink with laps of places: slow turns, settled thickness. */
export interface SettledJudgement {
  readonly value: Micrometres;
  readonly uncertainty: Micrometres;
  readonly limit: Micrometres;
  readonly reasons?: readonly Reason[];
  readonly invalid?: boolean;
}

/** Judges such a value against an upper limit with its guard band U = 1.645 u. Source: handbook 5. */
export function judgeSettled(judgement: SettledJudgement): Verdict {
  const { value, limit } = judgement;
  const guardBand = COVERAGE * judgement.uncertainty;
  const margin = limit - value;
  return {
    state: judgement.invalid ? 'not-valid' : stateOf(margin, guardBand),
    value,
    limit,
    guardBand,
    margin,
    lapsToSettle: null,
    reasons: [...(judgement.reasons ?? [])],
  };
}
