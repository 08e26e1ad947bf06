import type { Problem } from '../../core/contracts';
import type { Decimal } from '../../core/exchange';
import { originAndHosts, STRICT_HEADERS, turnedAway } from './gate';

/** Largest JSON body taken, in bytes. */
const LARGEST_BODY = 5_000_000;

export type Body =
  { readonly ok: true; readonly json: unknown } | { readonly ok: false; readonly problem: Problem };

const refused = (code: string, message: string): Body => ({
  ok: false,
  problem: { code, message, path: '' },
});

/** Reads a request's JSON body; what cannot be read is refused in words. */
export async function readJson(request: Request, largest = LARGEST_BODY): Promise<Body> {
  const announced = Number(request.headers.get('content-length') ?? 0);
  if (announced > largest)
    return refused('too-large', `The document is larger than ${Math.round(largest / 1e6)} MB.`);
  let text: string;
  try {
    text = await request.text();
  } catch {
    return refused('unreadable', 'The document could not be read.');
  }
  if (text.length > largest)
    return refused('too-large', `The document is larger than ${Math.round(largest / 1e6)} MB.`);
  try {
    return { ok: true, json: JSON.parse(text) as unknown };
  } catch {
    return refused('invalid-json', 'This is not JSON. Send one JSON document.');
  }
}

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
    return response;
  };

/** A refusal in words. */
export const refusedResponse = (message: string, status = 400): Response =>
  problemResponse({ code: 'refused', message, path: '' }, status);

/** How a request wants the figures of a table: `?decimal=comma`, else with a point. */
export const decimalAsked = (request: Request): Decimal =>
  new URL(request.url).searchParams.get('decimal') === 'comma' ? 'comma' : 'point';
