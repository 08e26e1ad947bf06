import { saySweeps } from '@/core/assessment';
import type { BenchSet } from '../model';

/** How the laps of a set were swept, a line each. */
export const SweptLaps = ({ set }: { readonly set: BenchSet }) => (
  <ol className="list-unstyled mt-2 mb-0" aria-label="Sweeps">
    {saySweeps(set.sweeps ?? [], set.positions).map((line) => (
      <li key={line} className="zh-muted">
        {line}.
      </li>
    ))}
  </ol>
);
