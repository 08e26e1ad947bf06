import { statSync } from 'node:fs';
import { copyFile, receiveBackup, streamOf } from '@/server/records/backup';
import {
  answerResponse,
  behindGate,
  downloadStream,
  forRole,
  refusedResponse,
} from '@/server/web/http';

/** A kept copy by `?copy=`. A lead asks for it; one is made by POST, see `copies`. */
const send = (request: Request): Promise<Response> => {
  const asked = new URL(request.url).searchParams.get('copy') ?? '';
  const file = copyFile(asked);
  return Promise.resolve(
    file
      ? downloadStream(asked, streamOf(file, { asker: request.signal }), statSync(file).size)
      : refusedResponse('There is no such copy.', 404),
  );
};

export const GET = behindGate(forRole('lead', send));

/** Takes a backup and looks whether it is whole; nothing is replaced by this. */
const receive = async (request: Request): Promise<Response> => {
  const staged = await receiveBackup(request.body);
  return answerResponse(staged);
};

export const POST = behindGate(forRole('lead', receive));
