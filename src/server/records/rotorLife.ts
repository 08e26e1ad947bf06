import 'server-only';
import { group } from 'd3-array';
import { readFigure } from '../../core/procedure';
import type { Shop } from '../../core/options';
import { axleOf, CORNERS, type Corner } from '../../core/readings';
import {
  distanceLeft,
  wearByDefault,
  wearFromHistory,
  wearOfModel,
  type DistanceLeft,
  type PadFamily,
  type WearEvent,
  type WearRate,
} from '../../core/wear';
import { type Job, padsAt, type Vehicle } from '../../core/job';
import {
  othersOfModel,
  rotorChangesOf,
  thinnestOf,
  type RotorChangeRow,
  type ThinnestRow,
} from '../../db/repositories';
import { database } from '../database';

/** Standard uncertainty of one thickness of a job, in µm: the workshop's micrometer. */
const THICKNESS_U = 2;

/** What happened to the rotor of a corner in one job. */
export interface RotorLine {
  readonly jobId: string;
  readonly number: number;
  readonly km: number;
  /** Thinnest place before and after the work, in µm; null where it was not measured. */
  readonly before: number | null;
  readonly after: number | null;
  readonly what: 'measured' | 'cut' | 'renewed';
  readonly by: string | null;
}

const RENEWED: readonly RotorChangeRow['correction'][] = ['replace', 'hub-replace'];
const CUT: readonly RotorChangeRow['correction'][] = ['machine-bench', 'machine-on-vehicle'];

const least = (values: readonly number[]): number | null =>
  values.length === 0 ? null : Math.min(...values);

/** The life of one corner's rotors, a line a job, by distance. */
export function rotorLines(
  thinnest: readonly ThinnestRow[],
  changes: readonly RotorChangeRow[],
  corner: Corner,
): RotorLine[] {
  const read = thinnest.filter((row) => row.corner === corner);
  const done = changes.filter((row) => row.corner === corner);
  const jobs = new Map(
    [...read, ...done].map(({ jobId, number, km }) => [jobId, { jobId, number, km }]),
  );
  return [...jobs.values()]
    .map(({ jobId, number, km }) => {
      const own = read.filter((row) => row.jobId === jobId);
      const change = done.find((row) => row.jobId === jobId);
      const of = (phases: readonly ThinnestRow['phase'][]): number | null =>
        least(own.filter(({ phase }) => phases.includes(phase)).map((row) => row.thinnest));
      const isCut = change !== undefined && CUT.includes(change.correction);
      const isRenewed = change !== undefined && RENEWED.includes(change.correction);
      const finished = readFigure(change?.finished)?.um ?? null;
      return {
        jobId,
        number,
        km,
        before: of(['before']) ?? of(['as-found']),
        after: (isCut ? finished : null) ?? of(['after']),
        what: isCut ? ('cut' as const) : isRenewed ? ('renewed' as const) : ('measured' as const),
        by: change?.by ?? null,
      };
    })
    .sort((p, q) => p.km - q.km);
}

/** A line as what wear is told from. */
function eventsOf({ km, before, after, what }: RotorLine): WearEvent[] {
  const first: WearEvent[] = before === null ? [] : [{ kind: 'measured', km, thickness: before }];
  if (what === 'renewed') {
    const fresh: WearEvent[] = after === null ? [] : [{ kind: 'measured', km, thickness: after }];
    return [...first, { kind: 'fitted', km }, ...fresh];
  }
  if (what === 'cut' && before !== null && after !== null) {
    return [...first, { kind: 'cut', km, removed: before - after }];
  }
  // A cut of unknown depth ends what the thickness before it can tell.
  return what === 'cut' ? [{ kind: 'fitted', km }] : first;
}

/** What is known of the life of a corner's rotor and pads. */
export interface RotorLife {
  readonly lines: readonly RotorLine[];
  readonly rate: WearRate;
  readonly family: PadFamily;
  /** Distance to discard of the rotor as it is. */
  readonly pads: DistanceLeft | null;
  /** Distance of a new set of pads. */
  readonly newPads: DistanceLeft | null;
  /** Pad lining that is left at the thinnest place, in µm. */
  readonly padLeft: number | null;
}

/** Wear of every rotor on the same axle of other vehicles of the model, in µm a km. */
async function modelRates(vehicle: Vehicle, corner: Corner): Promise<number[]> {
  const others = await othersOfModel(await database(), vehicle);
  if (others.length === 0) return [];
  return [...(await rotorsOfVehicles(others)).values()]
    .flat()
    .filter((each) => axleOf(each.corner) === axleOf(corner))
    .flatMap(({ lines }) => wearFromHistory(lines.flatMap(eventsOf), THICKNESS_U)?.perKm ?? []);
}

/** How a corner's rotor wears: by its own history, else as its model does, else by its pads. */
export const rateOf = async (
  vehicle: Vehicle,
  corner: Corner,
  lines: readonly RotorLine[],
  family: PadFamily,
): Promise<WearRate> =>
  wearFromHistory(lines.flatMap(eventsOf), THICKNESS_U) ??
  wearOfModel(await modelRates(vehicle, corner)) ??
  wearByDefault(family);

/** Distance that lining lasts, by the shop's own figures; null where one is not entered. */
function padDistance(
  lining: number | null,
  { padMinimum, padWear }: Shop['equipment'],
): DistanceLeft | null {
  if (lining === null || padMinimum === null || padWear === null || padWear === 0) return null;
  return distanceLeft(lining, padMinimum, { perKm: padWear / 10_000, u: null });
}

/** What happened at one corner of a vehicle. */
export interface CornerLines {
  readonly corner: Corner;
  readonly lines: readonly RotorLine[];
}

/** The rotors that every corner of these vehicles has had, by vehicle; corners without any left out. */
export async function rotorsOfVehicles(
  vehicleIds: readonly string[],
): Promise<Map<string, readonly CornerLines[]>> {
  const db = await database();
  const thinnest = group(await thinnestOf(db, vehicleIds), ({ vehicleId }) => vehicleId);
  const changes = group(await rotorChangesOf(db, vehicleIds), ({ vehicleId }) => vehicleId);
  return new Map(
    vehicleIds.map((id) => [
      id,
      CORNERS.map((corner) => ({
        corner,
        lines: rotorLines(thinnest.get(id) ?? [], changes.get(id) ?? [], corner),
      })).filter(({ lines }) => lines.length > 0),
    ]),
  );
}

/** The rotors that every corner of a vehicle has had, corners without any left out. */
export const rotorsOfVehicle = async (vehicleId: string): Promise<readonly CornerLines[]> =>
  (await rotorsOfVehicles([vehicleId])).get(vehicleId) ?? [];

/** The rotors that one corner of a vehicle has had, a line a job. */
export const rotorsAt = async (vehicleId: string, corner: Corner): Promise<RotorLine[]> => [
  ...((await rotorsOfVehicle(vehicleId)).find((each) => each.corner === corner)?.lines ?? []),
];

/**
 * How a corner's rotor wears: by its own history, else the shop's median for the model, else
 * the default of the pads' family. Source: handbook 10.
 */
export async function rotorLife(job: Job, corner: Corner, family: PadFamily): Promise<RotorLife> {
  const lines = await rotorsAt(job.vehicle.id, corner);
  const rate = await rateOf(job.vehicle, corner, lines, family);
  const { equipment } = job.shop;
  const measured = Object.values(padsAt(job, corner)).filter((value) => value !== null);
  const padLeft = least(measured);
  return {
    lines,
    rate,
    family,
    padLeft,
    pads: padDistance(padLeft, equipment),
    newPads: padDistance(equipment.padNew, equipment),
  };
}
