import type { Staged } from '@/server/records/backup';
import { ask, type Asked } from '@/ui/ask';

const COPIES = '/api/v1/copies';

/** Makes a copy now, beside those of the nights; answers with its name. */
export const makeCopy = (): Promise<Asked<string>> => ask(COPIES, { method: 'POST' });

/** Takes a copy away that was made by hand. */
export const removeCopy = (name: string): Promise<Asked<string>> =>
  ask(`${COPIES}/${name}`, { method: 'DELETE' });

/** Looks whether a kept copy is whole. */
export const stageCopy = (name: string): Promise<Asked<Staged>> =>
  ask(`${COPIES}/${name}`, { method: 'POST' });

/** Sends a file to be looked through. */
export const sendCopy = (file: File): Promise<Asked<Staged>> =>
  ask('/api/v1/backup', { method: 'POST', body: file });

/** Puts a copy that was found whole in the place of the records. */
export const restoreCopy = (id: string, evenForeign: boolean): Promise<Asked<string>> =>
  ask(`/api/v1/staged/${id}`, { method: 'POST', body: { evenForeign } });

/** Leaves a copy that was looked through. */
export const leaveCopy = (id: string): Promise<Asked<null>> =>
  ask(`/api/v1/staged/${id}`, { method: 'DELETE' });
