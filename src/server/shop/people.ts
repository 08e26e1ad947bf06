import 'server-only';
import { idSchema, personSchema } from '../../core/contracts';
import {
  dismissPerson,
  dropSecrets,
  endSessionsOf,
  listPeople,
  savePerson,
  updatePerson,
  type PersonRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';

export type { PersonRow };

export const allPeople = async (): Promise<PersonRow[]> => listPeople(await database());

/** What is short for a name: the first letters of its words, or two of a single one. */
export function initialsOf(name: string): string {
  const words = name.trim().split(/\s+/u);
  const letters = words.length > 1 ? words.map((word) => word[0] ?? '') : [...name.slice(0, 2)];
  return letters.join('').slice(0, 4).toUpperCase();
}

/** Changes what a person is here, and the initials. */
export async function changePerson(id: string, input: unknown): Promise<Answer<string>> {
  const parsed = personSchema.omit({ name: true }).safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const isKnown = idSchema.safeParse(id).success;
  const done = isKnown ? await updatePerson(await database(), id, parsed.data) : null;
  return done === null ? refuse('This person is not on file.') : accept(done);
}

/** Puts a person on file; a name stands once. */
export async function addPerson(input: unknown): Promise<Answer<string>> {
  const parsed = personSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { name, initials } = parsed.data;
  const person = { ...parsed.data, initials: initials || initialsOf(name) };
  return accept(await savePerson(await database(), person));
}

/** Offers a person no more; what was written under the name stays. */
export async function removePerson(id: string): Promise<Answer<string>> {
  if (!idSchema.safeParse(id).success) return refuse('This person is not on file.');
  return inTransaction(async (tx) => {
    await dismissPerson(tx, id);
    // Under a name that comes back nobody signs in by what was theirs.
    await dropSecrets(tx, id);
    await endSessionsOf(tx, id, null);
    return accept(id);
  });
}
