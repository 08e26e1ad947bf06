import 'server-only';
import {
  advise,
  assessCorner,
  type Advice,
  type CornerAssessment,
  type CornerRecord,
} from '../core/assessment';
import type { Correction } from '../core/contracts';
import type { Corner } from '../core/readings';
import type { JobFile } from '../db/repositories';
import { correctionOf } from './jobs';
import { cornerRecord, type Phase } from './record';

/** One corner with all that the solvers say of it and what is on record. */
export interface CornerJudgement {
  readonly corner: Corner;
  readonly record: CornerRecord;
  readonly assessment: CornerAssessment;
  readonly advice: Advice;
  readonly correction: Correction | null;
  readonly recorded: string | null;
}

/** Judges a corner of a job from its sets of one phase. */
export function judgeCorner(file: JobFile, corner: Corner, phase: Phase): CornerJudgement {
  const record = cornerRecord(file, corner, phase);
  const assessment = assessCorner(record);
  const advice = advise(record, assessment);
  return {
    corner,
    record,
    assessment,
    advice,
    correction: correctionOf(advice),
    recorded: file.decisions.find((each) => each.corner === corner)?.words ?? null,
  };
}
