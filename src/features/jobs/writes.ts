import type { ComplaintForm, JobForm } from '@/core/contracts';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

const refresh = 'by-writer';

/** Opens a job; answers with its id. */
export const writeJob = (form: JobForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'job',
    input: form,
    place: `job ${form.id ?? 'new'}`,
    jobId: null,
    about: `a new job: “${form.complaint.slice(0, 60)}”`,
    refresh,
  });

export const complaintPlace = (jobId: string): string => `complaint ${jobId}`;

/** Changes complaint and corners of a job. */
export const writeComplaint = (jobId: string, form: ComplaintForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'complaint',
    input: { jobId, form },
    place: complaintPlace(jobId),
    jobId,
    replaces: { room: 'job', as: 'typed' },
    about: 'the complaint',
    refresh,
  });
