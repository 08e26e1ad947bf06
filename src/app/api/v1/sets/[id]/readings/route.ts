import { problemResponse, readJson } from '@/server/web/http';
import { saveReadings, setFile } from '@/server/measure/sets';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** The readings of a set as they are on file. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  const set = await setFile(id);
  if (!set) {
    return problemResponse({ code: 'gone', message: 'This set is not on file.', path: '' }, 404);
  }
  return Response.json({ laps: set.laps, readings: set.readings });
}

/** Writes readings as typed; answers when they are on disk. */
export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  const body = await readJson(request);
  if (!body.ok) return problemResponse(body.problem);
  const saved = await saveReadings(id, body.json);
  if (saved.ok) return Response.json({ saved: saved.value });
  const path = Object.keys(saved.fields)[0] ?? '';
  return problemResponse({ code: 'refused', message: saved.message, path });
}
