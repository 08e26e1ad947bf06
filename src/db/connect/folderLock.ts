import fs from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { ExpectedError } from '../../core/expected';

/** Who holds a folder, as its lock answers. */
interface Holder {
  readonly pid: number;
  /** When it took the folder, as ISO 8601. */
  readonly since: string;
}

/** The data folder is held by another running copy. */
export class FolderInUse extends ExpectedError {
  constructor(folder: string, holder: Holder | null = null) {
    const who = holder
      ? ` (process ${holder.pid}, since ${holder.since.slice(0, 16).replace('T', ' ')} UTC)`
      : '';
    super(
      `The data folder ${folder} is in use by another running copy of Zesty Hound${who}. ` +
        'Stop that one first, or give this one another folder in ZESTY_HOUND_DATA.',
    );
  }
}

/** Longest path that the kernel takes for a socket, with room to spare. */
const LONGEST_SOCKET_PATH = 100;
/** Time in which a second starter who judged the same file stale must have replaced it. */
const SETTLE_MS = 150;
/** A holder that lives answers at once. */
const ANSWER_MS = 1000;

/** The lock of a folder as the kernel is told of it: it lies in the folder, whatever its path. */
interface LockPlace {
  readonly file: string;
  readonly close: () => void;
}

function lockPlace(folder: string): LockPlace {
  const absolute = path.join(folder, 'lock');
  const relative = path.relative(process.cwd(), absolute);
  const shorter = relative.length < absolute.length ? relative : absolute;
  if (shorter.length <= LONGEST_SOCKET_PATH) return { file: shorter, close: () => undefined };
  if (process.platform !== 'linux') {
    throw new ExpectedError(
      `The path of the data folder ${folder} is too long: give it a shorter one.`,
    );
  }
  // A path of any length, by the number that this process has the folder open under.
  const handle = fs.openSync(folder, 'r');
  return { file: `/proc/self/fd/${handle}/lock`, close: () => fs.closeSync(handle) };
}

function listen(file: string): Promise<net.Server> {
  const holder: Holder = { pid: process.pid, since: new Date().toISOString() };
  const server = net.createServer((socket) => {
    socket.on('error', () => undefined);
    socket.end(JSON.stringify(holder));
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject).listen(file, () => resolve(server));
  });
}

const isHolder = (value: unknown): value is Holder =>
  typeof value === 'object' &&
  value !== null &&
  'pid' in value &&
  typeof value.pid === 'number' &&
  'since' in value &&
  typeof value.since === 'string';

/** What a lock says of who holds it. */
function holderIn(text: string): Holder | null {
  try {
    const said: unknown = JSON.parse(text);
    return isHolder(said) ? said : null;
  } catch {
    return null;
  }
}

/** Who holds a lock that somebody left there: "nobody" where nobody answers any more. */
const holderOf = (file: string): Promise<Holder | null | 'nobody'> =>
  new Promise((resolve) => {
    let text = '';
    const client = net.connect(file);
    const done = (holder: Holder | null | 'nobody'): void => {
      client.destroy();
      resolve(holder);
    };
    client.setTimeout(ANSWER_MS, () => done(holderIn(text)));
    client.on('data', (part: Buffer) => (text += part.toString()));
    client.once('end', () => done(holderIn(text)));
    client.once('error', () => done('nobody'));
  });

/** Takes over a file left by a killed process; gives way when another starter did so too. */
async function takeOver(file: string, folder: string): Promise<net.Server> {
  fs.rmSync(file, { force: true });
  const server = await listen(file);
  const own = fs.statSync(file).ino;
  await wait(SETTLE_MS);
  if (fs.statSync(file, { throwIfNoEntry: false })?.ino !== own) {
    server.close();
    throw new FolderInUse(folder);
  }
  return server;
}

async function hold(file: string, folder: string): Promise<net.Server> {
  try {
    return await listen(file);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    const holder = await holderOf(file);
    if (holder !== 'nobody') throw new FolderInUse(folder, holder);
    return takeOver(file, folder);
  }
}

/**
 * Holds the data folder for this process by a socket in it: the kernel frees it on any
 * death. Returns what lets it go. Throws FolderInUse, with who holds it, when another process does.
 */
export async function lockFolder(folder: string): Promise<() => void> {
  const { file, close } = lockPlace(folder);
  try {
    const server = await hold(file, folder);
    server.unref();
    return () => {
      server.close();
      close();
    };
  } catch (error) {
    close();
    throw error;
  }
}
