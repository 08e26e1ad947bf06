import 'server-only';
import { format } from 'date-fns';
import { readSent, type Sent } from '../core/contracts';
import { readFigure } from '../core/procedure';
import type { Corner } from '../core/readings';
import { WORKSHOP_DEFAULTS } from '../core/verdict';
import type { CheckRow, JobFile } from '../db/repositories';
import { judgeCorner, type CornerJudgement } from './judge';
import { findCheck } from './procedure';
import { shopOfJob } from './record';

/** A step of a correction as it was written. */
export interface WrittenStep {
  readonly text: string;
  readonly um: number | null;
  readonly by: string | null;
  readonly at: string;
  readonly stamp: string;
}

function stepOf(row: CheckRow | undefined): WrittenStep | null {
  if (!row) return null;
  const figure = readFigure(row.value);
  const { by, at, stamp } = row;
  const text = figure === null ? '' : `${figure.text}`;
  return { text, um: figure?.um ?? null, by, at: format(at, 'd MMM HH:mm'), stamp };
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
export function correctView(file: JobFile, corner: Corner): CorrectView | null {
  if (!file.decisions.some((decision) => decision.corner === corner)) return null;
  const judgement = judgeCorner(file, corner, 'before');
  const after = judgeCorner(file, corner, 'after');
  const { cut } = judgement.record;
  return {
    corner,
    judgement,
    step: (item) => stepOf(findCheck(file, 'correct', corner, item)),
    sent: readSent(findCheck(file, 'correct', corner, 'sent')?.value),
    scores: {
      outboard: cut?.scoreOutboard ?? 0,
      inboard: cut?.scoreInboard ?? 0,
      cleanUp: cut?.cleanUp ?? WORKSHOP_DEFAULTS.cleanUp,
    },
    measuredRunout: after.assessment.runout?.verdict.value ?? null,
    isSentOut: shopOfJob(file).equipment.bench === 'sent-out',
  };
}
