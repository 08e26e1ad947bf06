import { memo } from 'react';
import { phasorsOf } from '@/core/harmonics';
import { fieldUnit, type Micrometres } from '@/core/units';
import { UnrolledChart } from '@/ui/chart';
import type { BenchCorner } from './model';
import type { SetResult } from './result';

/** A set against its angle, with its fit and the limit; drawn anew only when they are others. */
export const SetChart = memo(function SetChart({
  result,
  corner,
  limit,
}: {
  result: SetResult;
  corner: BenchCorner;
  limit: Micrometres;
}) {
  const solved = result.kind === 'runout' ? result.runout : result.figures;
  const role = result.kind === 'runout' ? 'deviation' : 'size';
  return (
    <UnrolledChart
      angles={solved.angles}
      values={solved.averaged}
      mean={solved.fit.mean}
      orders={phasorsOf(solved.fit)}
      limit={limit}
      unit={fieldUnit(corner.units, role)}
      label={`Chart of ${result.kind} against angle with its fit and the limit`}
    />
  );
});
