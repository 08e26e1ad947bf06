'use client';

import { startTransition, useEffect, useRef, useState } from 'react';
import type { RoadTestAnalysis } from '@/core/roadtest';
import type { RecordingProblem } from '@/workers/protocol';
import { startRoadTest, warmUp, type RoadTestRun } from '@/workers/roadTestClient';
import { factorsOf, type Chosen, type ChosenUnits } from './model';

export type RecordingState =
  | { readonly kind: 'none' }
  | { readonly kind: 'reading'; readonly file: File; readonly share: number }
  | {
      readonly kind: 'refused';
      readonly file: File;
      readonly problem: RecordingProblem;
      readonly header: readonly string[];
    }
  | {
      readonly kind: 'done';
      readonly file: File;
      readonly analysis: RoadTestAnalysis;
      /** Milliseconds from the file to the answer. */
      readonly took: number;
    };

export interface RecordingHow {
  readonly diameter: number;
  readonly speed: number | null;
  readonly map?: Chosen;
  readonly units?: ChosenUnits;
}

/** A recording on its way through the workers; leaving the page ends it. */
export function useRecording(): {
  state: RecordingState;
  read: (file: File, how: RecordingHow) => void;
  cancel: () => void;
} {
  const [state, setState] = useState<RecordingState>({ kind: 'none' });
  const run = useRef<RoadTestRun | null>(null);
  useEffect(() => {
    warmUp();
    return () => run.current?.cancel();
  }, []);

  const read = (file: File, { diameter, speed, map = {}, units = {} }: RecordingHow): void => {
    run.current?.cancel();
    setState({ kind: 'reading', file, share: 0 });
    const options = { map, units: factorsOf(units), diameter, speed };
    const own = startRoadTest(file, options, (share) =>
      setState((now) => (now.kind === 'reading' && now.file === file ? { ...now, share } : now)),
    );
    run.current = own;
    const begun = performance.now();
    void own.outcome.then((outcome) => {
      // A late answer of a run that was replaced is dropped.
      if (run.current !== own) return;
      if (outcome.kind === 'cancelled') setState({ kind: 'none' });
      else if (outcome.kind === 'refused') setState({ ...outcome, file });
      else {
        const took = performance.now() - begun;
        startTransition(() => setState({ ...outcome, file, took }));
      }
    });
  };

  return { state, read, cancel: () => run.current?.cancel() };
}
