import { format } from 'date-fns';
import { statSync } from 'node:fs';
import { backupToSend, copyFile, receiveBackup, streamOf } from '@/server/records/backup';
import { behindGate, forRole, refusedResponse } from '@/server/web/http';

const download = (name: string, body: ReadableStream, bytes: number): Response =>
  new Response(body, {
    headers: {
      'Content-Type': 'application/gzip',
      'Content-Length': String(bytes),
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  });

/** A backup of everything as it is now, or a kept copy by `?copy=`. A lead asks for it. */
const send = async (request: Request): Promise<Response> => {
  const asked = new URL(request.url).searchParams.get('copy');
  if (asked !== null) {
    const file = copyFile(asked);
    return file
      ? download(asked, streamOf(file), statSync(file).size)
      : refusedResponse('There is no such copy.', 404);
  }
  const made = await backupToSend();
  if (!made.ok) return refusedResponse(made.message, 409);
  const name = `zesty-hound-backup-${format(new Date(), 'yyyy-MM-dd')}.tar.gz`;
  return download(name, made.value.body, made.value.bytes);
};

export const GET = behindGate(forRole('lead', send));

/** Takes a backup and looks whether it is whole; nothing is replaced by this. */
const receive = async (request: Request): Promise<Response> => {
  const staged = await receiveBackup(request.body);
  return staged.ok ? Response.json(staged.value) : refusedResponse(staged.message);
};

export const POST = behindGate(forRole('lead', receive));
