import 'server-only';
import { cookies } from 'next/headers';
import { idSchema } from '../../core/contracts';
import { findPerson, findProgramById, type PersonRow } from '../../db/repositories';
import { cameIn, programId } from '../access/here';
import { isSignInAsked } from '../access/mode';
import { database } from '../database';

/** The cookie that says who is at this screen, by id. */
export const WHO_COOKIE = 'zh-who';

/** Another program of the shop, as one who may do what its role may; null where a person came in. */
export async function programHere(): Promise<PersonRow | null> {
  const id = await programId();
  const program = id === null ? null : await findProgramById(await database(), id);
  if (!program || program.role === 'monitor') return null;
  const { name, role } = program;
  return { id: program.id, name: `${name} (program)`, role, initials: '', isHere: true };
}

/**
 * Who is at this screen, or null while nobody said so: who is signed in, where people sign in, and
 * otherwise whose name was chosen.
 */
export async function whoIsHere(): Promise<PersonRow | null> {
  if (isSignInAsked()) {
    const program = await programHere();
    if (program) return program;
    const person = (await cameIn())?.person;
    return person ? findPerson(await database(), person) : null;
  }
  const id = (await cookies()).get(WHO_COOKIE)?.value;
  return id && idSchema.safeParse(id).success ? findPerson(await database(), id) : null;
}
