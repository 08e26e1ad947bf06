import { csvFormatRows } from 'd3-dsv';
import { readCode, SUBJECTS, workOf, type BenchFault, type Subject } from '@/core/practice';
import type { Outcome } from './run';

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
  /** What is to be practised next. */
  readonly next: Subject;
}

const subjectOf = ({ code }: Outcome): Subject => readCode(code)?.subject ?? 'both';

/** The subject with the fewest right, of those least practised: what is weak comes next. */
function nextSubject(outcomes: readonly Outcome[]): Subject {
  const weight = (subject: Subject): number => {
    const own = outcomes.filter((each) => subjectOf(each) === subject).slice(0, 10);
    // One right and one wrong are taken for granted, so that the untried comes up.
    return (own.filter(({ isRight }) => isRight).length + 1) / (own.length + 2);
  };
  return SUBJECTS.reduce((weak, each) => (weight(each) < weight(weak) ? each : weak));
}

export function learningOf(outcomes: readonly Outcome[]): Learning {
  const counts = new Map<BenchFault, number>();
  for (const { missed } of outcomes) {
    for (const fault of missed) counts.set(fault, (counts.get(fault) ?? 0) + 1);
  }
  const sum = (of: (each: Outcome) => number): number =>
    outcomes.reduce((all, each) => all + of(each), 0);
  return {
    cases: outcomes.length,
    right: outcomes.filter(({ isRight }) => isRight).length,
    harms: outcomes.filter(({ isHarm }) => isHarm).length,
    pace: outcomes.length === 0 ? null : sum(({ minutes }) => minutes) / sum(({ best }) => best),
    missed: [...counts]
      .map(([fault, count]) => ({ fault, count }))
      .sort((a, b) => b.count - a.count),
    errors: outcomes.flatMap(({ errorUm }) => errorUm ?? []),
    next: nextSubject(outcomes),
  };
}

/** Everything that was practised as CSV; what would be a formula in a table is text. */
export const outcomesCsv = (outcomes: readonly Outcome[]): string =>
  csvFormatRows([
    ['code', 'ended', 'who', 'right', 'harm', 'minutes', 'best_minutes', 'missed', 'error_um'],
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
    ]),
  ]);
