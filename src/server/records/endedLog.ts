import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { SET_ASIDE } from '../../db/connect/logDamage';
import { environment } from '../environment';

/** What every page says where the records were opened without the end of their log; null otherwise. */
export function sayEndedLog(): string | null {
  const { url, folder } = environment();
  const place = path.join(folder, SET_ASIDE);
  if (url || !fs.existsSync(place)) return null;
  const [newest] = fs.readdirSync(place).sort().reverse();
  if (newest === undefined) return null;
  const when = newest.replace(/^log-(.{10})T(..)-(..).*$/, '$1 $2:$3 UTC');
  return `When the records were opened on ${when} the end of their log could not be read: what was written last before that is missing. Look through the jobs of that day. The log is kept in ${SET_ASIDE}/${newest}; once it is taken away this is said no more.`;
}
