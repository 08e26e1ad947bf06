'use server';

import { revalidatePath } from 'next/cache';
import type { Answer } from '@/server/answer';
import { choosePositions, chooseTorque, chooseUnits } from '@/server/shop/settings';

/** Chooses the shop's units; every screen follows. */
export async function chooseUnitsAction(units: string): Promise<void> {
  await chooseUnits(units);
  revalidatePath('/', 'layout');
}

/** Chooses the shop's unit of torque. */
export async function chooseTorqueAction(unit: string): Promise<void> {
  await chooseTorque(unit);
  revalidatePath('/', 'layout');
}

/** Chooses the positions that a new set begins with. */
export async function choosePositionsAction(
  positions: number | null,
): Promise<Answer<number | null>> {
  const answer = await choosePositions(positions);
  revalidatePath('/', 'layout');
  return answer;
}
