'use client';

import { FileLink } from '@/ui/Link';
import { Button } from 'react-bootstrap';
import type { RoadTestAnalysis } from '@/core/roadtest';
import type { SpeedUnit } from '@/core/units';
import { useSend } from '@/ui/field';
import { AnalysisView } from './AnalysisView';
import { takeRoadTestBack } from './writes';

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
  const { send, busy, trouble } = useSend(takeRoadTestBack);
  return tests.toReversed().map(({ id, taken, analysis, bytes }, i) => (
    <details key={id} className="zh-card mb-3" open={i === 0}>
      <summary className="zh-fold">Recorded {taken}</summary>
      <AnalysisView analysis={analysis} unit={unit} />
      <div className="d-flex flex-wrap gap-2 mt-3">
        {bytes !== null && (
          <FileLink variant="outline-secondary" href={`/api/v1/road-tests/${id}/recording`}>
            The recording ({(bytes / 1e6).toFixed(1)} MB)
          </FileLink>
        )}
        <Button
          type="button"
          variant="outline-secondary"
          disabled={busy}
          onClick={() => send([jobId, id])}
        >
          Take it back
        </Button>
        {trouble && (
          <p className="zh-error mb-0" role="alert">
            {trouble}
          </p>
        )}
      </div>
    </details>
  ));
}
