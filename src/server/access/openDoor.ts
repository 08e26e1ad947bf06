import 'server-only';
import { ExpectedError } from '../../core/expected';
import { countLeadsWithPassword } from '../../db/repositories';
import { database } from '../database';
import { answerDoor } from './door';
import { isAnyPaired, makeCode } from './pairing';

/** What the server of ours (`scripts/server.mjs`), which runs in the same process, asks the program. */
const asked = globalThis as typeof globalThis & {
  zestyHoundDoor?: typeof answerDoor;
  zestyHoundFirstCode?: () => Promise<string | null>;
};

const NO_LEAD = `Nobody could let anybody in: no lead has a password yet.
Give one: npm run lead -- "Name", or on this machine without --network at Workshop, Signing in.`;

/** Makes the door ready; refused where no lead has a password. */
export async function openDoor(): Promise<void> {
  if ((await countLeadsWithPassword(await database())) === 0) throw new ExpectedError(NO_LEAD);
  asked.zestyHoundDoor = (knock) => answerDoor(knock);
  asked.zestyHoundFirstCode = async () =>
    (await isAnyPaired()) ? null : (await makeCode('the installer')).code;
}
