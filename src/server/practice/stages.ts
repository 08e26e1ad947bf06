import 'server-only';
import { z } from 'zod';
import { idSchema, type AxleForm, type VehicleForm } from '../../core/contracts';
import {
  customerSays,
  DISCARD,
  findState,
  MACHINE_TO,
  NOMINAL,
  RADIUS,
  shownOf,
  truthShares,
  type FindAction,
  type FindCase,
} from '../../core/practice';
import {
  actionsOfJob,
  benchOfJob,
  carOfPlate,
  cornerOfJob,
  runoutSeat,
  writtenOtherwise,
  type WrittenOtherwise,
} from '../../core/practiceJob';
import type { Job, Phase } from '../../core/job';
import { CORNERS, axleOf, type Corner } from '../../core/readings';
import { DEMO_SHOP } from '../../core/bench';
import { WORKSHOP_DEFAULTS } from '../../core/verdict';
import {
  bringPeople,
  everyPerson,
  findPracticeCase,
  findVehicleByPlate,
  listJobsOfVehicle,
  readSetting,
  RULES_SETTING,
  SHOP_SETTING,
  writeSetting,
} from '../../db/repositories';
import { accept, refuse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { loadJob, openJob } from '../job/jobs';
import { POSITIONS, TORQUE, UNITS } from '../shop/settings';
import { saveVehicle } from '../shop/vehicles';
import { noseInPractice } from './nose';
import { isPractice, withStore } from '../store';

/** What practice takes from the shop each time a car comes in: how it measures, and its rules. */
const LIKE_THE_SHOP = [UNITS, TORQUE, POSITIONS, RULES_SETTING];

const mm = (micrometres: number): string => `${micrometres / 1000} mm`;

/** The axle of a car of practice: its limits are those that its truth was made for. */
const AXLE: AxleForm = (() => {
  const of = (length: string, source: 'maker' | 'other' = 'maker') => ({ length, source });
  const none = of('');
  return {
    ...{ fastening: 'studs', studs: '5', places: 'any', caliper: 'floating', rotorKg: '8.2' },
    limits: {
      nominal: of(mm(NOMINAL)),
      machineTo: of(mm(MACHINE_TO)),
      discard: of(mm(DISCARD)),
      runout: of(mm(WORKSHOP_DEFAULTS.runout)),
      dtv: of(mm(WORKSHOP_DEFAULTS.thicknessVariation)),
      radius: of(mm(RADIUS), 'other'),
      ...{ piston: none, drumNominal: none, drumMachineTo: none, drumDiscard: none },
      drumRound: none,
    },
  };
})();

/** A car of practice as a vehicle: its code is its plate. */
const vehicleOf = ({ code }: FindCase): VehicleForm => ({
  ...{ plate: code, make: 'Velloway', model: 'Lark saloon', year: '2018', drive: 'front' },
  ...{ tyre: '205/55R16', finalDrive: '3.9', massKg: '1390' },
  front: AXLE,
  rear: AXLE,
});

/** What the customer says when the car comes in, in their own words. */
const complaintOf = (own: FindCase): string =>
  ['felt', 'when']
    .flatMap((code) => {
      const { value, isDoubted } = shownOf(own, code);
      return customerSays(code, String(value), isDoubted) ?? [];
    })
    .join(' ');

const beginSchema = z.strictObject({ code: z.string().max(20) });

/** The car’s job in the records of practice: the one that is open, or a new one. */
async function jobOf(own: FindCase): Promise<Answer<string>> {
  const db = await database();
  const there = await findVehicleByPlate(db, own.code);
  const open = there && (await listJobsOfVehicle(db, there.id)).find((job) => !job.closedAt);
  if (open) return accept(open.id);
  const vehicle = there ? accept(there.id) : await saveVehicle(null, vehicleOf(own));
  if (!vehicle.ok) return vehicle;
  return openJob({
    ...{ id: crypto.randomUUID(), vehicleId: vehicle.value, newVehicle: null },
    ...{ complaint: complaintOf(own), odometerKm: '84000', comebackOf: null },
    corners: CORNERS.filter((corner) => axleOf(corner) === own.axle),
  });
}

/**
 * Brings a whole car in on the stages of a job, in the records of practice: with the people of the shop, its units and
 * its house rules. Answers with the page of its complaint there.
 */
export async function beginOnStages(input: unknown): Promise<Answer<string>> {
  const parsed = beginSchema.safeParse(input);
  const own = parsed.success ? carOfPlate(parsed.data.code) : null;
  if (!own) return refuse('Only a whole car is worked on the stages of a job.');
  const shop = await database();
  const people = await everyPerson(shop);
  const settings: (readonly [string, unknown])[] = [];
  for (const key of LIKE_THE_SHOP) settings.push([key, await readSetting(shop, key)]);
  return withStore('practice', () =>
    inTransaction(async (tx) => {
      await bringPeople(tx, people);
      for (const [key, value] of [...settings, [SHOP_SETTING, DEMO_SHOP] as const]) {
        if (value !== undefined) await writeSetting(tx, key, value);
      }
      const job = await jobOf(own);
      return job.ok ? accept(`/jobs/${job.value}/complaint`) : job;
    }),
  );
}

/** The car of a job, in the records of practice; null in the shop’s. */
export const carOfJob = (job: Pick<Job, 'vehicle'>): FindCase | null =>
  isPractice() ? carOfPlate(job.vehicle.plate) : null;

/** What a bench of practice reads at a corner of a job; nothing in the shop’s records. */
export function practiceBench(job: Job, corner: Corner, phase: Phase) {
  const own = carOfJob(job);
  return own && { practice: benchOfJob(own, job, corner, phase), isPracticeJob: true };
}

/** A car that is worked on the stages, for whoever looks at what came of it. */
export interface CarOnStages {
  readonly code: string;
  readonly actions: readonly FindAction[];
  /** What it was signed with; null where it was not, or with nothing. */
  readonly saidCode: string | null;
  readonly otherwise: readonly WrittenOtherwise[];
  /** What its corner shows after what was done there, as shares of the limits. */
  readonly left: ReturnType<typeof truthShares>;
  readonly isSigned: boolean;
  /** Whether the case was ended under a name before. */
  readonly isKept: boolean;
}

/** A job of practice by its id, with what is true of its car; null where there is none. */
export async function carOnStages(id: string): Promise<CarOnStages | null> {
  if (!idSchema.safeParse(id).success) return null;
  const found = await withStore('practice', async () => {
    const there = await loadJob(id);
    return there && { job: there, nosed: (await noseInPractice(there)).asked };
  });
  const own = found && carOfPlate(found.job.vehicle.plate);
  if (!own) return null;
  const { job, nosed } = found;
  const after = cornerOfJob(own, job, own.corner, 'after');
  return {
    code: own.code,
    actions: actionsOfJob(own, job, nosed),
    saidCode: job.confirmedCause,
    otherwise: writtenOtherwise(own, job),
    left: truthShares(after, runoutSeat(own, job)),
    isSigned: job.closedAt !== null,
    isKept: (await findPracticeCase(await database(), id)) !== null,
  };
}

/** A car as it stands by what is written down in its job so far: cured or not, and what it took. */
export async function carIn(own: FindCase, job: Job) {
  const { asked } = await noseInPractice(job);
  // It is not given back yet.
  const { isCured, minutes, money } = findState(own, actionsOfJob(own, job, asked).slice(0, -1));
  return { isCured, minutes, money };
}
