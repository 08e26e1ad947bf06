import 'server-only';
import { headers } from 'next/headers';
import { DOOR_HEADERS, isSignInAsked } from './mode';

/** Who came in by the door: ids, and whether a password was given a moment ago. */
export interface Here {
  readonly device: string;
  readonly deviceName: string;
  readonly person: string | null;
  /** Hash of the session’s id; null where nobody is signed in. */
  readonly session: string | null;
  readonly isSure: boolean;
}

/** Who came in by the door; null where nobody has to sign in, or the screen is not paired. */
export async function cameIn(): Promise<Here | null> {
  if (!isSignInAsked()) return null;
  const said = await headers();
  const device = said.get(DOOR_HEADERS.device);
  if (!device) return null;
  return {
    device,
    deviceName: decodeURIComponent(said.get(DOOR_HEADERS.deviceName) ?? ''),
    person: said.get(DOOR_HEADERS.person),
    session: said.get(DOOR_HEADERS.session),
    isSure: said.get(DOOR_HEADERS.sure) === '1',
  };
}

/** The address that a request came from, and whether it is the server’s own machine. */
export async function peerOf(): Promise<{ readonly peer: string; readonly isOwnMachine: boolean }> {
  const said = await headers();
  const isOwnMachine = isSignInAsked() && said.get(DOOR_HEADERS.ownMachine) === '1';
  return { peer: said.get(DOOR_HEADERS.peer) ?? '', isOwnMachine };
}

/** Id of the program that came in by its key; null where none did. */
export async function programId(): Promise<string | null> {
  return isSignInAsked() ? (await headers()).get(DOOR_HEADERS.program) : null;
}
