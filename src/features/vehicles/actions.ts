'use server';

import type { VehicleForm } from '@/core/contracts';
import type { VerdictChange } from '@/core/job';
import type { Answer } from '@/server/answer';
import { effectsOfVehicle } from '@/server/shop/vehicles';

/** Says which verdicts of open jobs a change of a vehicle would change. */
export async function effectsOfVehicleAction(
  id: string,
  form: VehicleForm,
): Promise<Answer<readonly VerdictChange[]>> {
  return effectsOfVehicle(id, form);
}
