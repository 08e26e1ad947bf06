import {
  importArchive,
  LARGEST_ARCHIVE,
  makeArchive,
  planImport,
  readArchive,
  refuseWhole,
  type Scope,
} from '@/server/records/archive';
import {
  behindGate,
  forRole,
  problemResponse,
  readUpTo,
  refusedResponse as refused,
} from '@/server/web/http';
import { whoIsHere } from '@/server/web/who';

function scopeOf(url: URL): Scope {
  const job = url.searchParams.get('job');
  const vehicle = url.searchParams.get('vehicle');
  if (job !== null) return { kind: 'job', id: job };
  return vehicle === null ? { kind: 'all' } : { kind: 'vehicle', id: vehicle };
}

/** An archive of everything, of `?vehicle=` or of `?job=`. */
export const GET = behindGate(async (request) => {
  const scope = scopeOf(new URL(request.url));
  const why = scope.kind === 'all' ? await refuseWhole() : null;
  if (why) return refused(why, 413);
  const archive = await makeArchive(scope);
  if (!archive) {
    return problemResponse(
      { code: 'not-found', message: 'There is no such record.', path: '' },
      404,
    );
  }
  const day = archive.made.slice(0, 10);
  return Response.json(archive, {
    headers: {
      'Content-Disposition': `attachment; filename="zesty-hound-${scope.kind}-${day}.json"`,
    },
  });
});

/** Brings an archive in; with `?dry=1` only says what it would bring. */
const bringIn = async (request: Request): Promise<Response> => {
  const bytes = await readUpTo(request, LARGEST_ARCHIVE);
  if (bytes === 'too-large') return refused('The file is larger than 400 MB.', 413);
  const read = readArchive(bytes);
  if (!read.ok) return refused(read.message);
  const isDry = new URL(request.url).searchParams.get('dry') === '1';
  const done = await (isDry
    ? planImport(read.value)
    : importArchive(read.value, await whoIsHere()));
  return done.ok ? Response.json(done.value) : refused(done.message, 409);
};

export const POST = behindGate(forRole('lead', bringIn));
