import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { ExpectedError } from '../../core/expected';

/** Who holds a folder, as its lock answers. */
interface Holder {
  readonly pid: number;
  /** When it took the folder, as ISO 8601. */
  readonly since: string;
  /** False while it is about to take it. */
  readonly isHeld: boolean;
}

/** The data folder is held by another running copy. */
export class FolderInUse extends ExpectedError {
  constructor(
    folder: string,
    readonly holder: Holder | null = null,
  ) {
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
/** A holder that lives answers at once. */
const ANSWER_MS = 1000;

/** The data folder as the kernel is told of it: its sockets lie in it, whatever its path. */
interface LockPlace {
  readonly folder: string;
  readonly close: () => void;
}

const LOCK = 'lock';
/** A name beside the lock's own, and what both look like. */
const besides = (lock: string): string => `${lock}.${randomBytes(6).toString('hex')}`;
const SOCKET = /^lock(\.[0-9a-f]{12})?$/;
/** Longest name of a socket in the folder, with what stands before it. */
const LONGEST_NAME = 20;

function lockPlace(folder: string): LockPlace {
  const relative = path.relative(process.cwd(), folder) || '.';
  const shorter = relative.length < folder.length ? relative : folder;
  if (shorter.length + LONGEST_NAME <= LONGEST_SOCKET_PATH) {
    return { folder: shorter, close: () => undefined };
  }
  if (process.platform !== 'linux') {
    throw new ExpectedError(
      `The path of the data folder ${folder} is too long: give it a shorter one.`,
    );
  }
  // A path of any length, by the number that this process has the folder open under.
  const handle = fs.openSync(folder, 'r');
  return { folder: `/proc/self/fd/${handle}`, close: () => fs.closeSync(handle) };
}

/** A socket that says who holds the folder, or is about to. */
interface Socket {
  readonly server: net.Server;
  readonly file: string;
  readonly inode: number;
  isHeld: boolean;
}

function listen(file: string): Promise<Socket> {
  const since = new Date().toISOString();
  const socket = { isHeld: false };
  const server = net.createServer((client) => {
    client.on('error', () => undefined);
    client.end(JSON.stringify({ pid: process.pid, since, isHeld: socket.isHeld }));
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject).listen(file, () => {
      server.unref();
      resolve(Object.assign(socket, { server, file, inode: fs.statSync(file).ino }));
    });
  });
}

const isHolder = (value: unknown): value is Omit<Holder, 'isHeld'> & { isHeld?: unknown } =>
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
    // One of an older version says no more than that it holds it.
    return isHolder(said) ? { ...said, isHeld: said.isHeld !== false } : null;
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

const inodeOf = (file: string): number | undefined =>
  fs.statSync(file, { throwIfNoEntry: false })?.ino;

/** Gives a socket its second name, unless another has it; that is one step of the kernel's. */
function tookName(from: string, to: string): boolean {
  try {
    fs.linkSync(from, to);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

/**
 * Takes a lock away that a killed process left. What lies there may be another's by now, who judged
 * it left too and was quicker: one that answers is put back, or, where that name is taken meanwhile,
 * goes on answering under this one, where every starter asks it.
 */
async function clearLeft(lock: string): Promise<void> {
  const aside = besides(lock);
  try {
    fs.renameSync(lock, aside);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return;
    throw error;
  }
  const isLeft = (await holderOf(aside)) === 'nobody';
  if (isLeft || tookName(aside, lock)) fs.rmSync(aside, { force: true });
}

/** Refuses where somebody else in the folder answers and holds it; sweeps the sockets of the dead away. */
async function refuseHeld(folder: string, own: Socket): Promise<void> {
  for (const name of fs.readdirSync(folder).filter((each) => SOCKET.test(each))) {
    const file = path.join(folder, name);
    if (inodeOf(file) === own.inode) continue;
    const holder = await holderOf(file);
    if (holder === 'nobody') {
      if (name !== LOCK) fs.rmSync(file, { force: true });
    } else if (holder?.isHeld !== false) throw new FolderInUse(folder, holder);
  }
}

/** Takes the name that only one can have; refuses where another who answers has it. */
async function takeName(folder: string, own: Socket): Promise<void> {
  const lock = path.join(folder, LOCK);
  while (inodeOf(lock) !== own.inode && !tookName(own.file, lock)) {
    const holder = await holderOf(lock);
    if (holder !== 'nobody') throw new FolderInUse(folder, holder);
    await clearLeft(lock);
  }
}

/**
 * Takes the folder: a socket of its own first, then the name, then a look at everybody else who
 * answers. However long one of these steps is held up no two go through: who finds the name gone in
 * the end, because a slower starter took it for one that was left, begins again.
 */
async function hold(folder: string, own: Socket): Promise<void> {
  do {
    await takeName(folder, own);
    await refuseHeld(folder, own);
  } while (inodeOf(path.join(folder, LOCK)) !== own.inode);
  own.isHeld = true;
  fs.rmSync(own.file, { force: true });
}

/** Takes every name of a socket away: one that was moved aside has another than it took. */
function letGo(folder: string, own: Socket): void {
  for (const name of fs.readdirSync(folder).filter((each) => SOCKET.test(each))) {
    const file = path.join(folder, name);
    if (inodeOf(file) === own.inode) fs.rmSync(file, { force: true });
  }
  own.server.close();
}

/**
 * Holds the data folder for this process by a socket in it: the kernel frees it on any
 * death. Returns what lets it go. Throws FolderInUse, with who holds it, when another process does.
 */
export async function lockFolder(folder: string): Promise<() => void> {
  const place = lockPlace(path.resolve(folder));
  try {
    const own = await listen(besides(path.join(place.folder, LOCK)));
    try {
      await hold(place.folder, own);
    } catch (error) {
      letGo(place.folder, own);
      if (error instanceof FolderInUse) throw new FolderInUse(folder, error.holder);
      // Another starter took this one for dead, in the moment before it listened.
      const isGone = (error as NodeJS.ErrnoException).code === 'ENOENT';
      throw isGone ? new FolderInUse(folder) : error;
    }
    return () => {
      letGo(place.folder, own);
      place.close();
    };
  } catch (error) {
    place.close();
    throw error;
  }
}
