import { ASK_PASSWORD } from '../../core/access';
import type { Problem } from '../../core/contracts';
import type { Decimal } from '../../core/exchange';
import { refuseRole, type Role } from '../../core/job';
import type { Answer } from '../answer';
import { cameIn } from '../access/here';
import { isSignInAsked } from '../access/mode';
import { originAndHosts, STRICT_HEADERS, turnedAway } from './gate';
import { whoIsHere } from './who';

/** Largest JSON body taken, in bytes. */
const LARGEST_BODY = 5_000_000;

export type Body =
  | { readonly ok: true; readonly json: unknown }
  | { readonly ok: false; readonly problem: Problem };

const refused = (code: string, message: string): Body => ({
  ok: false,
  problem: { code, message, path: '' },
});

/** Reads a request's JSON body; what cannot be read is refused in words. */
export async function readJson(request: Request, largest = LARGEST_BODY): Promise<Body> {
  const announced = Number(request.headers.get('content-length') ?? 0);
  if (announced > largest)
    return refused('too-large', `The document is larger than ${Math.round(largest / 1e6)} MB.`);
  const read = await readUpTo(request, largest).catch(() => null);
  if (read === null) return refused('unreadable', 'The document could not be read.');
  if (read === 'too-large')
    return refused('too-large', `The document is larger than ${Math.round(largest / 1e6)} MB.`);
  let json: unknown;
  try {
    json = JSON.parse(new TextDecoder().decode(read));
  } catch {
    return refused('invalid-json', 'This is not JSON. Send one JSON document.');
  }
  return isKeepable(json)
    ? { ok: true, json }
    : refused('unreadable', 'The document holds a character that cannot be kept, or is too deep.');
}

/** Reads a body as it comes in, and no byte beyond the most: then it says that it is too large. */
export async function readUpTo(request: Request, most: number): Promise<Uint8Array | 'too-large'> {
  const parts: Uint8Array[] = [];
  let length = 0;
  const reader = request.body?.getReader();
  for (;;) {
    const part = await reader?.read();
    if (!part || part.done) break;
    length += part.value.length;
    if (length > most) {
      await reader?.cancel();
      return 'too-large';
    }
    parts.push(part.value);
  }
  return Buffer.concat(parts, length);
}

/** NUL, and a half of a character without its other half. */
const UNKEEPABLE = /[\0\p{Surrogate}]/u;
/** Nothing that is typed or read nests deeper. */
const DEEPEST = 40;

/** Whether every text of a document can be stored as it is: no NUL, no half of a character. */
export function isKeepable(value: unknown, depth = 0): boolean {
  if (typeof value === 'string') return !UNKEEPABLE.test(value);
  if (typeof value !== 'object' || value === null) return true;
  if (depth >= DEEPEST) return false;
  return Object.entries(value).every(
    ([key, each]) => isKeepable(key, depth + 1) && isKeepable(each, depth + 1),
  );
}

/** A handler for those who may do what a role is asked for, by the name chosen at the screen. */
export const forRole =
  <Rest extends unknown[]>(
    role: Role,
    handler: (request: Request, ...rest: Rest) => Promise<Response>,
  ) =>
  async (request: Request, ...rest: Rest): Promise<Response> => {
    const why = refuseRole(await whoIsHere(), role);
    if (why !== null) return refusedResponse(why, 403);
    if (role === 'lead' && (await isToBeSure())) return passwordResponse();
    return handler(request, ...rest);
  };

/** Whether a lead is to give the password once more before what is grave. */
const isToBeSure = async (): Promise<boolean> =>
  isSignInAsked() && (await cameIn())?.isSure !== true;

const passwordResponse = (): Response =>
  problemResponse({ code: 'password', message: ASK_PASSWORD, path: '' }, 403);

export const problemResponse = (problem: Problem, status = 400): Response =>
  Response.json({ error: problem }, { status });

/** A document to save under a name of ours, or why there is none. */
export const downloadResponse = (
  document: { readonly name: string; readonly text: string } | null,
  type: string,
  missing: string,
): Response =>
  document
    ? new Response(document.text, {
        headers: {
          'Content-Type': `${type}; charset=utf-8`,
          'Content-Disposition': `attachment; filename="${document.name}"`,
        },
      })
    : problemResponse({ code: 'not-found', message: missing, path: '' }, 404);

/** A file of ours that is sent as it is read. */
export const downloadStream = (name: string, body: ReadableStream, bytes: number): Response =>
  new Response(body, {
    headers: {
      'Content-Type': 'application/gzip',
      'Content-Length': String(bytes),
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  });

/** A handler that takes large files: the gate and the strict headers, which others have from the proxy. */
export const behindGate =
  <Rest extends unknown[]>(handler: (request: Request, ...rest: Rest) => Promise<Response>) =>
  async (request: Request, ...rest: Rest): Promise<Response> => {
    const why = turnedAway(...originAndHosts(request));
    const response = why
      ? problemResponse({ code: 'forbidden', message: why, path: '' }, 403)
      : await handler(request, ...rest);
    for (const [name, value] of Object.entries(STRICT_HEADERS)) response.headers.set(name, value);
    response.headers.set('content-security-policy', "default-src 'none'");
    if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
    return response;
  };

/** A refusal in words. */
export const refusedResponse = (message: string, status = 400): Response =>
  problemResponse({ code: 'refused', message, path: '' }, status);

/** What a use case answered: its value, or why not, by field. */
export const answerResponse = (answer: Answer<unknown>): Response =>
  answer.ok
    ? Response.json({ value: answer.value })
    : Response.json(
        {
          error: { code: answer.code, message: answer.message, path: '' },
          fields: answer.fields,
        },
        { status: answer.code === 'gone' ? 404 : 409 },
      );

/** How a request wants the figures of a table: `?decimal=comma`, else with a point. */
export const decimalAsked = (request: Request): Decimal =>
  new URL(request.url).searchParams.get('decimal') === 'comma' ? 'comma' : 'point';
