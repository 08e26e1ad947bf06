import type { FindingForm } from '@/core/contracts';
import { keepFinding, keepWrite, type KeptAnswer } from '@/ui/keeper';

const refresh = 'by-writer';

/** Records an answer or takes it back; every stage of the job follows. */
export const writeFinding = (finding: FindingForm): Promise<KeptAnswer<string>> =>
  keepFinding(finding);

/** Sets a finding aside or weighs it again. */
export const writeAside = (form: {
  readonly jobId: string;
  readonly code: string;
  readonly isAside: boolean;
}): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'finding-aside',
    input: form,
    place: `finding-aside ${form.jobId} ${form.code}`,
    jobId: form.jobId,
    about: `${form.code.replace(/-/g, ' ')} ${form.isAside ? 'set aside' : 'weighed again'}`,
    refresh,
  });
