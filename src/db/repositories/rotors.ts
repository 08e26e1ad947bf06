import { and, asc, eq, inArray, isNotNull, isNull, ne, or, sql } from 'drizzle-orm';
import type { Database } from '../client';
import { checks, decisions, jobs, readings, readingSets, vehicles } from '../schema';
import type { CornerName } from './jobs';
import { withReadings, type SetFile } from './sets';

/** The thinnest reading of one thickness set, with the job and distance it was taken at. */
export interface ThinnestRow {
  readonly vehicleId: string;
  readonly jobId: string;
  readonly number: number;
  readonly km: number;
  readonly corner: CornerName;
  readonly phase: 'before' | 'after' | 'as-found';
  readonly at: Date;
  /** Thinnest place in µm, the micrometer's zero taken out. */
  readonly thinnest: number;
}

/** What became of a corner's rotor in a job: renewed, or cut to a thickness. */
export interface RotorChangeRow {
  readonly vehicleId: string;
  readonly jobId: string;
  readonly number: number;
  readonly km: number;
  readonly corner: CornerName;
  readonly correction: (typeof decisions.$inferSelect)['correction'];
  /** The thickness measured after a cut, as it was typed; null until it was. */
  readonly finished: unknown;
  readonly by: string | null;
  readonly at: Date | null;
}

/** The thinnest reading of every complete thickness set of these vehicles, by distance. */
export const thinnestOf = (db: Database, vehicleIds: readonly string[]): Promise<ThinnestRow[]> =>
  db
    .select({
      vehicleId: jobs.vehicleId,
      jobId: jobs.id,
      number: jobs.number,
      km: sql<number>`${jobs.odometerKm}`.mapWith(Number),
      corner: readingSets.corner,
      phase: readingSets.phase,
      at: readingSets.createdAt,
      thinnest:
        sql<number>`min(${readings.valueUm}) - coalesce(${readingSets.zeroErrorUm}, 0)`.mapWith(
          Number,
        ),
    })
    .from(readingSets)
    .innerJoin(jobs, eq(jobs.id, readingSets.jobId))
    .innerJoin(readings, eq(readings.setId, readingSets.id))
    .where(
      and(
        inArray(jobs.vehicleId, [...vehicleIds]),
        isNotNull(jobs.odometerKm),
        eq(readingSets.kind, 'thickness'),
        isNull(readingSets.setAsideAt),
      ),
    )
    .groupBy(readingSets.id, jobs.id)
    .having(sql`count(*) >= ${readingSets.positions}`)
    .orderBy(asc(jobs.odometerKm), asc(readingSets.createdAt));

/** What was done about the rotors of these vehicles, with the thickness after a cut. */
export const rotorChangesOf = (
  db: Database,
  vehicleIds: readonly string[],
): Promise<RotorChangeRow[]> =>
  db
    .select({
      vehicleId: jobs.vehicleId,
      jobId: jobs.id,
      number: jobs.number,
      km: sql<number>`${jobs.odometerKm}`.mapWith(Number),
      corner: decisions.corner,
      correction: decisions.correction,
      finished: checks.value,
      by: checks.by,
      at: checks.at,
    })
    .from(decisions)
    .innerJoin(jobs, eq(jobs.id, decisions.jobId))
    .leftJoin(
      checks,
      and(
        eq(checks.jobId, jobs.id),
        eq(checks.kind, 'correct'),
        eq(checks.item, 'finished'),
        sql`${checks.place} = ${decisions.corner}::text`,
      ),
    )
    .where(
      and(
        inArray(jobs.vehicleId, [...vehicleIds]),
        isNotNull(jobs.odometerKm),
        // What was only decided has not happened to the rotor.
        or(
          isNotNull(jobs.closedAt),
          isNotNull(checks.value),
          sql`exists (select 1 from checks done where done.job_id = ${jobs.id} and done.kind = 'correct'
            and done.place = ${decisions.corner}::text and done.item = 'done')`,
        ),
      ),
    )
    .orderBy(asc(jobs.odometerKm));

/** Vehicles of a model beside one, at most this many, whose rotors tell how its rotors wear. */
const MOST_VEHICLES = 12;

export const othersOfModel = async (
  db: Database,
  vehicle: { readonly id: string; readonly make: string; readonly model: string },
): Promise<string[]> => {
  const rows = await db
    .select({ id: vehicles.id })
    .from(vehicles)
    .where(
      and(
        eq(vehicles.make, vehicle.make),
        eq(vehicles.model, vehicle.model),
        ne(vehicles.id, vehicle.id),
      ),
    )
    .limit(MOST_VEHICLES);
  return rows.map(({ id }) => id);
};

/** A set of a vehicle with its readings and the job it was read in. */
export interface VehicleSet {
  readonly jobId: string;
  readonly number: number;
  readonly km: number;
  readonly set: SetFile;
}

/** Every thickness and runout set of a corner that counts, with its readings, by distance. */
export async function setsOfRotors(
  db: Database,
  vehicleId: string,
  corner: CornerName,
): Promise<VehicleSet[]> {
  const sets = await db
    .select({
      set: readingSets,
      jobId: jobs.id,
      number: jobs.number,
      km: sql<number>`${jobs.odometerKm}`.mapWith(Number),
    })
    .from(readingSets)
    .innerJoin(jobs, eq(jobs.id, readingSets.jobId))
    .where(
      and(
        eq(jobs.vehicleId, vehicleId),
        eq(readingSets.corner, corner),
        isNotNull(jobs.odometerKm),
        inArray(readingSets.kind, ['thickness', 'runout']),
        isNull(readingSets.setAsideAt),
      ),
    )
    .orderBy(asc(jobs.odometerKm), asc(readingSets.createdAt));
  const files = await withReadings(
    db,
    sets.map(({ set }) => set),
  );
  return sets.map(({ set: _, ...job }, i) => ({ ...job, set: files[i]! }));
}
