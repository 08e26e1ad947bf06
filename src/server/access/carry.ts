import 'server-only';
import { readAccess, sayToLedger, writeAccess, type Access, type Who } from '../../db/repositories';
import { accept } from '../answer';
import { database, inTransaction } from '../database';

/** Who may come in, as it stands before other records take the place of these; null where they do not open. */
export const accessNow = (): Promise<Access | null> =>
  database()
    .then(readAccess)
    .catch(() => null);

/**
 * Puts who may come in back after other records took the place of those of today: a key that was taken
 * away since a copy was made stays taken away, and a copy of another shop lets nobody in.
 */
export async function carryAccess(
  access: Access | null,
  { isOwn, who }: { readonly isOwn: boolean; readonly who: Who | null },
): Promise<void> {
  await inTransaction(async (tx) => {
    const { name = null, role = null } = who ?? {};
    await sayToLedger(tx, { who: name, role, reason: 'stands as before the copy was restored' });
    await writeAccess(tx, access, { isOwn });
    return accept(null);
  });
}
