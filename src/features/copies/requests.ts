import type { MadeByHand, Staged } from '@/server/records/backup';
import { ask, type Asked } from '@/ui/ask';

const COPIES = '/api/v1/copies';

/** How far a copy has come: what is done for it just now, and how much of that (0 to 1). */
export interface Progress {
  readonly says: string;
  readonly share: number;
}

/** How the making of copies stands: the one that is being made, and what became of the last. */
interface Stands {
  readonly underWay: Progress | null;
  readonly last: { readonly ok: true; readonly value: MadeByHand } | Refused | null;
}
type Refused = Extract<Asked<unknown>, { readonly ok: false }>;

const askStands = (): Promise<Asked<Stands>> => ask(COPIES, { method: 'GET' });

/** How far the copy has come that is being made; null where none is. */
export async function askProgress(): Promise<Asked<Progress | null>> {
  const stands = await askStands();
  return stands.ok ? { ok: true, value: stands.value.underWay } : stands;
}

const NOT_MADE: Refused = { ok: false, message: 'The copy was not made.', fields: {} };
const ASK_EVERY_MS = 500;

/** Makes a copy now, beside those of the nights, however long it takes. */
export async function makeCopy(): Promise<Asked<MadeByHand>> {
  const begun = await ask<MadeByHand | null>(COPIES, { method: 'POST' });
  if (!begun.ok) return begun;
  if (begun.value !== null) return { ok: true, value: begun.value };
  for (;;) {
    await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
    const stands = await askStands();
    if (!stands.ok) return stands;
    if (stands.value.underWay === null) return stands.value.last ?? NOT_MADE;
  }
}

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

/** Makes a copy, saves it where the browser saves files, and leaves none behind; answers with its name. */
export async function takeCopy(): Promise<Asked<string>> {
  const made = await makeCopy();
  if (!made.ok) return made;
  const { name } = made.value;
  try {
    const answer = await fetch(`/api/v1/backup?copy=${name}`);
    if (!answer.ok) return NOT_MADE;
    const address = URL.createObjectURL(await answer.blob());
    const link = document.createElement('a');
    Object.assign(link, { href: address, download: `zesty-hound-${name}` });
    link.click();
    URL.revokeObjectURL(address);
    await removeCopy(name);
    return { ok: true, value: link.download };
  } catch {
    return { ...NOT_MADE, message: `${name} is kept, and did not arrive here whole.` };
  }
}
