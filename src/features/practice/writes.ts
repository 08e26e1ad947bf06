import { keepWrite, type KeptAnswer } from '@/ui/keeper';

const SHOP = { jobId: null, refresh: 'by-writer' } as const;

export interface TaskForm {
  readonly personId: string;
  readonly code: string;
  readonly note: string;
}

/** Sets a case for somebody. */
export function writeTask(form: TaskForm, name: string): Promise<KeptAnswer<null>> {
  const id = crypto.randomUUID();
  return keepWrite({
    ...SHOP,
    ...{ name: 'practice-task', input: { id, ...form }, place: `practice-task ${id}` },
    about: `practice: ${form.code} for ${name}`,
  });
}

/** Takes back a case that was set. */
export const takeTaskBack = (id: string): Promise<KeptAnswer<null>> =>
  keepWrite({
    ...SHOP,
    ...{ name: 'practice-task-back', input: { id }, place: `practice-task ${id}` },
    about: 'practice: a case that was set',
  });
