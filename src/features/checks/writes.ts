import type { QuickCheckForm } from '@/core/contracts';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

/** Begins a quick check with its first set; answers with its id. */
export const writeCheck = (form: QuickCheckForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'check-begin',
    input: form,
    place: `check-begin ${form.id}`,
    jobId: form.id,
    about: `a quick check of ${form.corner}`,
    refresh: 'by-writer',
  });

/** Makes a job of a quick check by its plate. */
export const writePlate = (jobId: string, plate: string): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'check-plate',
    input: { jobId, plate },
    place: `check-plate ${jobId}`,
    jobId,
    about: `the plate ${plate} of a quick check`,
    refresh: 'by-writer',
  });
