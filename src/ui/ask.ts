import { askPassword, saySignedOut, wantsPassword } from './access/sure';

/** What the server answered to something that is asked at once: done, or why not, by field. */
export type Asked<Value> =
  | { readonly ok: true; readonly value: Value }
  | {
      readonly ok: false;
      readonly message: string;
      readonly fields: Readonly<Record<string, string>>;
    };

interface Request {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Sent as JSON; a file is sent as it is. */
  readonly body?: unknown;
}

const NO_ANSWER = 'The server did not answer. Nothing was changed.';

/**
 * Asks the server for something that is looked at or done at once, and not kept for later on this
 * device: what can wait goes by the keeper.
 */
export async function ask<Value>(path: string, request: Request = {}): Promise<Asked<Value>> {
  const { answer, wants } = await askOnce<Value>(path, request);
  return wants && (await askPassword()) ? (await askOnce<Value>(path, request)).answer : answer;
}

/** One try, and whether it wants the password first. */
async function askOnce<Value>(
  path: string,
  { method = 'GET', body }: Request,
): Promise<{ readonly answer: Asked<Value>; readonly wants: boolean }> {
  const isFile = body instanceof Blob;
  const sent =
    body === undefined
      ? {}
      : isFile
        ? { body }
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } };
  try {
    const answer = await fetch(path, { method, ...sent });
    const read = (await answer.json()) as {
      readonly value: Value;
      readonly error?: { readonly message: string; readonly code?: string };
      readonly fields?: Readonly<Record<string, string>>;
    };
    if (answer.ok) return { answer: { ok: true, value: read.value }, wants: false };
    if (answer.status === 401) saySignedOut();
    const { message = NO_ANSWER, code } = read.error ?? {};
    return {
      answer: { ok: false, message, fields: read.fields ?? {} },
      wants: wantsPassword(code),
    };
  } catch {
    return { answer: { ok: false, message: NO_ANSWER, fields: {} }, wants: false };
  }
}
