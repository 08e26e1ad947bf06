import { format } from 'date-fns';
import { roadTestSummarySchema } from '@/core/contracts';
import type { JobFile } from '@/db/repositories';
import type { KeptTest } from '@/features/road-test/KeptTests';

/** The road tests of a phase that are kept with a job and can still be read. */
export const keptTests = (file: JobFile, phase: 'before' | 'after'): KeptTest[] =>
  file.roadTests
    .filter((test) => test.phase === phase)
    .flatMap(({ id, takenAt, summary, rawBytes }) => {
      const parsed = roadTestSummarySchema.safeParse(summary);
      const taken = format(takenAt, 'd MMMM yyyy, HH:mm');
      return parsed.success ? [{ id, taken, analysis: parsed.data, bytes: rawBytes }] : [];
    });
