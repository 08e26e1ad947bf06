import 'server-only';
import { gaugeFormSchema, idSchema } from '../../core/contracts';
import {
  findGauge,
  listEveryGauge,
  listGauges,
  retireGauge,
  saveGauge,
  type GaugeRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';
import { shopUnits } from '../shop/settings';

export type { GaugeRow };

const NOT_ON_FILE = 'This gauge is not on file any more.';

export const allGauges = async (): Promise<GaugeRow[]> => listGauges(await database());

/** Every gauge, in use or not. */
export const everyGauge = async (): Promise<GaugeRow[]> => listEveryGauge(await database());

/** Writes a gauge as typed, in the shop’s units; returns its id. */
export async function writeGauge(input: unknown): Promise<Answer<string>> {
  const parsed = gaugeFormSchema(await shopUnits()).safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { resolution, repeatability, mpe, ...rest } = parsed.data;
  const db = await database();
  if (rest.id && !(await findGauge(db, rest.id))) return refuse(NOT_ON_FILE);
  const figures = { resolutionUm: resolution, repeatabilityUm: repeatability, mpeUm: mpe };
  return accept(await saveGauge(db, { ...rest, ...figures }));
}

/** Takes a gauge out of use. */
export async function removeGauge(id: string): Promise<Answer<string>> {
  if (!idSchema.safeParse(id).success) return refuse(NOT_ON_FILE);
  await retireGauge(await database(), id);
  return accept(id);
}
