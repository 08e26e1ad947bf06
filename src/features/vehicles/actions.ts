'use server';

import type { VehicleForm } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { saveVehicle } from '@/server/vehicles';

/** Writes a vehicle, new when `id` is null. */
export async function saveVehicleAction(
  id: string | null,
  form: VehicleForm,
): Promise<Answer<string>> {
  return saveVehicle(id, form);
}
