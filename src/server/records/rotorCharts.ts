import 'server-only';
import {
  assessRunout,
  assessThickness,
  dtvLimit,
  measuredSet,
  runoutLimit,
  type AxleLimits,
} from '../../core/assessment';
import { idSchema } from '../../core/contracts';
import { axleOf, type Corner } from '../../core/readings';
import {
  distanceLeft,
  rotorsOfCorner,
  type DistanceLeft,
  type RotorOfCorner,
  type WearRate,
} from '../../core/wear';
import {
  findVehicle,
  setsOfRotors,
  type VehicleFile,
  type VehicleSet,
} from '../../db/repositories';
import { database } from '../database';
import { limitsOf } from '../../core/job';
import { rateOf, rotorsAt, type RotorLine } from './rotorLife';
import { shopOfToday } from '../shop/shop';

/** One figure of a rotor on the odometer: km and µm, before or after the work of its job. */
export interface RotorPoint {
  readonly number: number;
  readonly km: number;
  readonly value: number;
  readonly phase: 'before' | 'after';
}

/** Everything that the page of a corner's rotors shows. */
export interface RotorCharts {
  readonly vehicle: VehicleFile;
  readonly corner: Corner;
  readonly lines: readonly RotorLine[];
  readonly rotors: readonly RotorOfCorner[];
  readonly dtv: readonly RotorPoint[];
  readonly runout: readonly RotorPoint[];
  readonly limits: AxleLimits;
  readonly dtvLimit: number;
  readonly runoutLimit: number;
  readonly rate: WearRate;
  /** Distance to discard from the last thickness that holds; null without one or without a discard thickness. */
  readonly left: (DistanceLeft & { readonly fromKm: number; readonly thickness: number }) | null;
}

const phaseOf = ({ set }: VehicleSet): RotorPoint['phase'] =>
  set.phase === 'after' ? 'after' : 'before';

/** The last figure of every job and phase. */
function pointsOf(
  sets: readonly VehicleSet[],
  valueOf: (set: VehicleSet) => number | null,
): RotorPoint[] {
  const points = new Map<string, RotorPoint>();
  for (const each of sets) {
    const value = valueOf(each);
    const phase = phaseOf(each);
    if (value === null) continue;
    points.set(`${each.jobId} ${phase}`, { number: each.number, km: each.km, value, phase });
  }
  return [...points.values()];
}

/** The last thickness that holds of the rotor on the vehicle, with the distance it leaves. */
function leftOf(
  rotors: readonly RotorOfCorner[],
  { discard }: AxleLimits,
  rate: WearRate,
): RotorCharts['left'] {
  const last = rotors.at(-1)?.latest;
  if (!last || !discard) return null;
  const { km: fromKm, thickness } = last;
  return { ...distanceLeft(thickness, discard.value, rate), fromKm, thickness };
}

/**
 * The rotors of one corner with their figures on the odometer and the forecast, or null where
 * the vehicle or its axle is not on file. Sets that are not whole say nothing here.
 */
export async function rotorCharts(vehicleId: string, corner: Corner): Promise<RotorCharts | null> {
  if (!idSchema.safeParse(vehicleId).success) return null;
  const db = await database();
  const vehicle = await findVehicle(db, vehicleId);
  const axle = vehicle?.axles.find(({ position }) => position === axleOf(corner));
  if (!vehicle || !axle) return null;
  const limits = limitsOf(axle);
  const sets = await setsOfRotors(db, vehicleId, corner);
  const lines = await rotorsAt(vehicleId, corner);
  const rotors = rotorsOfCorner(lines);
  const { equipment } = await shopOfToday();
  const rate = await rateOf(vehicle, corner, lines, equipment.padFamily);
  return {
    vehicle,
    corner,
    lines,
    rotors,
    dtv: pointsOf(sets, ({ set }) => {
      const measured = measuredSet(set);
      const isOuter = measured?.kind === 'thickness' && measured.circle !== 'inner';
      return isOuter ? assessThickness(measured, limits).figures.dtv : null;
    }),
    runout: pointsOf(sets, ({ set }) => {
      const measured = measuredSet(set);
      return measured?.kind === 'runout'
        ? assessRunout(measured, axle.studs, limits).verdict.value
        : null;
    }),
    limits,
    dtvLimit: dtvLimit(limits).value,
    runoutLimit: runoutLimit(limits).value,
    rate,
    left: leftOf(rotors, limits, rate),
  };
}
