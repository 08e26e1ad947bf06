// What the commands share: install and build only when something changed. Node built-ins only,
// since this runs before anything is installed.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.dirname(path.dirname(path.dirname(fileURLToPath(import.meta.url))));
const INSTALL_STAMP = path.join(ROOT, 'node_modules', '.zesty-hound-stamp');
const BUILD_STAMP = path.join(ROOT, '.next', 'zesty-hound-stamp');
const BUILD_INPUTS = ['src', 'public', 'next.config.ts', 'tsconfig.json', 'package-lock.json'];

/** Stops with a clear word when Node is too old. */
export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > 20 || (major === 20 && minor >= 9)) return;
  console.error(`Node 20.9 or newer is needed; this is ${process.version}.`);
  process.exit(1);
}

/** Runs a command in the project's folder; stops the program when it fails. */
export function run(command, args, env = {}) {
  const { status, signal } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
  });
  if (status !== 0) {
    console.error(`\n${command} ${args.join(' ')} failed (${signal ?? status}).`);
    process.exit(status ?? 1);
  }
}

/** Runs a command beside others, its output in one piece once it has ended; whether it passed. */
export const beside = (command, args, env = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.setEncoding('utf8').on('data', (text) => {
        said += text;
      });
    }
    child.on('close', (status) => {
      process.stdout.write(said);
      resolve(status === 0);
    });
  });

/** Runs commands beside each other; stops when one fails. */
export async function runTogether(commands) {
  const passed = await Promise.all(commands.map((command) => beside(...command)));
  const failed = commands.filter((_, i) => !passed[i]);
  if (failed.length === 0) return;
  for (const [command, args] of failed) console.error(`\n${command} ${args.join(' ')} failed.`);
  process.exit(1);
}

/** The path of a program of an installed package. */
export const bin = (name) => path.join(ROOT, 'node_modules', '.bin', name);

function filesBelow(place) {
  const full = path.join(ROOT, place);
  if (!existsSync(full)) return [];
  if (!statSync(full).isDirectory()) return [place];
  return readdirSync(full)
    .sort()
    .flatMap((name) => filesBelow(path.join(place, name)));
}

function digest(places) {
  const hash = createHash('sha256').update(process.version);
  for (const file of places.flatMap(filesBelow)) {
    if (/\.test\.tsx?$/.test(file)) continue;
    hash
      .update(file)
      .update('\0')
      .update(readFileSync(path.join(ROOT, file)))
      .update('\0');
  }
  return hash.digest('hex');
}

const stampIs = (file, value) => existsSync(file) && readFileSync(file, 'utf8') === value;

const QUIET = ['--no-audit', '--no-fund', '--loglevel=error'];

/**
 * Installs the packages of the lock file unless that was done: those that running and building
 * need, or with `all` those of the tests as well, beside the ones that are there.
 */
export function install({ all = false } = {}) {
  checkNode();
  const lock = digest(['package-lock.json']);
  const [few, every] = [`${lock} to run`, `${lock} all`];
  if (stampIs(INSTALL_STAMP, every) || (!all && stampIs(INSTALL_STAMP, few))) return;
  console.log(`Installing ${all ? 'all packages' : 'the packages that running needs'} …`);
  // A program that runs from this folder keeps its packages: nothing is taken away first.
  if (all && stampIs(INSTALL_STAMP, few)) run('npm', ['install', '--no-save', ...QUIET]);
  else run('npm', ['ci', ...(all ? [] : ['--omit=dev']), ...QUIET]);
  writeFileSync(INSTALL_STAMP, all ? every : few);
}

/** Builds the application unless the build is of these very sources. */
export function build() {
  const wanted = digest(BUILD_INPUTS);
  if (stampIs(BUILD_STAMP, wanted)) return;
  console.log('Building …');
  run(bin('next'), ['build']);
  writeFileSync(BUILD_STAMP, wanted);
}

/** Builds as `build` does, with another program beside it; what is to pass `first` runs before the build. */
export async function buildBeside(command, first = []) {
  const wanted = digest(BUILD_INPUTS);
  const isBuilt = stampIs(BUILD_STAMP, wanted);
  const line = [...first, ...(isBuilt ? [] : [`"${bin('next')}" build`])].join(' && ');
  await runTogether([...(line === '' ? [] : [['sh', ['-c', line]]]), command]);
  writeFileSync(BUILD_STAMP, wanted);
}

/** Installs Debian's packages. */
export function debian(names) {
  console.log(`Installing Debian’s ${names.join(', ')} …`);
  run('apt-get', ['update', '-qq']);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...names], {
    DEBIAN_FRONTEND: 'noninteractive',
  });
}

/** What the tests read with: the text of a PDF. */
const READERS = [['/usr/bin/pdftotext', 'poppler-utils']];

/** Installs what the tests read with, where it is missing. */
export function readers() {
  const missing = READERS.filter(([file]) => !existsSync(file)).map(([, name]) => name);
  if (missing.length > 0) debian(missing);
}

/** Debian's Chromium without a window of its own: pages come in half the processor time. */
const SHELL = 'chromium-headless-shell';

/** Tries to install the headless shell; where it cannot be had, the whole browser serves. */
function tryShell() {
  const quick = ['-o', 'Acquire::Retries=0', '-o', 'Acquire::http::Timeout=20'];
  const apt = (...args) =>
    spawnSync('apt-get', ['-qq', ...quick, ...args], {
      stdio: 'ignore',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    }).status === 0;
  const install = () => apt('install', '-y', '--no-install-recommends', SHELL);
  if (!install() && apt('update')) install();
}

/** Debian's headless Chromium, installed where there is none; returns its path. */
export function chromium() {
  const found = () =>
    [
      process.env.CHROMIUM_PATH,
      `/usr/bin/${SHELL}`,
      '/usr/bin/chromium',
      '/usr/bin/chromium-browser',
    ].find((file) => file && existsSync(file));
  if (!found()?.endsWith(SHELL) && !process.env.CHROMIUM_PATH) tryShell();
  if (!found()) debian(['chromium']);
  const file = found();
  if (!file) {
    console.error('Chromium could not be installed. Install it, or set CHROMIUM_PATH.');
    process.exit(1);
  }
  return file;
}

/** The environment of a server on a data folder: loopback unless HOST says otherwise, which takes `--network`. */
export function serverEnvironment(data) {
  const port = process.env.PORT || '3000';
  if (!/^\d{1,5}$/.test(port) || Number(port) > 65535) {
    console.error(`PORT must be a number up to 65535; it is "${port}".`);
    process.exit(1);
  }
  return {
    HOST: process.env.HOST ?? '',
    PORT: port,
    ZESTY_HOUND_DATA: data,
    NEXT_MANUAL_SIG_HANDLE: '1',
    NEXT_TELEMETRY_DISABLED: '1',
    NODE_ENV: 'production',
  };
}

/** Databases that live for a test are not worth the optimizing compiler's time. */
export const SHORT_LIVED = '--liftoff-only';

/** Starts the built application and stays until it ends; `flags` are those of Node. */
export function serve(data, env = {}, flags = []) {
  const own = { ...process.env, ...serverEnvironment(data), ...env };
  // Said by whoever started this, and by nothing that lies in the environment.
  const network = process.argv.includes('--network') ? ['--network'] : [];
  const child = spawn(
    process.execPath,
    [...flags, path.join(ROOT, 'scripts', 'server.mjs'), ...network],
    {
      cwd: ROOT,
      stdio: 'inherit',
      env: own,
    },
  );
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
}

/** The command that runs a TypeScript file from source; `flags` are those of Node. */
export const typeScript = (file, args = [], env = {}, flags = []) => [
  process.execPath,
  [...flags, '--conditions=react-server', '--import', 'tsx', file, ...args],
  env,
];

/** Runs a TypeScript file from source. */
export function runTypeScript(file, args = [], env = {}) {
  run(...typeScript(file, args, env));
}

/** What the shell prints for a command, or null when it fails. */
export function output(command, args) {
  try {
    return execFileSync(command, args, { cwd: ROOT, encoding: 'utf8' }).trim();
  } catch {
    return null;
  }
}
