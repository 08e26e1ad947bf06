import { and, asc, eq, inArray, like } from 'drizzle-orm';
import type { Database } from '../client';
import { axleLimits, axles, vehicles } from '../schema';

export type VehicleRow = typeof vehicles.$inferSelect;
export type LimitRow = typeof axleLimits.$inferSelect;
export type AxleRow = typeof axles.$inferSelect & { readonly limits: readonly LimitRow[] };
export type VehicleFile = VehicleRow & { readonly axles: readonly AxleRow[] };

export type NewLimit = Omit<LimitRow, 'id' | 'axleId' | 'by' | 'at'>;

export interface NewAxle {
  readonly position: 'front' | 'rear';
  readonly fastening: 'studs' | 'bolts';
  readonly studs: number;
  readonly allowedShifts: number[] | null;
  readonly caliper?: AxleRow['caliper'];
  readonly pistons?: number | null;
  readonly traits?: string[];
  readonly rotorKg?: number | null;
  readonly thread?: string | null;
  readonly limits: readonly NewLimit[];
  readonly isFasteningSaid?: boolean;
}

export interface NewVehicle {
  readonly plate: string;
  readonly make: string;
  readonly model: string;
  readonly tyre?: string | null;
  readonly finalDrive?: number | null;
  readonly brakeByWire?: boolean;
  readonly year?: number | null;
  readonly drive?: VehicleRow['drive'];
  readonly variant?: string;
  readonly massKg?: number | null;
  readonly wheel?: VehicleRow['wheel'];
  readonly isCheck?: boolean;
  readonly axles: readonly NewAxle[];
}

/** All vehicles, by plate; what stands behind a quick check is none. */
export const listVehicles = (db: Database): Promise<VehicleRow[]> =>
  db.select().from(vehicles).where(eq(vehicles.isCheck, false)).orderBy(asc(vehicles.plate));

/** Axles with their limits, front first. */
export async function axlesOf(db: Database, vehicleId: string): Promise<AxleRow[]> {
  const rows = await db
    .select()
    .from(axles)
    .where(eq(axles.vehicleId, vehicleId))
    .orderBy(asc(axles.position));
  if (rows.length === 0) return [];
  const ids = rows.map(({ id }) => id);
  const limits = await db.select().from(axleLimits).where(inArray(axleLimits.axleId, ids));
  return rows.map((axle) => ({
    ...axle,
    limits: limits.filter(({ axleId }) => axleId === axle.id),
  }));
}

/** One vehicle with its axles, or null. */
export async function findVehicle(db: Database, id: string): Promise<VehicleFile | null> {
  const [vehicle] = await db.select().from(vehicles).where(eq(vehicles.id, id));
  return vehicle ? { ...vehicle, axles: await axlesOf(db, id) } : null;
}

export async function findVehicleByPlate(db: Database, plate: string): Promise<VehicleRow | null> {
  const [vehicle] = await db.select().from(vehicles).where(eq(vehicles.plate, plate));
  return vehicle ?? null;
}

/** How many plates begin so. */
export const countPlates = (db: Database, beginning: string): Promise<number> =>
  db.$count(vehicles, like(vehicles.plate, `${beginning}%`));

/** Figures closer than this are one figure, typed in another unit. */
const SAME_UM = 0.01;

/** Whether a figure says the same, from the same source. */
export const isSameLimit = (p: NewLimit, q: NewLimit): boolean =>
  p.kind === q.kind && p.source === q.source && Math.abs(p.valueUm - q.valueUm) < SAME_UM;

/** Writes an axle's settings and figures over what is there; a figure that stays keeps who entered it. */
async function saveAxle(
  db: Database,
  vehicleId: string,
  axle: NewAxle,
  by: string | null,
): Promise<void> {
  const { limits, ...own } = axle;
  const [row] = await db
    .insert(axles)
    .values({ vehicleId, ...own })
    .onConflictDoUpdate({ target: [axles.vehicleId, axles.position], set: own })
    .returning({ id: axles.id });
  if (!row) throw new Error('The axle was not written');
  const before = await db.select().from(axleLimits).where(eq(axleLimits.axleId, row.id));
  // Only what is changed is written: the ledger tells of it as a change, and of nothing else.
  const gone = before.filter(({ kind }) => !limits.some((limit) => limit.kind === kind));
  for (const { id } of gone) await db.delete(axleLimits).where(eq(axleLimits.id, id));
  const at = new Date();
  for (const limit of limits.filter((each) => !before.some((known) => isSameLimit(known, each)))) {
    await db
      .insert(axleLimits)
      .values({ ...limit, axleId: row.id, by, at })
      .onConflictDoUpdate({
        target: [axleLimits.axleId, axleLimits.kind],
        set: { ...limit, by, at },
      });
  }
}

/** Writes a new vehicle with its axles, the figures under a name where it is known; returns its id. */
export const insertVehicle = (
  db: Database,
  vehicle: NewVehicle,
  by: string | null = null,
): Promise<string> =>
  db.transaction(async (tx) => {
    const { axles: newAxles, ...own } = vehicle;
    const [row] = await tx.insert(vehicles).values(own).returning({ id: vehicles.id });
    if (!row) throw new Error('The vehicle was not written');
    for (const axle of newAxles) await saveAxle(tx, row.id, axle, by);
    return row.id;
  });

/** Writes over a vehicle with its axles, changed figures under a name where it is known. */
export const updateVehicle = (
  db: Database,
  id: string,
  vehicle: NewVehicle,
  by: string | null = null,
): Promise<void> =>
  db.transaction(async (tx) => {
    const { axles: newAxles, ...own } = vehicle;
    await tx.update(vehicles).set(own).where(eq(vehicles.id, id));
    for (const axle of newAxles) await saveAxle(tx, id, axle, by);
  });

/** Writes a vehicle's tyre code and final drive ratio. */
export async function updateTyre(
  db: Database,
  id: string,
  change: { readonly tyre: string | null; readonly finalDrive: number | null },
): Promise<void> {
  await db.update(vehicles).set(change).where(eq(vehicles.id, id));
}

/** Writes the order that a vehicle is bled in. */
export async function updateBleedOrder(
  db: Database,
  id: string,
  { order, source }: { readonly order: string[]; readonly source: LimitRow['source'] },
): Promise<void> {
  await db
    .update(vehicles)
    .set({ bleedOrder: order, bleedSource: source })
    .where(eq(vehicles.id, id));
}

/** Says how the wheels of an axle are held on. */
export async function saveFastening(
  db: Database,
  vehicleId: string,
  position: NewAxle['position'],
  { fastening, studs }: Pick<NewAxle, 'fastening' | 'studs'>,
): Promise<void> {
  await db
    .update(axles)
    .set({ fastening, studs, isFasteningSaid: true })
    .where(and(eq(axles.vehicleId, vehicleId), eq(axles.position, position)));
}

/** Writes a figure of an axle that has none of its kind. */
export async function saveLimit(
  db: Database,
  vehicleId: string,
  position: NewAxle['position'],
  { kind, valueUm, text, unit, source }: NewLimit,
  by: string | null,
): Promise<void> {
  const [axle] = await db
    .select({ id: axles.id })
    .from(axles)
    .where(and(eq(axles.vehicleId, vehicleId), eq(axles.position, position)));
  if (!axle) throw new Error('The axle is not on file');
  await db
    .insert(axleLimits)
    .values({ axleId: axle.id, kind, valueUm, text, unit, source, by, at: new Date() });
}

/** Makes the vehicle of what stood behind a quick check. */
export async function nameCheck(db: Database, id: string, plate: string): Promise<void> {
  await db.update(vehicles).set({ plate, isCheck: false }).where(eq(vehicles.id, id));
}

/** Takes what stood behind a quick check off the file, once its job has another vehicle. */
export async function deleteVehicle(db: Database, id: string): Promise<void> {
  await db.delete(vehicles).where(and(eq(vehicles.id, id), eq(vehicles.isCheck, true)));
}
