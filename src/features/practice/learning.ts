import { rollup } from 'd3-array';
import { csvFormatRows } from 'd3-dsv';
import { meanOf } from '@/core/numeric';
import {
  CASE_KINDS,
  isKind,
  readCode,
  workOf,
  type BenchFault,
  type CaseKind,
  type Outcome,
  type Source,
} from '@/core/practice';

/** What somebody’s cases say of what is to be learned next. */
export interface Learning {
  readonly cases: number;
  readonly right: number;
  readonly harms: number;
  /** Minutes against the best way, over all cases; null without one. */
  readonly pace: number | null;
  /** Faults that were missed, the most often missed first. */
  readonly missed: readonly { readonly fault: BenchFault; readonly count: number }[];
  /** Errors of the readings in µm, the latest first. */
  readonly errors: readonly number[];
  /** Mean error of the last cases in µm, and of those before them; null without any. */
  readonly error: { readonly now: number | null; readonly before: number | null };
  /** What is to be practised next. */
  readonly next: CaseKind;
  /** What was taken for what, the most often mistaken first. */
  readonly mistaken: readonly {
    readonly source: Source;
    readonly said: Source;
    readonly count: number;
  }[];
  /** Which fault of a whole car was taken for which, by their codes, the most often mistaken first. */
  readonly mistakenCauses: readonly {
    readonly cause: string;
    readonly said: string;
    readonly count: number;
  }[];
}

/** The kind with the fewest right, of those least practised: what is weak comes next. */
function nextKind(outcomes: readonly Outcome[]): CaseKind {
  const weight = (kind: CaseKind): number => {
    const isOwn = ({ code }: Outcome): boolean => {
      const read = readCode(code);
      return read !== null && isKind(kind, read);
    };
    const own = outcomes.filter(isOwn).slice(0, 10);
    // One right and one wrong are taken for granted, so that the untried comes up.
    return (own.filter(({ isRight }) => isRight).length + 1) / (own.length + 2);
  };
  return CASE_KINDS.reduce((weak, each) => (weight(each) < weight(weak) ? each : weak));
}

/** Some things counted, the most frequent first. */
const counted = (things: readonly string[]): [string, number][] =>
  [
    ...rollup(
      things,
      (each) => each.length,
      (each) => each,
    ),
  ].sort((p, q) => q[1] - p[1]);

/** What was taken for what, the most often mistaken first; what was not asked is left out. */
function mistakenBy<Name extends string>(
  pairs: readonly (readonly [truth: Name | null, said: Name | null])[],
): { readonly truth: Name; readonly said: Name; readonly count: number }[] {
  const wrong = pairs.flatMap(([truth, said]) =>
    truth && said && truth !== said ? [{ truth, said }] : [],
  );
  return counted(wrong.map(({ truth, said }) => `${truth} ${said}`)).flatMap(([pair, count]) => {
    const one = wrong.find(({ truth, said }) => `${truth} ${said}` === pair);
    return one ? [{ ...one, count }] : [];
  });
}

/** Cases of which the mean error is told. */
const RECENT = 5;

/** Mean error of the last cases, and of those before them. */
function trendOf(errors: readonly number[]): Learning['error'] {
  const mean = (some: readonly number[]): number | null =>
    some.length === 0 ? null : meanOf(some);
  return { now: mean(errors.slice(0, RECENT)), before: mean(errors.slice(RECENT, 2 * RECENT)) };
}

export function learningOf(outcomes: readonly Outcome[]): Learning {
  const sum = (of: (each: Outcome) => number): number =>
    outcomes.reduce((all, each) => all + of(each), 0);
  const errors = outcomes.flatMap(({ errorUm }) => errorUm ?? []);
  return {
    cases: outcomes.length,
    right: outcomes.filter(({ isRight }) => isRight).length,
    harms: outcomes.filter(({ isHarm }) => isHarm).length,
    pace: outcomes.length === 0 ? null : sum(({ minutes }) => minutes) / sum(({ best }) => best),
    missed: counted(outcomes.flatMap(({ missed }) => missed)).map(([fault, count]) => ({
      fault: fault as BenchFault,
      count,
    })),
    mistaken: mistakenBy(outcomes.map(({ source, said }) => [source, said])).map(
      ({ truth, said, count }) => ({ source: truth, said, count }),
    ),
    mistakenCauses: mistakenBy(outcomes.map(({ cause, saidCause }) => [cause, saidCause])).map(
      ({ truth, said, count }) => ({ cause: truth, said, count }),
    ),
    errors,
    error: trendOf(errors),
    next: nextKind(outcomes),
  };
}

/** Everything that was practised as CSV; what would be a formula in a table is text. */
export const outcomesCsv = (outcomes: readonly Outcome[]): string =>
  csvFormatRows([
    [
      'code',
      'ended',
      'who',
      'right',
      'harm',
      'minutes',
      'best_minutes',
      'missed',
      'error_um',
      'source',
      'said',
      'way',
      'best_way',
      'cause',
      'said_cause',
    ],
    ...outcomes.map((each) => [
      each.code,
      new Date(each.at).toISOString(),
      (each.who ?? '').replace(/^[=+\-@]/, "'$&"),
      String(each.isRight),
      String(each.isHarm),
      each.minutes.toFixed(1),
      each.best.toFixed(1),
      each.missed.map((fault) => workOf(fault).look.name).join('; '),
      each.errorUm?.toFixed(2) ?? '',
      each.source ?? '',
      each.said ?? '',
      each.way ?? '',
      each.bestWay ?? '',
      each.cause ?? '',
      each.saidCause ?? '',
    ]),
  ]);
