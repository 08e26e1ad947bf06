'use server';

import type { VehicleForm } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import type { VerdictChange } from '@/core/job';
import { effectsOfVehicle, saveVehicle } from '@/server/shop/vehicles';
import { whoIsHere } from '@/server/web/who';

/** Writes a vehicle, new when `id` is null. */
export async function saveVehicleAction(
  id: string | null,
  form: VehicleForm,
): Promise<Answer<string>> {
  return saveVehicle(id, form, (await whoIsHere())?.name ?? null);
}

/** Says which verdicts of open jobs a change of a vehicle would change. */
export async function effectsOfVehicleAction(
  id: string,
  form: VehicleForm,
): Promise<Answer<readonly VerdictChange[]>> {
  return effectsOfVehicle(id, form);
}
