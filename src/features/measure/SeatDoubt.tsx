'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { saySeat, type CornerAssessment, type CornerRecord } from '@/core/assessment';
import type { BenchCorner, BenchSet } from './model';
import { measuredOf } from './result';
import { writeDetails } from './writes';

interface SeatDoubtProps {
  readonly corner: BenchCorner;
  readonly sets: readonly BenchSet[];
  readonly judged: {
    readonly record: CornerRecord;
    readonly assessment: CornerAssessment;
  };
  readonly onChange: (set: BenchSet) => void;
}

/** Asks where the rotor sits whose readings say otherwise than what was said of it. */
export function SeatDoubt({ corner, sets, judged, onChange }: SeatDoubtProps) {
  const doubt = judged.assessment.seatDoubt;
  const set = doubt && measuredOf(sets)[doubt.set]?.set;
  const [problem, setProblem] = useState<string | null>(null);
  if (!doubt || !set) return null;
  const settle = async (change: { readonly shift?: number; readonly seatSaid?: true }) => {
    onChange({ ...set, ...change });
    const answer = await writeDetails(corner.jobId, { setId: set.id, ...change });
    if (answer.ok || answer.isDropped) return;
    onChange(set);
    setProblem(answer.message);
  };
  const say = (shift: number): string => saySeat(corner, shift);
  return (
    <section className="zh-card zh-doubt" role="group" aria-label="Where the rotor sits">
      <p className="mb-2">
        <strong>Where does it sit?</strong> Said: {say(doubt.stated)}.{' '}
        {doubt.readsAs === null
          ? 'It reads like no seat that was read before: moved elsewhere, dirt under it, or drawn up unevenly.'
          : `It reads as it did ${say(doubt.readsAs)}.`}{' '}
        Look at the mark; it counts once that is settled.
      </p>
      <div className="d-flex flex-wrap gap-2">
        {doubt.readsAs !== null && (
          <Button
            variant="outline-secondary"
            onClick={() => void settle({ shift: doubt.readsAs ?? 0 })}
          >
            It sits {say(doubt.readsAs)}: correct it
          </Button>
        )}
        <Button variant="outline-secondary" onClick={() => void settle({ seatSaid: true })}>
          It sits {say(doubt.stated)}: it stays so
        </Button>
      </div>
      {problem !== null && (
        <p className="zh-error mt-2 mb-0" role="alert">
          {problem}
        </p>
      )}
    </section>
  );
}
