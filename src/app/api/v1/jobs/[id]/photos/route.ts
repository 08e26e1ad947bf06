import { problemResponse } from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';
import { keepPhoto } from '@/server/strip/photos';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** Largest body taken, in bytes: a picture and its preview, made small by the browser. */
const LARGEST = 6_000_000;

const refused = (message: string, status = 400): Response =>
  problemResponse({ code: 'refused', message, path: '' }, status);

const bytesOf = async (part: FormDataEntryValue | null): Promise<Uint8Array> =>
  part instanceof Blob ? new Uint8Array(await part.arrayBuffer()) : new Uint8Array();

const textOf = (part: FormDataEntryValue | null): string | null =>
  typeof part === 'string' ? part : null;

/** Keeps a photo: form fields corner, partId (may be left out), caption, picture and thumb. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  if (Number(request.headers.get('content-length') ?? Infinity) > LARGEST) {
    return refused('The picture is too large even after it was made smaller.', 413);
  }
  let form: FormData;
  try {
    form = await request.formData();
  } catch {
    return refused('The photo could not be read. Send it as a form.');
  }
  const input = {
    jobId: (await params).id,
    corner: textOf(form.get('corner')),
    partId: textOf(form.get('partId')),
    caption: textOf(form.get('caption')) ?? '',
  };
  const by = (await whoIsHere())?.name ?? null;
  const [picture, thumb] = [await bytesOf(form.get('picture')), await bytesOf(form.get('thumb'))];
  const kept = await keepPhoto(input, picture, thumb, by);
  return kept.ok ? Response.json({ photo: kept.value }) : refused(kept.message);
}
