import { accept } from '@/server/answer';
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
  answerResponse,
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

/** Sends an archive of a scope as a file. */
async function sendArchive(scope: Scope): Promise<Response> {
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
}

/** Everything leaves the shop by a lead; with `?may=1` only says whether it may. */
const sendAll = forRole('lead', (request) =>
  new URL(request.url).searchParams.get('may') === '1'
    ? Promise.resolve(answerResponse(accept(null)))
    : sendArchive({ kind: 'all' }),
);

/** An archive of everything, which a lead takes, of `?vehicle=` or of `?job=`. */
export const GET = behindGate((request) => {
  const scope = scopeOf(new URL(request.url));
  return scope.kind === 'all' ? sendAll(request) : sendArchive(scope);
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
