import 'server-only';
import { findQuerySchema, findWords, guaranteeSchema } from '../../core/contracts';
import { isWithinGuarantee, vehicleName } from '../../core/job';
import {
  findVehicleByPlate,
  latestOfVehicles,
  searchJobs,
  searchVehicles,
  vehiclesOfOwner,
  type LatestJob,
} from '../../db/repositories';
import { database } from '../database';

/** A vehicle that the line leads to: its open job, or a new one, with what was done last time. */
export interface LineVehicle {
  readonly id: string;
  readonly plate: string;
  readonly name: string;
  /** Who brings it, where it was found by that name; null else. */
  readonly owner: string | null;
  readonly openJob: { readonly id: string; readonly number: number } | null;
  /** What was done last time, in a few words; null where nothing was. */
  readonly last: string | null;
  /** The last job, where what was promised on it still holds; null else. */
  readonly guaranteed: { readonly id: string; readonly number: number } | null;
}

/** Everything that a line leads to. */
export interface LineAnswer {
  readonly vehicles: readonly LineVehicle[];
  readonly jobs: readonly {
    readonly id: string;
    readonly number: number;
    readonly plate: string;
    readonly about: string;
    readonly isOpen: boolean;
  }[];
  /** The line as a plate that is not on file; null where it is none, or is on file. */
  readonly newPlate: string | null;
}

const MOST = 4;
const NOTHING: LineAnswer = { vehicles: [], jobs: [], newPlate: null };

/** A plate has a figure in it and no more than a few words. */
const PLATE = /^(?=.*\d)[\p{L}\d][\p{L}\d -]{1,18}$/u;

/** A job is named by its number too. */
const NUMBER = /^\d+$/;

const sayLast = (latest: LatestJob | undefined): string | null =>
  latest === undefined
    ? null
    : `job ${latest.number}: ${latest.words ?? (latest.complaint || 'nothing decided')}`;

/** Whether what was promised on a closed job still holds today; by distance it is asked later. */
function isGuaranteed({ guarantee, closedAt, odometerKm }: LatestJob): boolean {
  const promised = guaranteeSchema.safeParse(guarantee);
  if (!promised.success || closedAt === null) return false;
  const now = { at: new Date(), km: null };
  return isWithinGuarantee(promised.data, { at: closedAt, km: odometerKm }, now);
}

/** Where one line leads: vehicles and jobs of its words, or a plate that is not on file yet. */
export async function startLine(text: string): Promise<LineAnswer> {
  const line = text.trim().slice(0, 100);
  const words = findWords(line);
  if (words.length === 0) return NOTHING;
  const db = await database();
  const page = { size: MOST, number: 1 };
  const plate = line.toUpperCase();
  const same = await findVehicleByPlate(db, plate);
  const others = (await searchVehicles(db, words, page)).slice(0, MOST);
  // The very plate comes first, whatever else begins so.
  const exact = same !== null && !same.isCheck ? [same] : [];
  const named = PLATE.test(line) ? [] : await vehiclesOfOwner(db, words, MOST);
  const found = [...exact, ...named, ...others];
  const cars = found
    .filter(({ id }, j) => found.findIndex((each) => each.id === id) === j)
    .slice(0, MOST);
  // The beginning of many plates: their jobs would only say the same vehicles again.
  const isBegun = PLATE.test(line) && !NUMBER.test(line) && cars.length === MOST;
  const query = { ...findQuerySchema.parse({}), words, corner: null };
  const { jobs } = isBegun ? { jobs: [] } : await searchJobs(db, query, page, MOST);
  const latest = await latestOfVehicles(
    db,
    cars.map(({ id }) => id),
  );
  const isNew = PLATE.test(line) && same === null;
  const ofCar = (id: string) => latest.filter(({ vehicleId }) => vehicleId === id);
  return {
    vehicles: cars.map(({ id, plate: own, make, model }) => {
      const open = ofCar(id).find(({ closedAt }) => closedAt === null);
      const done = ofCar(id).find(({ closedAt }) => closedAt !== null);
      return {
        ...{ id, plate: own, name: vehicleName({ make, model }), last: sayLast(done) },
        owner: named.find((each) => each.id === id)?.owner ?? null,
        openJob: open ? { id: open.id, number: open.number } : null,
        guaranteed: done && isGuaranteed(done) ? { id: done.id, number: done.number } : null,
      };
    }),
    jobs: jobs.map(({ id, number, plate: own, complaint, closedAt }) => ({
      ...{ id, number, plate: own, about: complaint, isOpen: closedAt === null },
    })),
    newPlate: isNew ? plate : null,
  };
}
