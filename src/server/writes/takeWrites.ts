import 'server-only';
import { ExpectedError } from '../../core/expected';
import { maySo } from '../../core/job';
import { writesSchema, type OutgoingWrite } from '../../core/contracts';
import type { Database } from '../../db/client';
import {
  findPerson,
  findSignedIn,
  lockDeviceWrite,
  saveDeviceWrite,
  sayToLedger,
  sweepDeviceWrites,
  wasAt,
  type PersonRow,
} from '../../db/repositories';
import type { Here } from '../access/here';
import { accept, refuse, refuseParse, type Answer, type Refusal } from '../answer';
import { database, inTransaction } from '../database';
import { holdReplaced } from './replaces';
import { askUseCase } from './useCases';
import { DAY_MS } from '../../core/calendar';

/** What became of one write. */
export type WriteResult = { readonly id: string } & (
  | {
      readonly state: 'done';
      readonly value: unknown;
      /** How far the ledger reaches now where it was written. */
      readonly seq?: number;
    }
  /** Another wrote there meanwhile: nothing was written, and the writer is asked. */
  | { readonly state: 'conflict'; readonly value: unknown }
  | ({ readonly state: 'refused' } & Pick<Refusal, 'message' | 'fields' | 'code'>)
  /** The server could not do it just now; it is to be sent again. */
  | { readonly state: 'trouble'; readonly message: string }
);

/** Whether an answer says that something else stood there and nothing was written. */
const isConflict = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && 'kept' in value && value.kept === false;

/** Under whose name a write is taken, and who sent it; null where nobody signs in. */
interface Writer {
  readonly who: PersonRow | null;
  readonly here: Here | null;
}

/**
 * Why a write is not taken under a name, where people sign in: it is that of whoever is signed in, or
 * of somebody who was signed in at this screen before and may do no more, so that what waited here
 * while another took the screen over still arrives under the right name.
 */
async function refuseName(
  tx: Database,
  here: Here,
  named: PersonRow | null,
): Promise<string | null> {
  // The session may have ended since the door let it in.
  const sender = here.session === null ? null : await findSignedIn(tx, here.session);
  if (!sender) return 'Nobody is signed in at this screen any more: send it once somebody is.';
  if (named?.id === sender.id) return null;
  const isTheirs = named !== null && (await wasAt(tx, named.id, here.device));
  if (isTheirs && maySo(sender.role, named.role)) return null;
  return named
    ? `This was written under the name ${named.name}: it is sent when ${named.name} is signed in here, or send it as yours.`
    : 'This was written before anybody signed in: send it as yours.';
}

interface Taken {
  readonly state: 'done' | 'conflict';
  readonly value: unknown;
  readonly seq?: number;
}

/**
 * One write as one transaction with its number: sent twice it is done once and answered alike,
 * and one that comes after a newer one of its device at its place is done with.
 */
const takeWrite = (
  device: string,
  write: OutgoingWrite,
  { who, here }: Writer,
): Promise<Answer<Taken>> =>
  inTransaction<Taken>(
    async (tx) => {
      const { name, place, number, input } = write;
      const newest = await lockDeviceWrite(tx, { device, place });
      if (newest && newest.number >= number) return accept({ state: 'done', value: newest.answer });
      const why = here && (await refuseName(tx, here, who));
      if (why) return refuse(why);
      const { name: by = null, role = null } = who ?? {};
      await sayToLedger(tx, {
        who: by,
        role,
        reason: null,
        sender: device,
        device: here?.deviceName ?? device,
      });
      const held = await holdReplaced(tx, device, write);
      if (held?.unseen) return accept({ state: 'conflict', value: held.unseen });
      const answer = await askUseCase(name, input, {
        ...{ who, last: newest?.answer },
        ...(here && { isSure: here.isSure && here.person === who?.id }),
      });
      if (!answer.ok) return answer;
      if (isConflict(answer.value)) return accept({ state: 'conflict', value: answer.value });
      await saveDeviceWrite(tx, { device, place }, { number, answer: answer.value });
      const seq = await held?.reach();
      return accept({ state: 'done', value: answer.value, ...(seq === undefined ? {} : { seq }) });
    },
    { isWhole: true },
  );

const KEPT_DAYS = 7;
const SWEEP_EVERY = 500;
let taken = 0;

/** Now and then, numbers that no write can be on its way for are swept. */
async function sweepNowAndThen(): Promise<void> {
  taken += 1;
  if (taken % SWEEP_EVERY !== 0) return;
  await sweepDeviceWrites(await database(), new Date(Date.now() - KEPT_DAYS * DAY_MS));
}

/** Who a device says that wrote; somebody who is not here any more is nobody. */
async function peopleOf(writes: readonly OutgoingWrite[]): Promise<Map<string, PersonRow | null>> {
  const ids = [...new Set(writes.flatMap(({ by }) => by ?? []))];
  const db = await database();
  const people = new Map<string, PersonRow | null>();
  for (const id of ids) people.set(id, await findPerson(db, id));
  return people;
}

/**
 * Takes writes of a device one after the other, each by itself: one that is refused keeps none of
 * the others back. After one that the server has trouble with, the rest is to be sent again.
 */
export async function takeWrites(
  input: unknown,
  here: Here | null = null,
  /** Another program of the shop that sent them: then they are its own. */
  program: PersonRow | null = null,
): Promise<Answer<readonly WriteResult[]>> {
  const parsed = writesSchema.safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const { device, writes } = parsed.data;
  const people = await peopleOf(writes);
  const results: WriteResult[] = [];
  for (const write of writes) {
    const { id } = write;
    try {
      const named = program ?? people.get(write.by ?? '') ?? null;
      const answer = await takeWrite(device, write, { who: named, here });
      if (answer.ok) results.push({ id, ...answer.value });
      else {
        const { message, fields, code } = answer;
        results.push({ id, state: 'refused', message, fields, code });
      }
    } catch (error) {
      process.stderr.write(`A write (${write.name}) could not be taken: ${String(error)}\n`);
      const why = error instanceof ExpectedError ? error.message : 'The server is in trouble.';
      const message = `${why} What was typed waits on this device.`;
      results.push({ id, state: 'trouble', message });
      break;
    }
  }
  await sweepNowAndThen();
  return accept(results);
}
