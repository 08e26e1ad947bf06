'use server';

import { revalidatePath } from 'next/cache';
import { cookies } from 'next/headers';
import { idSchema } from '@/core/contracts';
import { WHO_COOKIE } from '@/server/web/who';

const A_SHIFT_S = 12 * 3600;

/** Says who is at this screen, for a shift; an empty id says that nobody is. */
export async function chooseWhoAction(id: string): Promise<void> {
  const jar = await cookies();
  const known = idSchema.safeParse(id);
  if (!known.success) jar.delete(WHO_COOKIE);
  else {
    jar.set(WHO_COOKIE, known.data, {
      maxAge: A_SHIFT_S,
      httpOnly: true,
      sameSite: 'strict',
      path: '/',
    });
  }
  revalidatePath('/', 'layout');
}
