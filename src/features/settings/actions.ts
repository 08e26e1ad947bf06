'use server';

import { revalidatePath } from 'next/cache';
import { chooseUnits } from '@/server/settings';

/** Chooses the shop's units; every screen follows. */
export async function chooseUnitsAction(units: string): Promise<void> {
  await chooseUnits(units);
  revalidatePath('/', 'layout');
}
