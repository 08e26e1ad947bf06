import { sweptLap } from '@/core/assessment';
import type { BenchSet } from '../model';

/** How the laps of a set were swept, a line each. */
export function SweptLaps({ set }: { readonly set: BenchSet }) {
  return (
    <ol className="list-unstyled mt-2 mb-0" aria-label="Sweeps">
      {(set.sweeps ?? []).map((sweep, i) => {
        const lap = sweptLap(sweep, set.positions);
        if (!lap) return null;
        const { seconds, isMarked } = lap.pace;
        return (
          <li key={i} className="zh-muted">
            Lap {i + 1}: {lap.readings} readings in {seconds.toFixed(0)} s, {lap.positions} places,{' '}
            {isMarked ? 'each stud marked' : 'by its ends alone'}.
          </li>
        );
      })}
    </ol>
  );
}
