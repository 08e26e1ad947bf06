import type { VehicleForm } from '@/core/contracts';
import type { VerdictChange } from '@/core/job';
import { ask, type Asked } from '@/ui/ask';

/** Which verdicts of open jobs a change of a vehicle would change. */
export const effectsOfVehicle = (
  id: string,
  form: VehicleForm,
): Promise<Asked<readonly VerdictChange[]>> =>
  ask(`/api/v1/vehicles/${id}/effects`, { method: 'POST', body: form });
