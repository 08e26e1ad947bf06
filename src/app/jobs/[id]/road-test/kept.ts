import { formatDate } from '@/core/calendar';
import { roadTestSummarySchema } from '@/core/contracts';
import type { Job } from '@/core/job';
import type { KeptTest } from '@/features/road-test/KeptTests';

/** The road tests of a phase that are kept with a job and can still be read. */
export const keptTests = (job: Job, phase: 'before' | 'after'): KeptTest[] =>
  job.roadTests
    .filter((test) => test.phase === phase)
    .flatMap(({ id, takenAt, summary, rawBytes }) => {
      const parsed = roadTestSummarySchema.safeParse(summary);
      const taken = formatDate(takenAt, 'D MMMM YYYY, HH:mm');
      return parsed.success ? [{ id, taken, analysis: parsed.data, bytes: rawBytes }] : [];
    });
