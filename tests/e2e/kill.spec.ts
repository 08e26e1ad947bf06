import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import net from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';

const KILLS = 20;
const POSITIONS = 24;
const LAPS = 20;

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });

/** A folder with one set to type into; the set's id. */
function prepare(folder: string): string {
  const size = { positions: POSITIONS, laps: LAPS };
  const args = ['--import', 'tsx', 'tests/e2e/killFolder.ts', folder, JSON.stringify(size)];
  return execFileSync(process.execPath, args, { encoding: 'utf8' }).trim();
}

function startServer(port: number, folder: string): ChildProcess {
  return spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      stdio: 'ignore',
      env: { ...process.env, NODE_ENV: 'production', ZESTY_HOUND_DATA: folder, DATABASE_URL: '' },
    },
  );
}

async function untilItAnswers(address: string): Promise<void> {
  for (let i = 0; i < 200; i += 1) {
    try {
      if ((await fetch(`${address}/api/health`)).ok) return;
    } catch {
      // Not up yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('The server did not answer');
}

test(`${KILLS} kills at random moments lose no reading that was answered`, async () => {
  test.setTimeout(480_000);
  const folder = mkdtempSync(path.join(tmpdir(), 'zh-kill-'));
  const setId = prepare(folder);
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const url = `${address}/api/v1/sets/${setId}/readings`;
  const answered = new Map<string, string>();
  let count = 0;

  for (let kill = 0; kill < KILLS; kill += 1) {
    const server = startServer(port, folder);
    const gone = new Promise((resolve) => server.once('exit', resolve));
    await untilItAnswers(address);
    setTimeout(() => server.kill('SIGKILL'), 30 + Math.random() * 500);
    for (;;) {
      const lap = Math.floor(count / POSITIONS) % LAPS;
      const position = count % POSITIONS;
      const text = `${(count % 900) - 450}um`;
      try {
        const response = await fetch(url, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ readings: [{ lap, position, text, unit: 'mm' }] }),
        });
        if (!response.ok) throw new Error(await response.text());
        answered.set(`${lap}.${position}`, text);
        count += 1;
      } catch {
        // The reading on its way when the server died may be there or not; it is typed again.
        answered.delete(`${lap}.${position}`);
        break;
      }
    }
    await gone;
  }

  const server = startServer(port, folder);
  const gone = new Promise((resolve) => server.once('exit', resolve));
  await untilItAnswers(address);
  const { readings } = (await (await fetch(url)).json()) as {
    readings: { lap: number; position: number; text: string }[];
  };
  server.kill('SIGTERM');
  await gone;
  const found = new Map(readings.map(({ lap, position, text }) => [`${lap}.${position}`, text]));
  const lost = [...answered].filter(([place, text]) => found.get(place) !== text);
  expect(count).toBeGreaterThan(KILLS);
  expect(lost).toEqual([]);
  rmSync(folder, { recursive: true, force: true });
});

test('a second start on a folder in use is refused in words that name it', async () => {
  const folder = process.env.E2E_DATA ?? '';
  const second = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(await freePort())],
    {
      env: { ...process.env, NODE_ENV: 'production', ZESTY_HOUND_DATA: folder, DATABASE_URL: '' },
    },
  );
  let said = '';
  second.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  const code = await new Promise((resolve) => second.once('exit', resolve));
  expect(code).not.toBe(0);
  expect(said).toContain(folder);
  expect(said).toContain('in use by another running copy');
});
