import 'server-only';
import { headers } from 'next/headers';
import { accept, refuse, type Answer } from '../answer';
import { hostName } from '../web/gate';

/** The server opens a port of its own for practice when it is asked to, and says which. */
const server = globalThis as typeof globalThis & { zestyHoundPractice?: () => Promise<number> };

/** Opens the door of practice where it is not open yet; answers with its port. */
export async function openPracticeDoor(): Promise<Answer<number>> {
  if (!server.zestyHoundPractice) {
    return refuse(
      'Behind a proxy practice has no door of its own: work the car on its own page instead.',
    );
  }
  try {
    return accept(await server.zestyHoundPractice());
  } catch (error) {
    process.stderr.write(`The door of practice does not open: ${String(error)}\n`);
    return refuse('No port is free for practice on this machine.');
  }
}

/** An address of this machine at a port, by the name that it was called by just now. */
async function addressAt(path: string, port: string): Promise<string> {
  const name = hostName((await headers()).get('host')) ?? 'localhost';
  return `${own().protocol}//${name}${port === '' ? '' : `:${port}`}${path}`;
}

/** Where the server says that it is found. */
const own = (): URL => new URL(process.env.ZESTY_HOUND_ADDRESS ?? 'http://localhost:3000');

/** An address on the shop’s own door, from a page of practice. */
export const shopAddress = (path: string): Promise<string> => addressAt(path, own().port);

/** An address on the door of practice, from a page of the shop. */
export const practiceAddress = (path: string, port: number): Promise<string> =>
  addressAt(path, String(port));
