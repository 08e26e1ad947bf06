import { readFile } from 'node:fs/promises';
import path from 'node:path';

const FOLDER = path.join(process.cwd(), 'docs', 'screenshots');

/** A picture of the guide by its name; no other file. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ picture: string }> },
): Promise<Response> {
  const { picture } = await params;
  if (!/^[a-z-]+\.png$/.test(picture)) return new Response(null, { status: 404 });
  try {
    const bytes = await readFile(path.join(FOLDER, picture));
    return new Response(new Uint8Array(bytes), {
      headers: { 'content-type': 'image/png', 'cache-control': 'private, max-age=3600' },
    });
  } catch {
    return new Response(null, { status: 404 });
  }
}
