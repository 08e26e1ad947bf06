import type { KeptWrite, SendWrites, WriteAnswer } from './types';

/** Begins the id of a practice case, which stands where a job’s id does. */
const PRACTICE = 'practice ';
const KEY = 'zesty-hound-';
const CHANGED = 'zh-practice';

/** A write of practice, as far as it is kept. */
export interface PracticeWrite {
  readonly id: string;
  readonly name: string;
  readonly input: unknown;
}

/** The id under which the writes of a case go, each time it is worked. */
export const practiceId = (code: string, time: number): string => `${PRACTICE}${code} ${time}`;

/** Which time a case is worked on this device, from 1. */
export function practiceTime(code: string): number {
  let time = 1;
  while (localStorage.getItem(KEY + practiceId(code, time + 1)) !== null) time += 1;
  return time;
}

const isPractice = ({ jobId }: Pick<KeptWrite, 'jobId'>): boolean =>
  jobId?.startsWith(PRACTICE) ?? false;

const practiceTextAt = (key: string): string => localStorage.getItem(key) ?? '[]';

/** What a case holds, as it stands in the browser’s storage; `[]` where nothing was written. */
export const practiceText = (id: string): string => practiceTextAt(KEY + id);

/** The texts of all cases of this device, as JSON. */
export const allPractice = (): string =>
  JSON.stringify(
    Object.keys(localStorage)
      .filter((key) => key.startsWith(KEY + PRACTICE))
      .sort()
      .map(practiceTextAt),
  );

/** What another program left under the name is no JSON. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Takes in what is stored; something else than a list of writes is none. */
export function practiceWrites(text: string): readonly PracticeWrite[] {
  const held = parsed(text);
  if (!Array.isArray(held)) return [];
  return held.filter(
    (each: unknown): each is PracticeWrite =>
      typeof each === 'object' &&
      each !== null &&
      'id' in each &&
      'name' in each &&
      'input' in each,
  );
}

const store = (id: string, writes: readonly PracticeWrite[]): void => {
  localStorage.setItem(KEY + id, JSON.stringify(writes));
  window.dispatchEvent(new Event(CHANGED));
};

/** Begins a case anew; what came of it before stays beside it. */
export const practiceAgain = (code: string): void =>
  store(practiceId(code, practiceTime(code) + 1), []);

/** Is told when a case changes, in this tab or another. */
export function watchPractice(listener: () => void): () => void {
  window.addEventListener(CHANGED, listener);
  window.addEventListener('storage', listener);
  return () => {
    window.removeEventListener(CHANGED, listener);
    window.removeEventListener('storage', listener);
  };
}

function keepHere({ id, jobId, name, input }: KeptWrite): WriteAnswer {
  const own = jobId ?? PRACTICE;
  try {
    const writes = practiceWrites(practiceText(own));
    // One that is sent again is kept once.
    if (!writes.some((each) => each.id === id)) store(own, [...writes, { id, name, input }]);
    return { id, state: 'done', value: null };
  } catch {
    const message = 'This browser keeps nothing: practice needs its storage.';
    return { id, state: 'refused', message, fields: {}, code: 'no-storage' };
  }
}

/**
 * Sends what belongs to the shop, and keeps what belongs to practice on this device: it has a room
 * of its own and never reaches the shop’s record.
 */
export const apartFromPractice =
  (send: SendWrites): SendWrites =>
  async (device, writes) => {
    const kept = writes.filter(isPractice).map(keepHere);
    const own = writes.filter((write) => !isPractice(write));
    if (own.length === 0) return kept;
    if (kept.length === 0) return send(device, own);
    const answers = await send(device, own).catch(() =>
      // Without a server practice goes on; what belongs to the shop waits.
      own.map(({ id }) => ({ id, state: 'trouble' as const, message: 'The server is away.' })),
    );
    return [...kept, ...answers];
  };
