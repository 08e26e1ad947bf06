import type { OwnerForm, VehicleForm } from '@/core/contracts';
import { keepWrite, type KeptAnswer } from '@/ui/keeper';

export const vehiclePlace = (id: string): string => `vehicle ${id}`;
export const ownerPlace = (vehicleId: string): string => `owner ${vehicleId}`;

/** Writes a vehicle, new when `id` is null; answers with its id. */
export const writeVehicle = (id: string | null, form: VehicleForm): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'vehicle',
    input: { id, form },
    place: id === null ? `vehicle new ${form.plate}` : vehiclePlace(id),
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
    place: ownerPlace(form.vehicleId),
    jobId: null,
    replaces: { room: 'vehicle', as: 'typed' },
    about: 'who brings the vehicle',
    refresh: 'by-writer',
  });
