import { ask, type Asked } from '@/ui/ask';

/** Says who is at this screen, for a shift; an empty id says that nobody is. */
export const chooseWho = (id: string): Promise<Asked<null>> =>
  ask('/api/v1/who', { method: 'POST', body: { id } });
