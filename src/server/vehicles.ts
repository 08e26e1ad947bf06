import 'server-only';
import {
  idSchema,
  LIMIT_FIELDS,
  vehicleFormSchema,
  type AxleData,
  type VehicleData,
} from '../core/contracts';
import type { AxlePosition } from '../core/readings';
import {
  findVehicle,
  findVehicleByPlate,
  insertVehicle,
  listJobsOfVehicle,
  listVehicles,
  updateVehicle,
  type JobRow,
  type NewAxle,
  type NewVehicle,
  type VehicleFile,
  type VehicleRow,
} from '../db/repositories';
import { accept, refuse, refuseParse, type Answer } from './answer';
import { database } from './database';
import { shopUnits } from './settings';

function axleOf(position: AxlePosition, axle: AxleData): NewAxle {
  return {
    position,
    fastening: axle.fastening,
    studs: axle.studs,
    allowedShifts: axle.places === 'as-found' ? [0] : null,
    caliper: axle.caliper,
    pistons: axle.pistons,
    traits: axle.traits,
    rotorKg: axle.rotorKg,
    limits: LIMIT_FIELDS.flatMap(({ kind }) => {
      const { length, source } = axle.limits[kind];
      if (!length) return [];
      return [{ kind, valueUm: length.value, text: length.text, unit: length.unit, source }];
    }),
  };
}

const vehicleOf = (data: VehicleData): NewVehicle => ({
  plate: data.plate.toUpperCase(),
  make: data.make,
  model: data.model,
  tyre: data.tyre,
  finalDrive: data.finalDrive,
  brakeByWire: data.brakeByWire,
  year: data.year,
  drive: data.drive,
  variant: data.variant,
  massKg: data.massKg,
  axles: [axleOf('front', data.front), axleOf('rear', data.rear)],
});

/** Writes a vehicle, new when `id` is null; a plate stands once. Returns its id. */
export async function saveVehicle(id: string | null, input: unknown): Promise<Answer<string>> {
  const parsed = vehicleFormSchema(await shopUnits()).safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const db = await database();
  const vehicle = vehicleOf(parsed.data);
  const same = await findVehicleByPlate(db, vehicle.plate);
  if (same && same.id !== id) {
    const message = `A vehicle with the plate ${vehicle.plate} is on file already.`;
    return refuse(message, { plate: message });
  }
  if (id === null) return accept(await insertVehicle(db, vehicle));
  if (!idSchema.safeParse(id).success || !(await findVehicle(db, id))) {
    return refuse('This vehicle is not on file any more.');
  }
  await updateVehicle(db, id, vehicle);
  return accept(id);
}

export const allVehicles = async (): Promise<VehicleRow[]> => listVehicles(await database());

/** A vehicle with its jobs, or null. */
export async function vehicleWithJobs(
  id: string,
): Promise<{ vehicle: VehicleFile; jobs: JobRow[] } | null> {
  if (!idSchema.safeParse(id).success) return null;
  const db = await database();
  const vehicle = await findVehicle(db, id);
  return vehicle ? { vehicle, jobs: await listJobsOfVehicle(db, id) } : null;
}
