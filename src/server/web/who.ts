import 'server-only';
import { cookies } from 'next/headers';
import { idSchema } from '../../core/contracts';
import { findPerson, type PersonRow } from '../../db/repositories';
import { cameIn } from '../access/here';
import { isSignInAsked } from '../access/mode';
import { database } from '../database';

/** The cookie that says who is at this screen, by id. */
export const WHO_COOKIE = 'zh-who';

/**
 * Who is at this screen, or null while nobody said so: who is signed in, where people sign in, and
 * otherwise whose name was chosen.
 */
export async function whoIsHere(): Promise<PersonRow | null> {
  if (isSignInAsked()) {
    const person = (await cameIn())?.person;
    return person ? findPerson(await database(), person) : null;
  }
  const id = (await cookies()).get(WHO_COOKIE)?.value;
  return id && idSchema.safeParse(id).success ? findPerson(await database(), id) : null;
}
