import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { exchangeRecords } from '../../../db/connect/intents';
import { accept, refuse, type Answer } from '../../answer';
import type { Who } from '../../../db/repositories';
import { ledger } from '../../../db/schema';
import { accessNow, carryAccess } from '../../access/carry';
import { database, exchangeDatabase } from '../../database';
import { environment } from '../../environment';
import { STAGED_OWN } from './check';
import { cancelCopy } from './make';
import { STAGED } from './staged';

const FOREIGN =
  'This copy is not under the seal of this shop: another shop made it, or it was made before there were seals. Say that it is to take the place of the records all the same.';

/** Takes down in the records that are in place now that they were restored, and by whom. */
async function sayRestored(isOwn: boolean, who: Who | null): Promise<void> {
  await (await database()).insert(ledger).values({
    ...{ what: 'copy', op: 'import', who: who?.name ?? null, role: who?.role ?? null },
    place: isOwn ? 'a copy of this shop, restored' : 'a copy of other records, restored',
  });
}

/**
 * Puts a backup that was staged in the place of the records, while the program runs. What stood
 * there is kept beside. One that this shop did not make is restored only where that is said.
 * Answers with the folder it is kept in.
 */
export async function restoreStaged(
  id: string,
  {
    evenForeign = false,
    who = null,
  }: { readonly evenForeign?: boolean; readonly who?: Who | null } = {},
): Promise<Answer<string>> {
  const { folder, url } = environment();
  const staged = path.join(folder, id);
  if (url || !STAGED.test(id) || !fs.existsSync(path.join(staged, 'pg'))) {
    return refuse('This backup is not waiting any more: choose it again.');
  }
  const isOwn = fs.existsSync(path.join(staged, STAGED_OWN));
  if (!isOwn && !evenForeign) return refuse(FOREIGN);
  const stamp = new Date().toISOString().replace(/[:.]/g, '-');
  const kept = `before-restore-${stamp}`;
  // A copy of what goes away is no use to anybody.
  cancelCopy();
  const access = await accessNow();
  await exchangeDatabase(() => exchangeRecords(folder, { staged: id, kept }));
  await carryAccess(access, { isOwn, who });
  fs.rmSync(staged, { recursive: true, force: true });
  await sayRestored(isOwn, who);
  return accept(kept);
}

/** Throws a staged backup away. */
export function dropStaged(id: string): void {
  if (!STAGED.test(id)) return;
  fs.rmSync(path.join(environment().folder, id), { recursive: true, force: true });
}

/** Throws away what a program that was stopped in the middle left behind. */
export function sweepWork(): void {
  const { folder } = environment();
  if (!fs.existsSync(folder)) return;
  for (const name of fs.readdirSync(folder)) {
    if (/^(copying|restoring)-\w{6}$/.test(name)) {
      fs.rmSync(path.join(folder, name), { recursive: true, force: true });
    }
  }
}
