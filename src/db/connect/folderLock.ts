import { createHash } from 'node:crypto';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { ExpectedError } from '../../core/expected';

/** The data folder is held by another running copy. */
export class FolderInUse extends ExpectedError {
  constructor(folder: string) {
    super(
      `The data folder ${folder} is in use by another running copy of Zesty Hound. ` +
        'Stop that one first, or give this one another folder in ZESTY_HOUND_DATA.',
    );
  }
}

/** Longest path that the kernel takes for a socket, with room to spare. */
const LONGEST_SOCKET_PATH = 100;
/** Time in which a second starter who judged the same file stale must have replaced it. */
const SETTLE_MS = 150;

/** Where the lock of a folder lives: in it, or, when the path is too long, in the temp folder. */
function lockPath(folder: string): string {
  const absolute = path.join(folder, 'lock');
  const relative = path.relative(process.cwd(), absolute);
  const shorter = relative.length < absolute.length ? relative : absolute;
  if (shorter.length <= LONGEST_SOCKET_PATH) return shorter;
  const name = createHash('sha256').update(fs.realpathSync(folder)).digest('hex').slice(0, 24);
  return path.join(os.tmpdir(), `zesty-hound-${name}.lock`);
}

function listen(file: string): Promise<net.Server> {
  const server = net.createServer((socket) => socket.end());
  return new Promise((resolve, reject) => {
    server.once('error', reject).listen(file, () => resolve(server));
  });
}

const answers = (file: string): Promise<boolean> =>
  new Promise((resolve) => {
    const client = net
      .connect(file)
      .once('connect', () => {
        client.destroy();
        resolve(true);
      })
      .once('error', () => resolve(false));
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

/**
 * Holds the data folder for this process by a socket in it: the kernel frees it on any
 * death. Returns what lets it go. Throws FolderInUse when another process holds it.
 */
export async function lockFolder(folder: string): Promise<() => void> {
  const file = lockPath(folder);
  let server: net.Server;
  try {
    server = await listen(file);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    if (await answers(file)) throw new FolderInUse(folder);
    server = await takeOver(file, folder);
  }
  server.unref();
  return () => server.close();
}
