import 'server-only';
import { unitSystemSchema } from '../core/contracts';
import type { UnitSystem } from '../core/units';
import { readSetting, writeSetting } from '../db/repositories';
import { accept, refuseParse, type Answer } from './answer';
import { database } from './database';

const UNITS = 'units';

/** The shop's units; millimetres until it has chosen. */
export async function shopUnits(): Promise<UnitSystem> {
  const parsed = unitSystemSchema.safeParse(await readSetting(await database(), UNITS));
  return parsed.success ? parsed.data : 'mm';
}

/** Chooses the shop's units. */
export async function chooseUnits(input: unknown): Promise<Answer<UnitSystem>> {
  const parsed = unitSystemSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  await writeSetting(await database(), UNITS, parsed.data);
  return accept(parsed.data);
}
