import { advise, type Advice, type CornerAssessment, type CornerRecord } from '../assessment';
import { adviseByOptions, isCorrection, type Action, type Option } from '../options';
import type { Corner } from '../readings';
import { assessed } from './assessed';
import { oncePerPlace } from '../remember';
import { cornerOptions, type CornerOptions } from './options';
import { cornerRecord } from './record';
import type { Decision, Job, Phase } from './types';

/** One corner with all that the solvers say of it and what is on record. */
export interface CornerJudgement {
  readonly corner: Corner;
  readonly record: CornerRecord;
  readonly assessment: CornerAssessment;
  readonly advice: Advice;
  /** The action that the advice amounts to; null while it asks for more measuring. */
  readonly action: Action | null;
  readonly recorded: string | null;
  readonly decision: Decision | null;
}

/** The action that an advice amounts to, or null when it asks for more measuring. */
function actionOf(advice: Advice, recommended: Option | null): Action | null {
  // What was cured by moving or cleaning stays as it sits; on record it is what cured it.
  if (['within', 'kept', 'cleaned', 'proven'].includes(advice.kind)) return 'leave';
  const isTaken = isCorrection(advice) || ['plate', 'leave', 'clean'].includes(advice.kind);
  return isTaken ? (recommended?.action ?? null) : null;
}

/** Judges a corner by options that were compared already. */
export function judgeByOptions(
  job: Job,
  corner: Corner,
  phase: Phase,
  compared?: CornerOptions,
): CornerJudgement {
  const record = compared?.input.record ?? cornerRecord(job, corner, phase);
  const assessment = compared?.input.assessment ?? assessed(record);
  const first = advise(record, assessment);
  const options =
    compared ?? (isCorrection(first) ? cornerOptions(job, corner, { record, assessment }) : null);
  const recommended = options?.ranking.recommended ?? null;
  const advice = adviseByOptions(record, assessment, recommended);
  const decision = job.decisions.find((each) => each.corner === corner) ?? null;
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

/** Judges a corner of a job from its sets of one phase. */
export const judgeCorner = oncePerPlace<Job, [Corner, Phase], CornerJudgement>(
  (job, corner, phase) => judgeByOptions(job, corner, phase),
);

/**
 * The readings that say how a corner's runout was at first: as found where cleaning the seat came
 * between, else those before the correction.
 */
export const asFirstRead = (job: Job, corner: Corner): CornerJudgement => {
  const before = judgeCorner(job, corner, 'before');
  return before.record.foundBeyond === undefined ? before : judgeCorner(job, corner, 'as-found');
};
