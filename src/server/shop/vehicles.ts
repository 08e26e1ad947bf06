import 'server-only';
import {
  findWords,
  idSchema,
  LIMIT_FIELDS,
  vehicleFormSchema,
  type AxleData,
  type VehicleData,
} from '../../core/contracts';
import type { AxlePosition } from '../../core/readings';
import {
  findJob,
  findVehicle,
  findVehicleByPlate,
  insertVehicle,
  isSameLimit,
  listJobsOfVehicle,
  listVehicles,
  lockOpenJobsOf,
  nameTorqueFigures,
  sayToLedger,
  searchVehicles,
  updateVehicle,
  type JobRow,
  type NewAxle,
  type NewVehicle,
  type VehicleFile,
  type VehicleLine,
  type VehicleRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { changesOfFigures, type VerdictChange } from '../../core/job';
import { shopUnits } from './settings';
import { takeFromSheets } from './sheets';

/** Index shifts by where a rotor goes on; all of them are null. */
const SHIFTS: Readonly<Record<AxleData['places'], (ticked: number[]) => number[] | null>> = {
  any: () => null,
  'as-found': () => [0],
  some: (ticked) => ticked,
};

function axleOf(position: AxlePosition, axle: AxleData): NewAxle {
  return {
    position,
    fastening: axle.fastening,
    studs: axle.studs,
    allowedShifts: SHIFTS[axle.places](axle.shifts),
    caliper: axle.caliper,
    pistons: axle.pistons,
    traits: axle.traits,
    rotorKg: axle.rotorKg,
    thread: axle.thread,
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
  wheel: data.wheel,
  axles: [axleOf('front', data.front), axleOf('rear', data.rear)],
});

/** A vehicle's form read and held against the plates on file, or why it is refused. */
async function readVehicle(
  id: string | null,
  input: unknown,
): Promise<Answer<NewVehicle & { readonly why: string }>> {
  const parsed = vehicleFormSchema(await shopUnits()).safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const vehicle = vehicleOf(parsed.data);
  const same = await findVehicleByPlate(await database(), vehicle.plate);
  if (!same || same.id === id) return accept({ ...vehicle, why: parsed.data.why });
  const message = `A vehicle with the plate ${vehicle.plate} is on file already.`;
  return refuse(message, { plate: message });
}

/** Whether figures or studs that are on file would be changed or taken away. */
const changesFigures = (before: VehicleFile, after: NewVehicle): boolean =>
  before.axles.some((axle) => {
    const fresh = after.axles.find(({ position }) => position === axle.position);
    if (!fresh) return false;
    return (
      (axle.isFasteningSaid && fresh.studs !== axle.studs) ||
      (axle.isFasteningSaid && fresh.caliper !== axle.caliper) ||
      axle.limits.some((limit) => !fresh.limits.some((each) => isSameLimit(each, limit)))
    );
  });

/** Whether a vehicle is said to be of another model, year or variant of brakes. */
const isOtherModel = (before: VehicleFile, after: NewVehicle): boolean =>
  before.make !== after.make ||
  before.model !== after.model ||
  before.year !== (after.year ?? null) ||
  before.variant !== (after.variant ?? '');

/** A form that leaves what stands there unsaid has not said it: the bench still asks. */
function saysFastening(before: VehicleFile, { position, fastening, studs }: NewAxle): boolean {
  const axle = before.axles.find((each) => each.position === position);
  return !axle || axle.isFasteningSaid || axle.studs !== studs || axle.fastening !== fastening;
}

const WHY = 'An open job is judged by these figures: say in a few words why they change.';

/**
 * Writes a vehicle, new when `id` is null; a plate stands once. Figures that an open job is judged
 * by are changed with a reason, which the job’s history keeps. Returns its id.
 */
export const saveVehicle = (
  id: string | null,
  input: unknown,
  by: string | null = null,
): Promise<Answer<string>> =>
  inTransaction(async (tx) => {
    const read = await readVehicle(id, input);
    if (!read.ok) return read;
    const { why, ...vehicle } = read.value;
    if (id === null) {
      const made = await insertVehicle(tx, vehicle, by);
      await takeFromSheets(tx, made, by);
      return accept(made);
    }
    const before = idSchema.safeParse(id).success ? await findVehicle(tx, id) : null;
    if (!before) return refuse('This vehicle is not on file any more.');
    // Jobs that are judged by them wait meanwhile, and are judged by what is written here then.
    const open = await lockOpenJobsOf(tx, id);
    if (open.length > 0 && why === '' && changesFigures(before, vehicle)) {
      return refuse(WHY, { why: WHY });
    }
    if (why !== '') await sayToLedger(tx, { reason: why });
    await nameTorqueFigures(tx, before, vehicle);
    const axles = vehicle.axles.map((axle) => ({
      ...axle,
      isFasteningSaid: saysFastening(before, axle),
    }));
    await updateVehicle(tx, id, { ...vehicle, axles }, by);
    // What was emptied by hand stays empty; of another model it is another matter.
    if (isOtherModel(before, vehicle)) await takeFromSheets(tx, id, by);
    return accept(id);
  });

/** What a change of a vehicle's figures would change in its open jobs; closed ones keep theirs. */
export async function effectsOfVehicle(
  id: string,
  input: unknown,
): Promise<Answer<readonly VerdictChange[]>> {
  if (!idSchema.safeParse(id).success) return refuse('This vehicle is not on file any more.');
  const read = await readVehicle(id, input);
  if (!read.ok) return read;
  const changes: VerdictChange[] = [];
  const units = await shopUnits();
  const db = await database();
  for (const { id: jobId, closedAt } of await listJobsOfVehicle(db, id)) {
    const file = closedAt === null ? await findJob(db, jobId) : null;
    if (file) changes.push(...changesOfFigures(file, read.value.axles, units));
  }
  return accept(changes);
}

/** All vehicles, by plate: for a table of everything, not for a page. */
export const allVehicles = async (): Promise<VehicleRow[]> => listVehicles(await database());

/** Vehicles to a page of their list. */
const VEHICLES_A_PAGE = 50;

/** One page of the vehicles, or of those that words lead to, and whether there are more. */
export async function vehiclesPage(
  text: string,
  page: number,
): Promise<{ readonly vehicles: readonly VehicleLine[]; readonly isMore: boolean }> {
  const words = findWords(text.slice(0, 100));
  const found = await searchVehicles(await database(), words, {
    size: VEHICLES_A_PAGE,
    number: page,
  });
  return { vehicles: found.slice(0, VEHICLES_A_PAGE), isMore: found.length > VEHICLES_A_PAGE };
}

/** A vehicle with its jobs, or null. */
export async function vehicleWithJobs(
  id: string,
): Promise<{ vehicle: VehicleFile; jobs: JobRow[] } | null> {
  if (!idSchema.safeParse(id).success) return null;
  const db = await database();
  const vehicle = await findVehicle(db, id);
  return vehicle ? { vehicle, jobs: await listJobsOfVehicle(db, id) } : null;
}
