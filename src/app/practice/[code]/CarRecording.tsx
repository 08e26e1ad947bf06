'use client';

import { useEffect, useEffectEvent, useMemo } from 'react';
import { driveOf, type FindCase } from '@/core/practice';
import { speedUnit, type UnitSystem } from '@/core/units';
import { AnalysisView } from '@/features/road-test/AnalysisView';
import { useRecording } from '@/features/road-test/useRecording';
import { DriveFile } from '@/features/practice';
import { Progress } from '@/ui/Progress';

/** The recording of a car’s drive, made by the virtual logger: read as any is, and there as a file. */
export function CarRecording({
  own,
  units,
}: {
  readonly own: FindCase;
  readonly units: UnitSystem;
}) {
  const { state, read } = useRecording();
  const drive = useMemo(() => driveOf(own), [own]);
  const file = useMemo(
    () => new File([drive.csv], `${own.code}.csv`, { type: 'text/csv' }),
    [drive, own],
  );
  const begin = useEffectEvent(() => read(file, { diameter: drive.diameter, speed: null }));
  useEffect(() => begin(), [file]);
  return (
    <section className="zh-card mt-3" aria-labelledby="practice-recording">
      <h2 id="practice-recording">The recording of the drive</h2>
      {state.kind === 'reading' && (
        <Progress name="Reading the recording" now={state.share} max={1} />
      )}
      {state.kind === 'refused' && (
        <p className="zh-error" role="alert">
          {state.problem.message}
        </p>
      )}
      {state.kind === 'done' && <AnalysisView analysis={state.analysis} unit={speedUnit(units)} />}
      <p className="mb-0 mt-2">
        <DriveFile file={file} />
      </p>
    </section>
  );
}
