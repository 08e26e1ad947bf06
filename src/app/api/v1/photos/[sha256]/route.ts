import { pictureFile } from '@/server/strip/photos';
import { problemResponse } from '@/server/web/http';

interface Context {
  readonly params: Promise<{ sha256: string }>;
}

/** A picture by its hash, `?size=thumb` for its preview; what has a hash never changes. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const size = new URL(request.url).searchParams.get('size') === 'thumb' ? 'thumb' : 'picture';
  const file = await pictureFile((await params).sha256, size);
  if (!file) {
    return problemResponse({ code: 'not-found', message: 'No such photo.', path: '' }, 404);
  }
  return new Response(new Uint8Array(file.picture), {
    headers: {
      'Content-Type': file.mime,
      'Content-Disposition': 'inline',
      'Cache-Control': 'private, max-age=31536000, immutable',
    },
  });
}
