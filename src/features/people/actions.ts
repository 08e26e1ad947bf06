'use server';

import { revalidatePath } from 'next/cache';
import { cookies } from 'next/headers';
import type { PersonForm } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { addPerson, changePerson, removePerson } from '@/server/shop/people';
import { WHO_COOKIE } from '@/server/web/who';

const A_SHIFT_S = 12 * 3600;

/** Says who is at this screen, for a shift; an empty id says that nobody is. */
export async function chooseWhoAction(id: string): Promise<void> {
  const jar = await cookies();
  if (id === '') jar.delete(WHO_COOKIE);
  else {
    jar.set(WHO_COOKIE, id, {
      maxAge: A_SHIFT_S,
      httpOnly: true,
      sameSite: 'strict',
      path: '/',
    });
  }
  revalidatePath('/', 'layout');
}

/** Puts a person on file and says that it is who is here. */
export async function addPersonAction(person: PersonForm): Promise<Answer<string>> {
  const answer = await addPerson(person);
  if (answer.ok) await chooseWhoAction(answer.value);
  return answer;
}

/** Changes what a person is here, and the initials. */
export async function changePersonAction(
  id: string,
  change: Omit<PersonForm, 'name'>,
): Promise<Answer<string>> {
  const answer = await changePerson(id, change);
  revalidatePath('/', 'layout');
  return answer;
}

/** Offers a person no more. */
export async function removePersonAction(id: string): Promise<void> {
  await removePerson(id);
  revalidatePath('/', 'layout');
}
