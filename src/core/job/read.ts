import type { Outcome } from '../assessment';
import type { RecordedFinding } from '../diagnosis';
import type { JobReadiness } from '../procedure';
import type { Corner } from '../readings';
import { findingsOfJob } from './findings';
import { judgeCorner, type CornerJudgement } from './judge';
import { cornerOptions, type CornerOptions } from './options';
import { outcomeOf } from './proof';
import { readinessOf } from './readiness';
import { oncePer } from '../remember';
import { signOffOf, type SignOffView } from './signOff';
import { stagesOf, type Stage } from './stages';
import type { Job, Phase } from './types';

/** What a job amounts to: every judgement is found when it is first asked for, and once. */
export interface JobReading {
  readonly job: Job;
  /** A corner with all that the solvers say of it. Throws when the vehicle lacks the axle. */
  readonly corner: (corner: Corner, phase: Phase) => CornerJudgement;
  /** The options of a corner before its correction, side by side. */
  readonly options: (corner: Corner) => CornerOptions;
  /** How it stands as it goes together again, and so what must not be done with it. */
  readonly readiness: JobReadiness;
  /** The verdict on the work, or null while nothing was corrected or put right. */
  readonly outcome: Outcome | null;
  readonly findings: readonly RecordedFinding[];
  readonly stages: readonly Stage[];
  readonly signOff: SignOffView;
}

/** Reads a job; the same job is read once. */
export const readJob = oncePer((job: Job): JobReading => ({
  job,
  corner: (corner, phase) => judgeCorner(job, corner, phase),
  options: (corner) => cornerOptions(job, corner, judgeCorner(job, corner, 'before')),
  get readiness() {
    return readinessOf(job);
  },
  get outcome() {
    return outcomeOf(job);
  },
  get findings() {
    return findingsOfJob(job);
  },
  get stages() {
    return stagesOf(job);
  },
  get signOff() {
    return signOffOf(job);
  },
}));
