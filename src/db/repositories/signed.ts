import { eq } from 'drizzle-orm';
import type { Database } from '../client';
import { jobs, vehicles } from '../schema';
import type { SignedAs } from '../schema/jobs';
import { readSetting, RULES_SETTING, SHOP_SETTING } from './settings';
import { torqueFiguresOf, torqueKeyOf, type TorqueFigureRow } from './torque';
import { axlesOf, type AxleRow } from './vehicles';

/** What the verdicts of a job rest on now, as it is kept when it is signed off. */
export async function figuresToKeep(db: Database, jobId: string): Promise<SignedAs> {
  const [row] = await db
    .select({ vehicle: vehicles })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicleId))
    .where(eq(jobs.id, jobId));
  if (!row) throw new Error(`Job ${jobId} has no vehicle`);
  const axles = await axlesOf(db, row.vehicle.id);
  const torque = await torqueFiguresOf(db, torqueKeyOf(row.vehicle));
  const { plate, make, model, year, drive, variant } = row.vehicle;
  return {
    vehicle: { plate, make, model, year, drive, variant },
    axles: axles.map((axle) => ({
      ...axle,
      limits: axle.limits.map((limit) => ({ ...limit, at: limit.at?.toISOString() ?? null })),
    })),
    torque: torque.map((figure) => ({ ...figure, at: figure.at.toISOString() })),
    rules: (await readSetting(db, RULES_SETTING)) ?? null,
    shop: (await readSetting(db, SHOP_SETTING)) ?? null,
  };
}

/** The axles that a job was signed off with. */
export const axlesAsSigned = ({ axles }: SignedAs): AxleRow[] =>
  axles.map((axle) => ({
    ...axle,
    limits: axle.limits.map((limit) => ({
      ...limit,
      at: limit.at === null ? null : new Date(limit.at),
    })),
  }));

/** The torque figures that a job was signed off with. */
export const torqueAsSigned = ({ torque }: SignedAs): TorqueFigureRow[] =>
  torque.map((figure) => ({ ...figure, at: new Date(figure.at) }));
