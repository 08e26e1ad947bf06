'use server';

import { revalidatePath } from 'next/cache';
import type { ShopForm } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { saveShop } from '@/server/shop/shop';

/** Writes the shop's prices and equipment; open decisions follow. */
export async function saveShopAction(form: ShopForm): Promise<Answer<null>> {
  const answer = await saveShop(form);
  revalidatePath('/', 'layout');
  return answer.ok ? { ok: true, value: null } : answer;
}
