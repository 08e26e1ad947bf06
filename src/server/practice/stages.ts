import 'server-only';
import { cache } from 'react';
import { z } from 'zod';
import { idSchema, type AxleForm, type VehicleForm } from '../../core/contracts';
import {
  customerSays,
  DISCARD,
  MACHINE_TO,
  NOMINAL,
  RADIUS,
  shownOf,
  STUDS,
  TYRE,
  type FindAction,
  type FindCase,
} from '../../core/practice';
import {
  actionsOfJob,
  benchOfJob,
  carOfPlate,
  carStands,
  leftAt,
  plateOfCar,
  writtenOtherwise,
  type CarStands,
  type WrittenOtherwise,
} from '../../core/practiceJob';
import type { Job, Phase } from '../../core/job';
import { CORNERS, axleOf, type Corner } from '../../core/readings';
import { DEMO_SHOP } from '../../core/bench';
import { WORKSHOP_DEFAULTS } from '../../core/verdict';
import {
  bringPeople,
  countPlates,
  everyPerson,
  findJob,
  readSetting,
  RULES_SETTING,
  sayToLedger,
  SHOP_SETTING,
  writeSetting,
  type PersonRow,
} from '../../db/repositories';
import type { Database } from '../../db/client';
import { accept, refuse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { loadJob, openJob } from '../job/jobs';
import { POSITIONS, TORQUE, UNITS } from '../shop/settings';
import { saveVehicle } from '../shop/vehicles';
import { beginCar, carKept, noseInPractice } from './car';
import { isPractice, withStore } from '../store';

/** What practice takes from the shop each time a car comes in: how it measures, and its rules. */
const LIKE_THE_SHOP = [UNITS, TORQUE, POSITIONS, RULES_SETTING];

const mm = (micrometres: number): string => `${micrometres / 1000} mm`;

/** The axle of a car of practice: its limits are those that its truth was made for. */
const AXLE: AxleForm = (() => {
  const of = (length: string, source: 'maker' | 'other' = 'maker') => ({ length, source });
  const none = of('');
  return {
    ...{
      fastening: 'studs',
      studs: String(STUDS),
      places: 'any',
      caliper: 'floating',
      rotorKg: '8.2',
    },
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

/** A car of practice as a vehicle: its code is its plate, with which time it came in. */
const vehicleOf = ({ code }: FindCase, time: number): VehicleForm => ({
  ...{
    plate: plateOfCar(code, time),
    make: 'Velloway',
    model: 'Lark saloon',
    year: '2018',
    drive: 'front',
  },
  ...{ tyre: TYRE, finalDrive: '3.9', massKg: '1390' },
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

/** Under which it is kept what job somebody has on a car. */
const keyOfJob = (own: FindCase, by: string | null): string => `job ${own.code} ${by ?? ''}`;

/** The job on a car that somebody still works; null where there is none. */
async function openJobOf(tx: Database, own: FindCase, by: string | null): Promise<string | null> {
  const id = idSchema.safeParse(await readSetting(tx, keyOfJob(own, by)));
  const job = id.success ? await findJob(tx, id.data) : null;
  return job && job.closedAt === null ? job.id : null;
}

/**
 * A new job on the car. It comes in as a vehicle of its own each time: what somebody else, or the same one before, read
 * and did at it is none of its history.
 */
async function newJobOf(tx: Database, own: FindCase, by: string | null): Promise<Answer<string>> {
  const times = await countPlates(tx, own.code);
  const vehicle = await saveVehicle(null, vehicleOf(own, times + 1));
  if (!vehicle.ok) return vehicle;
  const job = await openJob({
    ...{ id: crypto.randomUUID(), vehicleId: vehicle.value, newVehicle: null },
    ...{ complaint: complaintOf(own), odometerKm: '84000', comebackOf: null },
    corners: CORNERS.filter((corner) => axleOf(corner) === own.axle),
  });
  if (!job.ok) return job;
  await beginCar(tx, job.value, by);
  await writeSetting(tx, keyOfJob(own, by), job.value);
  return job;
}

/**
 * Brings a whole car in on the stages of a job, in the records of practice: with the people of the shop, its units and
 * its house rules. Answers with the page of its complaint there: of the job that `who` has open on it, or of a new one.
 */
export async function beginOnStages(
  input: unknown,
  who: PersonRow | null,
): Promise<Answer<string>> {
  const parsed = beginSchema.safeParse(input);
  const own = parsed.success ? carOfPlate(parsed.data.code) : null;
  if (!own) return refuse('Only a whole car is worked on the stages of a job.');
  const shop = await database();
  const [people, ...settings] = await Promise.all([
    everyPerson(shop),
    ...LIKE_THE_SHOP.map(async (key) => [key, await readSetting(shop, key)] as const),
  ]);
  const by = who?.id ?? null;
  return withStore('practice', () =>
    inTransaction(async (tx) => {
      await sayToLedger(tx, { who: who?.name ?? null, role: who?.role ?? null });
      await bringPeople(tx, people);
      for (const [key, value] of [...settings, [SHOP_SETTING, DEMO_SHOP] as const]) {
        if (value !== undefined) await writeSetting(tx, key, value);
      }
      const open = await openJobOf(tx, own, by);
      const job = open === null ? await newJobOf(tx, own, by) : accept(open);
      return job.ok ? accept(`/jobs/${job.value}/complaint`) : job;
    }),
  );
}

/** The car of a plate, made once a request: every page of its job asks for it more than once. */
const carOnce = cache(carOfPlate);

/** The car of a job, in the records of practice; null in the shop’s. */
export const carOfJob = (job: Pick<Job, 'vehicle'>): FindCase | null =>
  isPractice() ? carOnce(job.vehicle.plate) : null;

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
  readonly left: ReturnType<typeof leftAt>;
  readonly isSigned: boolean;
}

/**
 * A job of practice by its id, with what is true of its car: for whoever works it, and for anybody where nobody said who
 * that is; null for others, and where there is none.
 */
export async function carOnStages(
  id: string,
  who: Pick<PersonRow, 'id'> | null,
): Promise<CarOnStages | null> {
  if (!idSchema.safeParse(id).success) return null;
  return withStore('practice', async () => {
    const [job, kept] = await Promise.all([loadJob(id), carKept(id)]);
    const own = job && carOfJob(job);
    if (!own || !kept || (kept.by !== null && kept.by !== who?.id)) return null;
    return {
      code: own.code,
      actions: actionsOfJob(own, job, kept.asked),
      saidCode: job.confirmedCause,
      otherwise: writtenOtherwise(own, job),
      left: leftAt(own, job),
      isSigned: job.closedAt !== null,
    };
  });
}

/** How the car of a job stands, reckoned once a request. */
export const carIn = cache(async (own: FindCase, job: Job): Promise<CarStands> =>
  carStands(own, job, (await noseInPractice(job)).asked),
);
