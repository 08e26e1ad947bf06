'use server';

import { revalidatePath } from 'next/cache';
import { chooseTorque, chooseUnits } from '@/server/settings';

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
