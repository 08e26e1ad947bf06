import type { VehicleForm } from '@/core/contracts';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

/** Writes a vehicle, new when `id` is null; answers with its id. */
export const writeVehicle = (id: string | null, form: VehicleForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'vehicle',
    input: { id, form },
    place: `vehicle ${id ?? `new ${form.plate}`}`,
    jobId: null,
    replaces: { room: 'vehicle', as: 'typed' },
    about: `the vehicle ${form.plate}`,
    refresh: 'by-writer',
  });
