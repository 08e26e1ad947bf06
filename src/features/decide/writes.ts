import type { Action } from '@/core/options';
import type { Corner } from '@/core/readings';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

const refresh = 'by-writer';
const decisionPlace = (jobId: string, corner: Corner): string => `decision ${jobId} ${corner}`;

/** The use cases by which a corner is decided. */
export const DECISION_WRITES = ['decide', 'decide-pair', 'undecide'] as const;

/** One side of a pair. */
export interface SideChoice {
  readonly corner: Corner;
  readonly action: Action;
}

/** Records what is done about a corner. */
export const writeDecision = (
  jobId: string,
  { corner, action }: SideChoice,
): Promise<KeptAnswer<unknown>> =>
  keepWrite({
    name: 'decide',
    input: { jobId, corner, action },
    place: decisionPlace(jobId, corner),
    jobId,
    replaces: { room: 'job', as: 'shown' },
    about: `the decision for ${corner}`,
    refresh,
  });

/** Records what is done about both corners of an axle. */
export const writePair = (
  jobId: string,
  left: SideChoice,
  right: SideChoice,
): Promise<KeptAnswer<unknown>> =>
  keepWrite({
    name: 'decide-pair',
    input: { jobId, left, right },
    place: `${decisionPlace(jobId, left.corner)} ${right.corner}`,
    jobId,
    replaces: { room: 'job', as: 'shown' },
    about: `the decision for ${left.corner} and ${right.corner}`,
    refresh,
  });

/** Takes back what was recorded for a corner. */
export const takeDecisionBack = (jobId: string, corner: Corner): Promise<KeptAnswer<unknown>> =>
  keepWrite({
    name: 'undecide',
    input: { jobId, corner },
    place: decisionPlace(jobId, corner),
    jobId,
    replaces: { room: 'job', as: 'shown' },
    about: `the decision for ${corner}, taken back`,
    refresh,
  });
