import {
  advise,
  assessCorner,
  type Advice,
  type CornerAssessment,
  type CornerRecord,
} from '../core/assessment';
import { adviseByOptions, isCorrection, type Action, type Option } from '../core/options';
import type { Corner } from '../core/readings';
import type { DecisionRow, JobFile } from '../db/repositories';
import { cornerOptions, type CornerOptions } from './options';
import { cornerRecord, type Phase } from './record';

/** One corner with all that the solvers say of it and what is on record. */
export interface CornerJudgement {
  readonly corner: Corner;
  readonly record: CornerRecord;
  readonly assessment: CornerAssessment;
  readonly advice: Advice;
  /** The action that the advice amounts to; null while it asks for more measuring. */
  readonly action: Action | null;
  readonly recorded: string | null;
  readonly decision: DecisionRow | null;
}

/** The action that an advice amounts to, or null when it asks for more measuring. */
function actionOf(advice: Advice, recommended: Option | null): Action | null {
  if (advice.kind === 'within') return 'leave';
  const isTaken = isCorrection(advice) || ['plate', 'leave', 'clean'].includes(advice.kind);
  return isTaken ? (recommended?.action ?? null) : null;
}

/** Judges a corner of a job from its sets of one phase; its options where they were compared. */
export function judgeCorner(
  file: JobFile,
  corner: Corner,
  phase: Phase,
  compared?: CornerOptions,
): CornerJudgement {
  const record = compared?.input.record ?? cornerRecord(file, corner, phase);
  const assessment = compared?.input.assessment ?? assessCorner(record);
  const first = advise(record, assessment);
  const options =
    compared ?? (isCorrection(first) ? cornerOptions(file, corner, { record, assessment }) : null);
  const recommended = options?.ranking.recommended ?? null;
  const advice = adviseByOptions(record, assessment, recommended);
  const decision = file.decisions.find((each) => each.corner === corner) ?? null;
  return {
    corner,
    record,
    assessment,
    advice,
    action: actionOf(advice, recommended),
    recorded: decision?.words ?? null,
    decision,
  };
}
