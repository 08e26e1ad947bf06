import type { MeasuredSet } from '../assessment';
import type { Source } from './apartCase';
import type { BenchAction } from './benchWork';
import type { PracticeCase } from './case';
import { judgeApart, type ApartResult } from './judgeApart';
import { judgeDecide, type DecideResult } from './judgeDecide';
import { judgeRead, type ReadResult } from './judgeRead';
import type { Way } from './ways';

/** What came of a case, by its level. */
export type CaseResult =
  | ({ readonly level: 'read' } & ReadResult)
  | ({ readonly level: 'apart' } & ApartResult)
  | ({ readonly level: 'decide' } & DecideResult);

/** Everything that was done in a case. */
export interface CaseWork {
  /** Those that count, in the order in which they were begun. */
  readonly sets: readonly MeasuredSet[];
  readonly actions: readonly BenchAction[];
  /** How many readings were taken, those that were taken again too. */
  readonly readings: number;
  /** Where runout was said to come from; null where that is not asked or not said yet. */
  readonly said: Source | null;
  /** What was decided; null where that is not asked or not decided yet. */
  readonly way: Way | null;
}

/** What came of a case: see `judgeRead`, `judgeApart` and `judgeDecide`. */
export function judgeCase(own: PracticeCase, work: CaseWork): CaseResult {
  const { sets, actions, readings, said, way } = work;
  switch (own.level) {
    case 'apart':
      return { level: 'apart', ...judgeApart(own, sets, actions, readings, said) };
    case 'decide':
      return { level: 'decide', ...judgeDecide(own, sets, actions, readings, way) };
    case 'read':
      return { level: 'read', ...judgeRead(own, sets, actions, readings) };
  }
}

/** Whether something was read that can be judged. */
export const isRead = (result: CaseResult): boolean =>
  result.level === 'apart'
    ? result.stays !== null
    : result.figures.some(({ found }) => found !== null);
