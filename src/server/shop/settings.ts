import 'server-only';
import { positionsSchema, unitSystemSchema } from '../../core/contracts';
import { TORQUE_UNITS, torqueUnit, type TorqueUnit, type UnitSystem } from '../../core/units';
import { readSetting, writeSetting } from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database } from '../database';

/** Where the shop’s units are kept among the settings. */
export const UNITS = 'units';

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

/** Where the shop’s own is kept among the settings. */
export const TORQUE = 'torque-unit';

/** The unit that the shop reads torque in: its choice, else the one of its lengths. */
export async function shopTorque(): Promise<TorqueUnit> {
  const chosen = await readSetting(await database(), TORQUE);
  return TORQUE_UNITS.find((unit) => unit === chosen) ?? torqueUnit(await shopUnits());
}

/** Chooses the shop's unit of torque. */
export async function chooseTorque(input: unknown): Promise<Answer<TorqueUnit>> {
  const unit = TORQUE_UNITS.find((each) => each === input);
  if (!unit) return refuse('Choose N·m, lb·ft or kgf·m.');
  await writeSetting(await database(), TORQUE, unit);
  return accept(unit);
}

/** Where the shop’s own is kept among the settings. */
export const POSITIONS = 'positions';
/** What stands for a choice that was taken back: a setting is never empty. */
const RECOMMENDED = 'recommended';

/** Positions that a new set begins with, where the shop has chosen; null for what is recommended. */
export async function shopPositions(): Promise<number | null> {
  const parsed = positionsSchema.safeParse(await readSetting(await database(), POSITIONS));
  return parsed.success ? parsed.data : null;
}

/** Chooses the positions that a new set begins with; null goes back to what is recommended. */
export async function choosePositions(input: unknown): Promise<Answer<number | null>> {
  const parsed = positionsSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  await writeSetting(await database(), POSITIONS, parsed.data ?? RECOMMENDED);
  return accept(parsed.data);
}
