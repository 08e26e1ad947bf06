import 'server-only';
import { z } from 'zod';
import { programmeSchema, type BeddingPlan } from '../../core/contracts';
import {
  BEDDING_SCHOOLS,
  HEAT_DEFAULTS,
  SHIPPED_PROGRAMMES,
  type BeddingSchool,
  type Programme,
} from '../../core/bedding';
import { axlesOfJob, findCheck, type Job, rulesOf } from '../../core/job';
import { readSetting, writeSetting } from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';

/** Where the shop’s own is kept among the settings. */
export const PROGRAMMES = 'bedding';
const storedSchema = z.partialRecord(z.enum(BEDDING_SCHOOLS), programmeSchema);

/** The programmes as this shop has them, by school. */
export async function shopProgrammes(): Promise<Readonly<Record<BeddingSchool, Programme>>> {
  const stored = storedSchema.safeParse(await readSetting(await database(), PROGRAMMES));
  return { ...SHIPPED_PROGRAMMES, ...(stored.success ? stored.data : {}) };
}

/** Writes a programme as the shop's own; null goes back to what is shipped. */
export async function saveProgramme(school: unknown, input: unknown): Promise<Answer<string>> {
  const known = BEDDING_SCHOOLS.find((each) => each === school);
  if (!known) return refuse('There is no such school.');
  const parsed = programmeSchema.nullable().safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const db = await database();
  const stored = storedSchema.safeParse(await readSetting(db, PROGRAMMES));
  const { [known]: _, ...others } = stored.success ? stored.data : {};
  await writeSetting(db, PROGRAMMES, parsed.data ? { ...others, [known]: parsed.data } : others);
  return accept(known);
}

/** The plan of a job: its own, else the house rule's with what is known of the vehicle. */
export async function planOf(job: Job): Promise<BeddingPlan> {
  const own = findCheck(job, 'bedding', '', 'plan')?.value;
  if (own) return own;
  const rule = rulesOf(job).find((each) => each.rule.code === 'bedding')?.school.code;
  const school = BEDDING_SCHOOLS.find((each) => each === rule) ?? 'maker';
  const programmes = await shopProgrammes();
  const isFront = axlesOfJob(job).includes('front');
  const axle = job.vehicle.axles.find(({ position }) => position === (isFront ? 'front' : 'rear'));
  const { ceiling, tau, frontShare } = HEAT_DEFAULTS;
  return {
    school,
    programme: { ...programmes[school], groups: [...programmes[school].groups] },
    heat: {
      vehicleKg: job.vehicle.massKg,
      rotorKg: axle?.rotorKg ?? null,
      share: isFront ? frontShare : Math.round((1 - frontShare) * 100) / 100,
      ambient: 20,
      tau,
      ceiling: ceiling as number,
    },
  };
}
