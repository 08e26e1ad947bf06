import type { RoadTestForm } from '@/core/contracts';
import type { RoadTestAnalysis } from '@/core/roadtest';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

const refresh = 'by-writer';

/** A road test as the page has it; the server parses it again. */
type RoadTest = Omit<RoadTestForm, 'summary'> & { readonly summary: RoadTestAnalysis };

/** Keeps a road test with its job; answers with its id. */
export const writeRoadTest = (test: RoadTest): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'road-test',
    input: test,
    place: `road-test ${test.jobId} ${crypto.randomUUID()}`,
    jobId: test.jobId,
    about: 'a road test',
    refresh,
  });

/** Takes a road test back. */
export const takeRoadTestBack = (jobId: string, id: string): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'road-test-back',
    input: { jobId, id },
    place: `road-test-back ${id}`,
    jobId,
    about: 'a road test taken back',
    refresh,
  });

/** Keeps tyre and final drive with the vehicle of a job. */
export const writeTyre = (
  jobId: string,
  tyre: string,
  finalDrive: string,
): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'tyre',
    input: { jobId, form: { tyre, finalDrive } },
    place: `tyre ${jobId}`,
    jobId,
    replaces: { room: 'vehicle', as: 'typed' },
    about: 'tyre and final drive',
    refresh,
  });

/** Records the order that a felt rate matches. */
export const writeFeltRate = (jobId: string, match: string): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'finding',
    input: { jobId, code: 'felt-order', corner: null, value: match },
    place: `finding ${jobId} felt-order `,
    jobId,
    replaces: { room: 'job', as: 'shown' },
    about: 'the rate that was felt',
    refresh,
  });
