import { spawn } from 'node:child_process';

/** A built application that runs on a folder, and how to stop it. */
export interface Served {
  readonly address: string;
  readonly pid: number;
  readonly stop: () => Promise<void>;
}

/** Starts the built application on a data folder and waits until it answers. */
export async function serve(
  folder: string,
  port: number,
  {
    args = [],
    env = {},
    isOpen = false,
  }: {
    readonly args?: readonly string[];
    readonly env?: Readonly<Record<string, string>>;
    /** Open to the network: HTTPS by its own certificate, and nothing for a screen that is not paired. */
    readonly isOpen?: boolean;
  } = {},
): Promise<Served> {
  const own = isOpen ? ['--network'] : [];
  const server = spawn(process.execPath, [...args, 'scripts/server.mjs', ...own], {
    stdio: 'ignore',
    env: {
      ...process.env,
      ...{ NODE_ENV: 'production', NODE_OPTIONS: '', HOST: '127.0.0.1', PORT: String(port) },
      ...{ ZESTY_HOUND_DATA: folder, DATABASE_URL: '', NEXT_MANUAL_SIG_HANDLE: '1' },
      ...env,
    },
  });
  const address = `${isOpen ? 'https' : 'http'}://127.0.0.1:${port}`;
  for (let i = 0; i < 600; i += 1) {
    const up = await fetch(`${address}/api/health`).then(
      // Who is not paired is told nothing, by a server that is up.
      ({ ok }) => ok || isOpen,
      () => false,
    );
    if (up) break;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return {
    address,
    pid: server.pid ?? 0,
    stop: async () => {
      server.kill('SIGTERM');
      await new Promise((resolve) => server.once('exit', resolve));
    },
  };
}

/** Times of whole answers in ms, those of the first ten left out. */
export async function answerTimes(
  runs: number,
  addressOf: (run: number) => string,
): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < runs + 10; i += 1) {
    const start = performance.now();
    const answer = await fetch(addressOf(i));
    await answer.text();
    if (!answer.ok) throw new Error(`${addressOf(i)} answers ${answer.status}`);
    if (i >= 10) times.push(performance.now() - start);
  }
  return times;
}
