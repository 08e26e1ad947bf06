import type { OwnerForm, VehicleForm } from '@/core/contracts';
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

/** Writes who brings a vehicle; both fields empty erases it. */
export const writeOwner = (form: OwnerForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'owner',
    input: form,
    place: `owner ${form.vehicleId}`,
    jobId: null,
    replaces: { room: 'vehicle', as: 'typed' },
    about: 'who brings the vehicle',
    refresh: 'by-writer',
  });
