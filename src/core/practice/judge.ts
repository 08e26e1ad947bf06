import type { MeasuredSet } from '../assessment';
import type { Source } from './apartCase';
import type { BenchAction } from './benchWork';
import type { PracticeCase } from './case';
import { judgeApart, type ApartResult } from './judgeApart';
import { judgeRead, type ReadResult } from './judgeRead';

/** What came of a case, by its level. */
export type CaseResult =
  ({ readonly level: 'read' } & ReadResult) | ({ readonly level: 'apart' } & ApartResult);

/** Everything that was done in a case. */
export interface CaseWork {
  /** Those that count, in the order in which they were begun. */
  readonly sets: readonly MeasuredSet[];
  readonly actions: readonly BenchAction[];
  /** How many readings were taken, those that were taken again too. */
  readonly readings: number;
  /** Where runout was said to come from; null where that is not asked or not said yet. */
  readonly said: Source | null;
}

/** What came of a case: see `judgeRead` and `judgeApart`. */
export const judgeCase = (
  own: PracticeCase,
  { sets, actions, readings, said }: CaseWork,
): CaseResult =>
  own.level === 'apart'
    ? { level: 'apart', ...judgeApart(own, sets, actions, readings, said) }
    : { level: 'read', ...judgeRead(own, sets, actions, readings) };

/** Whether something was read that can be judged. */
export const isRead = (result: CaseResult): boolean =>
  result.level === 'apart'
    ? result.stays !== null
    : result.figures.some(({ found }) => found !== null);
