import 'server-only';
import { randomInt } from 'node:crypto';
import { z } from 'zod';
import { CODE_MS } from '../../core/access';
import { idSchema } from '../../core/contracts';
import {
  countPaired,
  findPersonByName,
  findSecrets,
  listDevices,
  revokeDevice,
  saveCode,
  saveDevice,
  sayToLedger,
  sweepTries,
  takeCode,
  type DeviceRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { hashOf, isSecret, randomKey } from './hash';
import { countedUnder, tryOnce } from './tries';
import { DAY_MS } from '../../core/calendar';

const CODE_DIGITS = 8;

export const pairedDevices = async (): Promise<DeviceRow[]> => listDevices(await database());
export const isAnyPaired = async (): Promise<boolean> => (await countPaired(await database())) > 0;

/** A code by which one more screen is paired: eight digits, once, for two minutes. */
export async function makeCode(
  by: string,
): Promise<{ readonly code: string; readonly until: Date }> {
  const code = String(randomInt(10 ** CODE_DIGITS)).padStart(CODE_DIGITS, '0');
  const now = Date.now();
  const forget = new Date(now - DAY_MS);
  const db = await database();
  await sweepTries(db, forget);
  await saveCode(db, { hash: hashOf(code), madeBy: by }, forget);
  return { code, until: new Date(now + CODE_MS) };
}

const name = z
  .string()
  .trim()
  .min(1, 'Give this screen a name, like “tablet, lift 2”.')
  .max(60, 'A name has at most 60 characters.');
const byCode = z.strictObject({
  name,
  code: z
    .string()
    .transform((text) => text.replace(/\D/g, ''))
    .refine((text) => text.length === CODE_DIGITS, `A code has ${CODE_DIGITS} digits.`),
});
const byLead = z.strictObject({ name, lead: z.string().trim(), password: z.string().max(1000) });

/** A screen that was paired: what it shows from now on. */
export interface Paired {
  readonly id: string;
  readonly key: string;
}

async function pairAs(device: string, by: string): Promise<Answer<Paired>> {
  const key = randomKey();
  return inTransaction(async (tx) => {
    await sayToLedger(tx, { who: by, role: null, reason: null });
    const row = { name: device, keyHash: hashOf(key), pairedBy: by };
    return accept({ id: await saveDevice(tx, row), key });
  });
}

/** Pairs a screen by a code that another screen shows. */
export async function pairByCode(input: unknown, peer: string): Promise<Answer<Paired>> {
  const parsed = byCode.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { code } = parsed.data;
  const by = await tryOnce(countedUnder({ peer }), async () =>
    takeCode(await database(), hashOf(code), new Date(Date.now() - CODE_MS)),
  );
  return by.ok ? pairAs(parsed.data.name, by.value) : by;
}

/** Pairs a screen of the server’s own machine by a lead’s password: the first one has no other way in. */
export async function pairByLead(input: unknown, peer: string): Promise<Answer<Paired>> {
  const parsed = byLead.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { lead, password } = parsed.data;
  const who = await tryOnce(countedUnder({ person: `named ${lead}`, peer }), async () => {
    const db = await database();
    const person = await findPersonByName(db, lead);
    const isLead = person?.role === 'lead';
    const secrets = isLead ? await findSecrets(db, person.id) : null;
    return (await isSecret(password, secrets?.passwordHash ?? null)) ? person : null;
  });
  return who.ok ? pairAs(parsed.data.name, who.value.name) : who;
}

/** Takes a screen’s key away: it sees the pairing page from its next request on. */
export async function unpair(id: unknown, by: string): Promise<Answer<string>> {
  const known = idSchema.safeParse(id);
  if (!known.success) return refuse('This screen is not on file.');
  return inTransaction(async (tx) => {
    await sayToLedger(tx, { who: by, role: 'lead', reason: null });
    return (await revokeDevice(tx, known.data, by))
      ? accept(known.data)
      : refuse('This screen is not paired any more.');
  });
}
