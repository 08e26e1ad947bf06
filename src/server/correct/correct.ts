import 'server-only';
import { formatDate } from '../../core/calendar';
import type { Sent } from '../../core/contracts';
import type { Corner } from '../../core/readings';
import { WORKSHOP_DEFAULTS } from '../../core/verdict';
import { type Check, type CornerJudgement, findCheck, type Job, judgeCorner } from '../../core/job';

/** A step of a correction as it was written. */
export interface WrittenStep {
  readonly text: string;
  readonly um: number | null;
  readonly by: string | null;
  readonly at: string;
  readonly stamp: string;
}

function stepOf(row: Check | undefined): WrittenStep | null {
  if (!row) return null;
  const figure = typeof row.value === 'object' && 'um' in row.value ? row.value : null;
  const { by, at, stamp } = row;
  const text = figure === null ? '' : `${figure.text}`;
  return { text, um: figure?.um ?? null, by, at: formatDate(at, 'D MMM HH:mm'), stamp };
}

/** Everything that the Correct page shows of one corner. */
export interface CorrectView {
  readonly corner: Corner;
  readonly judgement: CornerJudgement;
  readonly step: (item: string) => WrittenStep | null;
  readonly sent: Sent | null;
  readonly scores: {
    readonly outboard: number;
    readonly inboard: number;
    readonly cleanUp: number;
  };
  /** Runout measured after the correction, in µm; null until it was. */
  readonly measuredRunout: number | null;
  readonly isSentOut: boolean;
}

/** A corner of a job that is to be corrected, or null where nothing was decided for it. */
export function correctView(job: Job, corner: Corner): CorrectView | null {
  if (!job.decisions.some((decision) => decision.corner === corner)) return null;
  const judgement = judgeCorner(job, corner, 'before');
  const after = judgeCorner(job, corner, 'after');
  const { cut } = judgement.record;
  return {
    corner,
    judgement,
    step: (item) => stepOf(findCheck(job, 'correct', corner, item)),
    sent: findCheck(job, 'correct', corner, 'sent')?.value ?? null,
    scores: {
      outboard: cut?.scoreOutboard ?? 0,
      inboard: cut?.scoreInboard ?? 0,
      cleanUp: cut?.cleanUp ?? WORKSHOP_DEFAULTS.cleanUp,
    },
    measuredRunout: after.assessment.runout?.verdict.value ?? null,
    isSentOut: job.shop.equipment.bench === 'sent-out',
  };
}
