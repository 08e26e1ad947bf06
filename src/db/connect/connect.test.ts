import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { spawn } from 'node:child_process';
import { FolderInUse, lockFolder } from './folderLock';
import { folderVersion, keepCopy, knownVersion, writeFolderVersion } from './folderVersion';

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

test('a folder is held once, by name, and free again when let go', async () => {
  const unlock = await lockFolder(folder);
  await expect(lockFolder(folder)).rejects.toThrow(FolderInUse);
  await expect(lockFolder(folder)).rejects.toThrow(folder);
  unlock();
  const again = await lockFolder(folder);
  again();
});

test('a lock left by a killed process is taken over', async () => {
  const file = path.join(folder, 'lock');
  const child = spawn(process.execPath, [
    '-e',
    `require('net').createServer().listen(${JSON.stringify(file)}, () => console.log('held'))`,
  ]);
  await new Promise((resolve) => child.stdout.once('data', resolve));
  await expect(lockFolder(folder)).rejects.toThrow(FolderInUse);
  child.kill('SIGKILL');
  await new Promise((resolve) => child.once('exit', resolve));
  expect(fs.existsSync(file)).toBe(true);
  const unlock = await lockFolder(folder);
  unlock();
});

test('of two starters that meet a stale file one gives way', async () => {
  const file = path.join(folder, 'lock');
  const child = spawn(process.execPath, [
    '-e',
    `require('net').createServer().listen(${JSON.stringify(file)}, () => process.kill(process.pid, 'SIGKILL'))`,
  ]);
  await new Promise((resolve) => child.once('exit', resolve));
  const tries = await Promise.allSettled([lockFolder(folder), lockFolder(folder)]);
  const held = tries.filter(({ status }) => status === 'fulfilled');
  expect(held.length).toBeLessThanOrEqual(1);
  for (const each of tries) if (each.status === 'fulfilled') each.value();
});

test('the version of a folder is written whole and read back', () => {
  expect(folderVersion(folder)).toBeNull();
  writeFolderVersion(folder, { when: 5, tag: 'x' });
  expect(folderVersion(folder)).toEqual({ when: 5, tag: 'x' });
  fs.writeFileSync(path.join(folder, 'version.json'), '{broken');
  expect(folderVersion(folder)).toBeNull();
});

test('a copy is kept before a migration', () => {
  const database = path.join(folder, 'pg');
  fs.mkdirSync(database);
  fs.writeFileSync(path.join(database, 'file'), 'content');
  const copy = keepCopy(folder, database, { when: 1, tag: 'old' });
  expect(fs.readFileSync(path.join(copy, 'pg', 'file'), 'utf8')).toBe('content');
  expect(folderVersion(copy)).toEqual({ when: 1, tag: 'old' });
});

test('migrations only grow: their times rise', () => {
  const folderOfMigrations = path.join(process.cwd(), 'src/db/migrations');
  const journal = JSON.parse(
    fs.readFileSync(path.join(folderOfMigrations, 'meta/_journal.json'), 'utf8'),
  ) as { entries: { when: number }[] };
  const times = journal.entries.map(({ when }) => when);
  expect(times.length).toBeGreaterThan(0);
  expect([...times].sort((a, b) => a - b)).toEqual(times);
  expect(knownVersion(folderOfMigrations).when).toBe(times.at(-1));
});
