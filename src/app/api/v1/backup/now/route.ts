import { formatDate } from '@/core/calendar';
import { backupToSend, isFromTheFolder } from '@/server/records/backup';
import { downloadStream, forRole, refusedResponse } from '@/server/web/http';

const make = async ({ signal }: Request): Promise<Response> => {
  const made = await backupToSend(signal);
  if (!made.ok) return refusedResponse(made.message, 409);
  const name = `zesty-hound-backup-${formatDate(new Date(), 'YYYY-MM-DD')}.tar.gz`;
  return downloadStream(name, made.value.body, made.value.bytes);
};
const forNobody = forRole('lead', () =>
  Promise.resolve(refusedResponse('A copy is made on the page of copies.', 403)),
);

/**
 * Makes a backup of everything as it is now and sends it, one at a time: for the command on this machine that can read
 * the data folder. A lead has one made by `copies`, which says how far it is.
 */
export const POST = (request: Request): Promise<Response> =>
  isFromTheFolder(request.headers.get('authorization')) ? make(request) : forNobody(request);
