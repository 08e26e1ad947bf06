import 'server-only';
import { cookies } from 'next/headers';
import { idSchema } from '../../core/contracts';
import { findPerson, type PersonRow } from '../../db/repositories';
import { database } from '../database';

/** The cookie that says who is at this screen, by id. */
export const WHO_COOKIE = 'zh-who';

/** Who is at this screen, or null while nobody said so. */
export async function whoIsHere(): Promise<PersonRow | null> {
  const id = (await cookies()).get(WHO_COOKIE)?.value;
  return id && idSchema.safeParse(id).success ? findPerson(await database(), id) : null;
}
