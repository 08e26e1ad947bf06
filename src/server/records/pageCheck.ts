import 'server-only';
import { sayDamage } from '../../db/connect/inventory';
import { databaseHandle } from '../database';
import { inWorker } from './backup/fileWork';

/** What a look at every page found, in words; kept through reloads of this module in development. */
const store = globalThis as typeof globalThis & { zestyHoundDamage?: readonly string[] };

/**
 * Looks at every page of records that were not closed and are too many to be waited for, while
 * the server answers already. The engine itself refuses a damaged page that it is asked for.
 */
export async function checkPages(): Promise<void> {
  const { toCheck } = await databaseHandle();
  if (toCheck === null) return;
  const found = await inWorker('findDamage', toCheck);
  store.zestyHoundDamage = found.map(sayDamage);
  for (const fault of store.zestyHoundDamage) process.stderr.write(`${fault}\n`);
}

/** What every page says where a page of the records is damaged; null where none is. */
export function sayPageDamage(): string | null {
  const [first, ...more] = store.zestyHoundDamage ?? [];
  if (first === undefined) return null;
  const others = more.length > 0 ? ` and ${more.length} more` : '';
  return `The records are damaged: ${first}${others}. Stop here, and let a lead restore the newest copy (Workshop, Copies).`;
}
