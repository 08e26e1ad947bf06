// A PostgreSQL server for the tests, in a folder of its own on loopback: Debian's, installed where it is missing.
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { debian } from './prepare.mjs';

const VERSIONS = '/usr/lib/postgresql';
const USER = 'postgres';

/** Where the newest installed server's programs are; null where there is none. */
function programs() {
  const [newest] = existsSync(VERSIONS)
    ? readdirSync(VERSIONS).sort((p, q) => Number(q) - Number(p))
    : [];
  const place = newest && path.join(VERSIONS, newest, 'bin');
  return place && existsSync(path.join(place, 'initdb')) ? place : null;
}

const freePort = () =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

/** Runs a program of the server, which does not run as root. */
function asUser(command, args, options = {}) {
  const isRoot = process.getuid() === 0;
  const [file, all] = isRoot ? ['runuser', ['-u', USER, '--', command, ...args]] : [command, args];
  execFileSync(file, all, { stdio: 'ignore', ...options });
}

/** Installs Debian's server where it is missing and may be. */
export function installServer() {
  if (!programs() && process.getuid() === 0) debian(['postgresql', 'postgresql-client']);
}

/**
 * Starts a server; answers with its address and how it is stopped. Null, with a clear word, where
 * none is installed and none may be.
 */
export async function startPostgres() {
  installServer();
  const place = programs();
  if (!place) {
    console.log('No PostgreSQL server is installed, and only root may: left out.');
    return null;
  }
  const folder = mkdtempSync(path.join(tmpdir(), 'zesty-hound-pg-'));
  if (process.getuid() === 0) spawnSync('chown', [USER, folder]);
  const data = path.join(folder, 'data');
  const port = await freePort();
  // What the tests write is thrown away: nothing of it waits for the disk.
  const settings = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c fsync=off`;
  asUser(path.join(place, 'initdb'), ['-D', data, '-A', 'trust', '-U', 'zh', '-E', 'UTF8']);
  asUser(path.join(place, 'pg_ctl'), [
    ...['-D', data, '-w', '-o', settings],
    ...['-l', path.join(folder, 'log'), 'start'],
  ]);
  return {
    url: `postgres://zh@127.0.0.1:${port}/postgres`,
    stop: () => {
      asUser(path.join(place, 'pg_ctl'), ['-D', data, '-m', 'immediate', 'stop']);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
