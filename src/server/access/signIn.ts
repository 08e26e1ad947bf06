import 'server-only';
import { z } from 'zod';
import { refusePassword, refusePin, SURE_MS, WORTH_SAYING } from '../../core/access';
import { idSchema } from '../../core/contracts';
import {
  beginSession,
  endSessionsAt,
  endSessionsOf,
  findPerson,
  findSecrets,
  listSecrets,
  listTries,
  saveSecrets,
  sayToLedger,
  saySure,
  type PersonRow,
} from '../../db/repositories';
import { accept, refuse, refuseParse, type Answer } from '../answer';
import { database, inTransaction } from '../database';
import { hashOf, hashSecret, isSecret, randomKey } from './hash';
import { pairedDevices } from './pairing';
import { countedUnder, tryOnce } from './tries';

/** From where somebody signs in. */
export interface At {
  readonly device: string;
  readonly peer: string;
}

const signInSchema = z.strictObject({ person: idSchema, secret: z.string().min(1).max(1000) });

/** Who somebody is by a PIN, or by the password of a lead; both are tried whatever there is. */
async function whoIs(
  id: string,
  secret: string,
): Promise<{ who: PersonRow; isSure: boolean } | null> {
  const db = await database();
  const who = await findPerson(db, id);
  const secrets = who ? await findSecrets(db, who.id) : null;
  const isPin = await isSecret(secret, secrets?.pinHash ?? null);
  const password = who?.role === 'lead' ? (secrets?.passwordHash ?? null) : null;
  const isSure = await isSecret(secret, password);
  return who && (isPin || isSure) ? { who, isSure } : null;
}

/** Signs somebody in at a screen: answers with the session’s id, which only that screen gets. */
export async function signIn(
  input: unknown,
  at: At,
): Promise<Answer<{ readonly session: string; readonly who: PersonRow }>> {
  const parsed = signInSchema.safeParse(input);
  if (!parsed.success) return refuse('Choose your name and type your PIN.');
  const { person, secret } = parsed.data;
  const found = await tryOnce(countedUnder({ person, ...at }), () => whoIs(person, secret));
  if (!found.ok) return found;
  const { who, isSure } = found.value;
  const session = randomKey();
  await inTransaction(async (tx) => {
    await beginSession(tx, {
      ...{ hash: hashOf(session), personId: who.id, deviceId: at.device },
      sureUntil: isSure ? new Date(Date.now() + SURE_MS) : null,
    });
    return accept(null);
  });
  return accept({ session, who });
}

/** Ends whatever is open at a screen. */
export const signOut = async (device: string): Promise<void> =>
  endSessionsAt(await database(), device);

/** Takes a lead’s password once more: what is grave may be done for a while. */
export async function makeSure(
  password: unknown,
  at: At & { readonly person: PersonRow; readonly session: string },
): Promise<Answer<null>> {
  const text = typeof password === 'string' ? password.slice(0, 1000) : '';
  const { person, session } = at;
  if (person.role !== 'lead') return refuse('Only a lead does this.');
  const sure = await tryOnce(countedUnder({ ...at, person: person.id }), async () => {
    const secrets = await findSecrets(await database(), person.id);
    return (await isSecret(text, secrets?.passwordHash ?? null)) ? true : null;
  });
  if (!sure.ok) return sure;
  await saySure(await database(), session, new Date(Date.now() + SURE_MS));
  return accept(null);
}

/** What somebody is given to sign in with; an empty text takes a PIN away. */
const secretsSchema = z.strictObject({
  person: idSchema,
  pin: z.string().trim().max(100).optional(),
  password: z.string().max(1000).optional(),
});

/** Why a password may not be somebody’s; null where it may, or none is given. */
function refuseGiven(password: string | undefined, who: PersonRow): string | null {
  if (password === undefined) return null;
  return who.role === 'lead'
    ? refusePassword(password, who.name)
    : 'Only a lead has a password: a PIN is enough for everybody else.';
}

/**
 * Gives somebody a PIN or a password, and ends what they have open under the old one, but for the
 * session in which it is given.
 */
export async function giveSecrets(
  input: unknown,
  by: PersonRow | null,
  session: string | null = null,
): Promise<Answer<null>> {
  const parsed = secretsSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { person, pin, password } = parsed.data;
  const badPin = pin === undefined || pin === '' ? null : refusePin(pin);
  if (badPin) return refuse(badPin, { pin: badPin });
  // Slow on purpose: not while everybody waits for the transaction.
  const change = {
    ...(pin === undefined ? {} : { pinHash: pin === '' ? null : await hashSecret(pin) }),
    ...(password === undefined ? {} : { passwordHash: await hashSecret(password) }),
  };
  return inTransaction(async (tx) => {
    const who = await findPerson(tx, person);
    if (!who) return refuse('This person is not on file.');
    const bad = refuseGiven(password, who);
    if (bad) return refuse(bad, { password: bad });
    const { name = null, role = null } = by ?? {};
    await sayToLedger(tx, { who: name, role, reason: null });
    await saveSecrets(tx, who.id, change);
    await endSessionsOf(tx, who.id, session);
    return accept(null);
  });
}

/** Who can sign in, and by what. */
export const whoCanSignIn = async () => listSecrets(await database());

/** Wrong tries that are no slip any more, in words: for a lead. */
export async function suspiciousTries(people: readonly PersonRow[]): Promise<readonly string[]> {
  const db = await database();
  const rows = await listTries(db, WORTH_SAYING - 1);
  const devices = rows.length > 0 ? await pairedDevices() : [];
  return rows.map(({ key, failed, lastAt }) => {
    const [sort, ...rest] = key.split(' ');
    const id = rest.join(' ');
    const whose =
      sort === 'person'
        ? `for ${people.find((each) => each.id === id)?.name ?? id.replace(/^named /, '')}`
        : sort === 'device'
          ? `at ${devices.find((each) => each.id === id)?.name ?? 'a screen'}`
          : `from ${id}`;
    return `${failed} wrong tries in a row ${whose}, the last ${lastAt.toISOString().slice(0, 16).replace('T', ' ')} UTC`;
  });
}
