import 'server-only';
import { idSchema, personSchema } from '../core/contracts';
import { dismissPerson, listPeople, savePerson, type PersonRow } from '../db/repositories';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';

export type { PersonRow };

export const allPeople = async (): Promise<PersonRow[]> => listPeople(await database());

/** Puts a person on file; a name stands once. */
export async function addPerson(input: unknown): Promise<Answer<string>> {
  const parsed = personSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  return accept(await savePerson(await database(), parsed.data));
}

/** Offers a person no more; what was written under the name stays. */
export async function removePerson(id: string): Promise<Answer<string>> {
  if (!idSchema.safeParse(id).success) return refuse('This person is not on file.');
  await dismissPerson(await database(), id);
  return accept(id);
}
