'use client';

import { useTransition } from 'react';
import type { RoadTestAnalysis } from '@/core/roadtest';
import type { SpeedUnit } from '@/core/units';
import { takeRoadTestBackAction } from './actions';
import { AnalysisView } from './AnalysisView';

export interface KeptTest {
  readonly id: string;
  readonly taken: string;
  readonly analysis: RoadTestAnalysis;
  /** Bytes of the recording that is kept, or null. */
  readonly bytes: number | null;
}

/** The road tests that are kept with a job, the latest open. */
export function KeptTests({
  jobId,
  tests,
  unit,
}: {
  readonly jobId: string;
  readonly tests: readonly KeptTest[];
  readonly unit: SpeedUnit;
}) {
  const [pending, start] = useTransition();
  return tests.toReversed().map(({ id, taken, analysis, bytes }, i) => (
    <details key={id} className="zh-card mb-3" open={i === 0}>
      <summary className="zh-fold">Recorded {taken}</summary>
      <AnalysisView analysis={analysis} unit={unit} />
      <div className="d-flex flex-wrap gap-2 mt-3">
        {bytes !== null && (
          <a className="btn btn-outline-secondary" href={`/api/v1/road-tests/${id}/recording`}>
            The recording ({(bytes / 1e6).toFixed(1)} MB)
          </a>
        )}
        <button
          type="button"
          className="btn btn-outline-secondary"
          disabled={pending}
          onClick={() => start(() => takeRoadTestBackAction(jobId, id))}
        >
          Take it back
        </button>
      </div>
    </details>
  ));
}
