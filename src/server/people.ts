import 'server-only';
import { cookies } from 'next/headers';
import { idSchema, personSchema } from '../core/contracts';
import {
  dismissPerson,
  findPerson,
  listPeople,
  savePerson,
  type PersonRow,
} from '../db/repositories';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';

export type { PersonRow };

/** The cookie that says who is at this screen, by id. */
export const WHO_COOKIE = 'zh-who';

export const allPeople = async (): Promise<PersonRow[]> => listPeople(await database());

/** Who is at this screen, or null while nobody said so. */
export async function whoIsHere(): Promise<PersonRow | null> {
  const id = (await cookies()).get(WHO_COOKIE)?.value;
  return id && idSchema.safeParse(id).success ? findPerson(await database(), id) : null;
}

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
