'use client';

import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import type { AdviceWords, CornerAssessment, CornerRecord } from '@/core/assessment';
import { Nose } from '@/ui/shell';
import type { BenchCorner } from './model';
import type { SetResult } from './result';
import type { Judging } from './useJudging';

// Without something to show meanwhile the whole page would wait for the file.
const CornerQuality = dynamic(
  () => import('./CornerQuality').then((module) => module.CornerQuality),
  { loading: () => null },
);

interface BenchNoseProps {
  readonly judging: Judging | null;
  readonly corner: BenchCorner;
  readonly result: SetResult | null;
  /** The corner as it is judged; null while a set is read. */
  readonly judged: {
    readonly record: CornerRecord;
    readonly assessment: CornerAssessment;
  } | null;
  readonly words: AdviceWords | null;
  readonly lead: ReactNode;
  readonly scent: ReactNode;
}

/** What the set, the corner and the whole job say, beside the bench. */
export const BenchNose = ({
  judging,
  corner,
  result,
  judged,
  words,
  lead,
  scent,
}: BenchNoseProps) => (
  <Nose>
    {lead}
    {judging && result ? (
      <judging.SetFindings result={result} corner={corner} />
    ) : (
      <p className="zh-muted">Nothing to sniff at yet: read the first lap.</p>
    )}
    {judged && judged.record.sets.length > 0 && <CornerQuality {...judged} corner={corner} />}
    {words && (
      <div className="border-top pt-2">
        <h3>This corner so far</h3>
        <strong>{words.todo}</strong>
        <p className="mb-0">{words.why}</p>
      </div>
    )}
    <div className="border-top pt-2 mt-2">
      <h3>The whole job</h3>
      {scent}
    </div>
  </Nose>
);
