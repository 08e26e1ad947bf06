import { sayValue } from './conflict';
import { keepWrite, type KeptAnswer } from './keepWrite';
import type { DoneWrite, WriteOrder } from './types';

/** One item of the procedure of a job. */
export interface CheckKey {
  readonly jobId: string;
  readonly kind: string;
  readonly place: string;
  readonly item: string;
}

/** A check as a screen writes it; `seen` is the stamp that it has in front of it. */
export interface CheckInput extends CheckKey {
  readonly value: unknown;
  readonly note: string | null;
  readonly seen: string | null;
}

/** The place of a check among everything that can be written. */
export const checkPlace = ({ jobId, kind, place, item }: CheckKey): string =>
  `check ${jobId} ${kind} ${place} ${item}`;

/** What a check is called in the list of what is not on the server yet. */
const aboutCheck = ({ kind, place, item, value }: CheckInput): string =>
  `${place ? `${place}, ` : ''}${kind}: ${item.replace(/-/g, ' ')}, ${value === null ? 'taken back' : sayValue(value)}`;

/** The stamp that a check which was written has now; null where it was taken back. */
export const stampOf = ({ answer }: DoneWrite): string | null =>
  (answer as { readonly stamp: string | null }).stamp;

/** Writes one check of a job, or takes it back with a null value; answers with its new stamp. */
export async function keepCheck(
  input: CheckInput,
  refresh?: WriteOrder['refresh'],
): Promise<KeptAnswer<string | null>> {
  const answer = await keepWrite<{ readonly stamp: string | null }>({
    name: 'check',
    input,
    place: checkPlace(input),
    jobId: input.jobId,
    about: aboutCheck(input),
    ...(refresh ? { refresh } : {}),
  });
  return answer.ok ? { ok: true, value: answer.value.stamp } : answer;
}
