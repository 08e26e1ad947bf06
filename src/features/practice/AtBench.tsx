import { workOf, type BenchFault, type PracticeCase } from '@/core/practice';

/** What was wrong at the bench, whether it was put right, and how long it all took. */
export function AtBench({
  own,
  result,
}: {
  readonly own: PracticeCase;
  readonly result: {
    readonly missed: readonly BenchFault[];
    readonly minutes: number;
    readonly best: number;
  };
}) {
  const wrong = Object.keys(own.faults) as BenchFault[];
  const say = (fault: BenchFault): string =>
    `${workOf(fault).why} (${result.missed.includes(fault) ? 'missed' : 'put right'})`;
  return (
    <p>
      <strong>At the bench:</strong>{' '}
      {wrong.length === 0 ? 'nothing was wrong.' : `${wrong.map(say).join('; ')}.`}{' '}
      <span className="zh-figure">{result.minutes.toFixed(0)} min</span>; the shortest way takes{' '}
      <span className="zh-figure">{result.best.toFixed(0)} min</span>.
    </p>
  );
}
