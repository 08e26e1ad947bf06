import 'server-only';
import { z } from 'zod';
import { idSchema } from '../../core/contracts';
import {
  listPrograms,
  revokeProgram,
  saveProgram,
  sayToLedger,
  type PersonRow,
  type ProgramRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { hashOf, randomKey } from './hash';
import { DAY_MS } from '../../core/calendar';

export type { ProgramRow };

/** How a key is known for what it is where it turns up by mistake. */
const PREFIX = 'zh_';

/** What another program may be given: never a lead’s, which asks a person for a password. */
export const PROGRAM_ROLES = ['monitor', 'apprentice', 'technician'] as const;

const schema = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, 'Say which program it is for.')
    .max(60, 'A name has at most 60 characters.'),
  role: z.enum(PROGRAM_ROLES),
  days: z.coerce
    .number('Say for how many days.')
    .int('Say whole days.')
    .min(1, 'A key counts for a day at least.')
    .max(400, 'A key counts for 400 days at most.'),
});

export const allPrograms = async (): Promise<ProgramRow[]> => listPrograms(await database());

/** Makes a key for another program: it is told this once, and kept as a hash. */
export async function makeProgram(
  input: unknown,
  by: PersonRow,
): Promise<Answer<{ readonly id: string; readonly key: string }>> {
  const parsed = schema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { name, role, days } = parsed.data;
  const key = PREFIX + randomKey();
  return inTransaction(async (tx) => {
    await sayToLedger(tx, { who: by.name, role: by.role, reason: null });
    const expiresAt = new Date(Date.now() + days * DAY_MS);
    const row = { name, role, keyHash: hashOf(key), madeBy: by.name, expiresAt };
    return accept({ id: await saveProgram(tx, row), key });
  });
}

/** Takes a program’s key away: it counts from its next request on. */
export async function dropProgram(id: unknown, by: PersonRow): Promise<Answer<string>> {
  const known = idSchema.safeParse(id);
  if (!known.success) return refuse('This program is not on file.');
  return inTransaction(async (tx) => {
    await sayToLedger(tx, { who: by.name, role: by.role, reason: null });
    return (await revokeProgram(tx, known.data, by.name))
      ? accept(known.data)
      : refuse('Its key does not count any more.');
  });
}
