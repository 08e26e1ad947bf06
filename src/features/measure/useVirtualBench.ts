import { useMemo } from 'react';
import {
  hubFaceBench,
  inventedBench,
  preparedBench,
  USUAL_SETUP,
  type PracticeFault,
  type VirtualBench,
} from '@/core/bench';
import { wasSeenTo } from '@/core/quality';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import type { BenchCorner } from './model';
import type { BenchSet } from './set';

/** Of a corner, what a virtual gauge needs to know. */
export type VirtualCornerView = Pick<
  BenchCorner,
  'jobId' | 'corner' | 'studs' | 'limits' | 'practice' | 'isPracticeJob' | 'phase' | 'fastening'
>;
/** Of a set, the same. */
export type VirtualSetView = Pick<BenchSet, 'kind' | 'leftOut' | 'radiusUm'>;

/** The same truth stands behind the same name. */
export const virtualName = ({ jobId, corner }: VirtualCornerView): string => `${jobId} ${corner}`;

/**
 * What stands behind a virtual gauge that reads a set: the bench of a case, or an invented rotor. In a job on the stages
 * it is as that set was prepared: what is cleaned and drawn up evenly tilts the rotor no more. A hub’s face is read with
 * the rotor off.
 */
export function useVirtualBench(
  corner: VirtualCornerView,
  { kind, leftOut, radiusUm }: VirtualSetView,
  fault: PracticeFault = 'none',
): VirtualBench {
  const { practice, isPracticeJob, phase, fastening, studs } = corner;
  const name = virtualName(corner);
  const nominal = corner.limits.nominal?.value;
  const circle = corner.limits.radius?.value ?? USUAL_SETUP.radius;
  return useMemo(() => {
    const bench = practice ?? inventedBench(name, { studs, nominal }, fault);
    if (kind === 'hub') {
      return hubFaceBench(bench, circle / (radiusUm ?? WORKSHOP_DEFAULTS.hubFaceRadius));
    }
    if (!isPracticeJob) return bench;
    const preparing = { kind, asFound: phase === 'as-found', fastening };
    return preparedBench(bench, {
      isClean: wasSeenTo('clean', preparing, leftOut),
      isEven: wasSeenTo('nuts', preparing, leftOut),
    });
  }, [
    practice,
    name,
    studs,
    nominal,
    fault,
    kind,
    circle,
    radiusUm,
    isPracticeJob,
    phase,
    fastening,
    leftOut,
  ]);
}
