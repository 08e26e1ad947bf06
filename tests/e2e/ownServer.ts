import { spawn, type ChildProcess } from 'node:child_process';
import net from 'node:net';

/** A port that nothing listens at. */
export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });

/** The built application on a folder of the test’s own. */
export const startServer = (
  port: number,
  folder: string,
  stdio: 'ignore' | 'pipe' = 'ignore',
  args: readonly string[] = [],
): ChildProcess =>
  // Its database is not worth the optimizing compiler’s time.
  spawn(process.execPath, ['--liftoff-only', 'scripts/server.mjs', ...args], {
    stdio,
    env: {
      ...process.env,
      ...{ NODE_ENV: 'production', HOST: '127.0.0.1', PORT: String(port) },
      ...{ ZESTY_HOUND_DATA: folder, DATABASE_URL: '', NEXT_MANUAL_SIG_HANDLE: '1' },
    },
  });

/** Waits until a server answers from its records. */
export async function untilItAnswers(address: string): Promise<void> {
  for (let i = 0; i < 600; i += 1) {
    try {
      if ((await fetch(`${address}/api/health`)).ok) return;
    } catch {
      // Not up yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('The server did not answer');
}

/** Ends a server at once, as a power cut would, and waits until it is gone. */
export async function kill(
  server: ChildProcess,
  signal: NodeJS.Signals = 'SIGKILL',
): Promise<void> {
  const gone = new Promise((resolve) => server.once('exit', resolve));
  server.kill(signal);
  await gone;
}
