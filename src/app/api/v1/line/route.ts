import { startLine } from '@/server/records/startLine';

/** Where one line leads: a plate, a name, a number, a few words. */
export async function GET(request: Request): Promise<Response> {
  const text = new URL(request.url).searchParams.get('q') ?? '';
  return Response.json(await startLine(text));
}
