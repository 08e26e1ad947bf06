import { keepWrite, type KeptAnswer } from './keepWrite';

/** An answer to a question of the nose as a screen writes it; a null value takes it back. */
export interface FindingInput {
  readonly jobId: string;
  readonly code: string;
  readonly corner: string | null;
  readonly value: string | null;
  readonly was?: string | undefined;
}

/** Records an answer or takes it back; every stage of the job follows. */
export const keepFinding = (finding: FindingInput): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'finding',
    input: finding,
    place: `finding ${finding.jobId} ${finding.code} ${finding.corner ?? ''}`,
    jobId: finding.jobId,
    replaces: { room: 'job', as: 'shown' },
    about: `the answer to ${finding.code.replace(/-/g, ' ')}`,
  });
