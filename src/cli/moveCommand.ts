import fs from 'node:fs';
import path from 'node:path';
import { openDatabase, type DatabaseHandle } from '../db/client';
import { isEmptyShop, moveRecords } from '../db/moveRecords';
import { environment } from '../server/environment';

const USAGE = `Usage, with the program stopped:
npm run move -- postgres://…           moves everything from the data folder into an empty database of a PostgreSQL server
npm run move -- --back postgres://…    and from there into the data folder`;

/** Moves from one to the other; what was moved stays where it was. */
async function move(from: DatabaseHandle, to: DatabaseHandle): Promise<number> {
  if (!(await isEmptyShop(to.db))) {
    throw new Error('There is a shop already where it is to go: nothing was moved.');
  }
  let all = 0;
  await moveRecords(from.db, to.db, (_table, rows) => (all += rows));
  return all;
}

/** Puts the records of a folder that were moved beside it: nobody goes on with them by mistake. */
function putAside(folder: string): string {
  const stamp = new Date().toISOString().replace(/[:.]/g, '-');
  const kept = path.join('copies', `moved-${stamp}`);
  fs.mkdirSync(path.join(folder, kept), { recursive: true });
  for (const name of ['pg', 'version.json']) {
    fs.renameSync(path.join(folder, name), path.join(folder, kept, name));
  }
  return kept;
}

/**
 * Moves everything from the data folder into an empty database of a PostgreSQL server, or back; what was done, in
 * words. Throws, with words as well, where that cannot be: then nothing was moved.
 */
export async function moveByCommand(args: readonly string[]): Promise<string> {
  const isBack = args[0] === '--back';
  const url = args[isBack ? 1 : 0];
  if (!url || !/^postgres(ql)?:\/\//.test(url)) throw new Error(USAGE);
  const { folder } = environment();
  if (!isBack && !fs.existsSync(path.join(folder, 'pg'))) {
    throw new Error(`There are no records in ${folder}.`);
  }
  const server = await openDatabase({ url, folder });
  try {
    const records = await openDatabase({ folder });
    try {
      const all = isBack ? await move(server, records) : await move(records, server);
      if (isBack) return `${all} rows are in ${folder}. Start without DATABASE_URL.`;
      await records.close();
      const kept = putAside(folder);
      return `${all} rows are in the database, each compared. Start with DATABASE_URL and the same data folder (it has the seal and the certificate); what stood there is kept in ${kept}.`;
    } finally {
      await records.close().catch(() => undefined);
    }
  } finally {
    await server.close();
  }
}
