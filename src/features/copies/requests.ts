import type { Staged } from '@/server/records/backup';
import { ask, type Asked } from '@/ui/ask';

const COPIES = '/api/v1/copies';

/** Makes a copy now, beside those of the nights; answers with what is to be said of it. */
export const makeCopy = (): Promise<Asked<string>> => ask(COPIES, { method: 'POST' });

/** How far a copy has come: what is done for it just now, and how much of that (0 to 1). */
export interface Progress {
  readonly says: string;
  readonly share: number;
}

/** How far the copy has come that is being made; null where none is. */
export const askProgress = (): Promise<Asked<Progress | null>> => ask(COPIES, { method: 'GET' });

/** Ends the making of a copy. */
export const cancelCopy = (): Promise<Asked<null>> => ask(COPIES, { method: 'DELETE' });

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

/** The name that the server gave a file it sent. */
const nameOf = (answer: Response): string =>
  /filename="([^"]+)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1] ??
  'zesty-hound-backup.tar.gz';

/** Makes a copy and saves it where the browser saves files; answers with its name. */
export async function takeCopy(): Promise<Asked<string>> {
  const refused = (message: string): Asked<never> => ({ ok: false, message, fields: {} });
  // Whoever may not, or is asked for the password first, is told before a file is made.
  const may = await askProgress();
  if (!may.ok) return may;
  try {
    const answer = await fetch('/api/v1/backup/now', { method: 'POST' });
    if (!answer.ok) {
      const { error } = (await answer.json()) as { readonly error?: { readonly message: string } };
      return refused(error?.message ?? 'The copy was not made.');
    }
    const address = URL.createObjectURL(await answer.blob());
    const link = document.createElement('a');
    Object.assign(link, { href: address, download: nameOf(answer) });
    link.click();
    URL.revokeObjectURL(address);
    return { ok: true, value: link.download };
  } catch {
    return refused('The server did not answer, or the copy did not arrive whole.');
  }
}
