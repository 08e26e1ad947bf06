import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { build } from 'esbuild';
import { seededRandom, type RandomSource } from '../../src/core/numeric';

/**
 * npm run drill -- disk: kills, power cuts, full disks, torn folders and double starts. What was
 * answered for must be there; what is not whole must be refused in words.
 */

const ANSWER_MS = 60_000;

/** One run of the program that is drilled. */
class Run {
  /** Where the program lies that `bundle` made. */
  static program = '';
  readonly lines: string[] = [];
  readonly gone: Promise<void>;
  private readonly child: ChildProcess;
  private readonly waiting = new Set<() => void>();

  constructor(folder: string, args: readonly string[], env: Record<string, string> = {}) {
    this.child = spawn(process.execPath, [Run.program, ...args], {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, DATABASE_URL: '', ZESTY_HOUND_DATA: folder, ...env },
    });
    this.child.stderr?.on('data', () => undefined);
    createInterface({ input: this.child.stdout! }).on('line', (line) => {
      this.lines.push(line);
      for (const wake of this.waiting) wake();
    });
    this.gone = new Promise((resolve) => {
      this.child.once('close', () => {
        for (const wake of this.waiting) wake();
        resolve();
      });
    });
  }

  kill(): Promise<void> {
    this.child.kill('SIGKILL');
    return this.gone;
  }

  /** Waits for a line that begins so, from a line on; null where it does not come. */
  async line(begins: RegExp, from = 0, within = ANSWER_MS): Promise<string | null> {
    const until = Date.now() + within;
    for (;;) {
      const found = this.lines.slice(from).find((line) => begins.test(line));
      if (found !== undefined) return found;
      if (Date.now() > until || this.child.exitCode !== null) return null;
      await new Promise<void>((resolve) => {
        const wake = (): void => {
          this.waiting.delete(wake);
          resolve();
        };
        this.waiting.add(wake);
        setTimeout(wake, Math.max(1, until - Date.now()));
      });
    }
  }

  /** The marks that it was answered for. */
  kept(): number[] {
    return this.lines.flatMap((line) => /^kept (\d+)/.exec(line)?.[1] ?? []).map(Number);
  }
}

/** Makes one file of the program, which starts in a moment. */
async function bundle(work: string): Promise<void> {
  Run.program = path.join(work, 'child.mjs');
  await build({
    entryPoints: ['drill/disk/child.ts'],
    ...{ outfile: Run.program, bundle: true, platform: 'node', format: 'esm', logLevel: 'error' },
    alias: { 'server-only': path.resolve('tests/empty.ts') },
    external: ['@electric-sql/pglite', '@electric-sql/pglite/*', 'pg', 'react', 'next/*'],
    banner: {
      js: "import { createRequire as zhCreateRequire } from 'node:module'; const require = zhCreateRequire(import.meta.url);",
    },
  });
  // Packages that are not bundled are found from where the program lies.
  fs.symlinkSync(path.resolve('node_modules'), path.join(work, 'node_modules'));
}

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const root = (...args: string[]): boolean => spawnSync(args[0]!, args.slice(1)).status === 0;

interface Seen {
  /** The marks that are there, or null where it was refused. */
  readonly marks: readonly number[] | null;
  readonly said: string;
}

/** Starts the program once and looks at what is there; a start without an answer is a fault of its own. */
async function look(folder: string, env: Record<string, string> = {}): Promise<Seen> {
  const run = new Run(folder, ['look'], env);
  const said = (await run.line(/^(ready|refused) /)) ?? 'nothing was said';
  await Promise.race([run.gone, wait(5000)]);
  await run.kill();
  return {
    marks: said.startsWith('ready ') ? (JSON.parse(said.slice(6)) as number[]) : null,
    said,
  };
}

/** What is missing of what was answered for. */
const lost = (kept: readonly number[], marks: readonly number[]): number => {
  const there = new Set(marks);
  return kept.filter((mark) => !there.has(mark)).length;
};

const isPlain = (said: string): boolean =>
  /^refused (The data folder|The disk|Another|The records|.*in use)/.test(said);

/** A loop file system of its own; cut off like a disk whose power fails. */
class Disk {
  readonly folder: string;
  private readonly image: string;
  /** A new one of so many megabytes, or one like a disk that was laid aside. */
  constructor(work: string, like: number | string) {
    this.image = path.join(work, 'disk.img');
    this.folder = path.join(work, 'disk');
    fs.mkdirSync(this.folder, { recursive: true });
    fs.rmSync(this.image, { force: true });
    const isMade =
      typeof like === 'string'
        ? root('cp', '--sparse=always', like, this.image)
        : root('truncate', '-s', `${like}MB`, this.image) && root('mkfs.ext4', '-q', this.image);
    if (!isMade || !this.mount()) throw new Error('no loop mount');
  }
  /** Lays it aside as it stands, to begin with again, and answers where it lies. */
  async layAside(name: string): Promise<string> {
    await this.unmount();
    const aside = `${this.image}.${name}`;
    fs.renameSync(this.image, aside);
    return aside;
  }
  mount(): boolean {
    return root('mount', '-o', 'loop', this.image, this.folder);
  }
  /** Everything that is not on the disk is gone from this moment on (ext4’s shutdown, no flush). */
  cut(): boolean {
    const program = `import fcntl,os,struct,sys
fcntl.ioctl(os.open(sys.argv[1], os.O_RDONLY), 0x8004587d, struct.pack('I', 2))`;
    return root('python3', '-c', program, this.folder);
  }
  async unmount(): Promise<void> {
    for (let i = 0; i < 50 && !root('umount', this.folder); i += 1) await wait(100);
  }
}

type Say = (fault: string) => void;

const isQuick = process.env.DRILL_QUICK === '1';
const times = (many: number): number => (isQuick ? Math.min(3, many) : many);

async function kills(work: string, random: RandomSource, fault: Say): Promise<string> {
  const folder = path.join(work, 'kills');
  let kept: number[] = [];
  let answered = 0;
  for (let i = 0; i < times(100); i += 1) {
    const run = new Run(folder, [i % 4 === 3 ? 'copy' : 'write', String(1 + Math.max(0, ...kept))]);
    const said = await run.line(/^(ready|refused) /);
    if (!said?.startsWith('ready ')) {
      await run.kill();
      fault(`kill ${i}: ${said}`);
      break;
    }
    const missing = lost(kept, JSON.parse(said.slice(6)) as number[]);
    if (missing > 0) fault(`kill ${i}: ${missing} lost`);
    await wait(random.uniform() * (i % 4 === 3 ? 4000 : 900));
    await run.kill();
    answered += run.kept().length;
    kept = [...kept, ...run.kept()].slice(-400);
  }
  return `${times(100)} kills, ${answered} answered for`;
}

/** What is running when the power fails. */
const CUTS = ['new', 'write', 'write', 'copy', 'restore', 'migrate'] as const;

/** A folder of an older version of the program: it knows all migrations but the last two. */
function olderProgram(work: string): string {
  const old = path.join(work, 'older');
  const to = path.join(old, 'src/db/migrations');
  fs.cpSync('src/db/migrations', to, { recursive: true });
  const journal = path.join(to, 'meta/_journal.json');
  const known = JSON.parse(fs.readFileSync(journal, 'utf8')) as { entries: unknown[] };
  fs.writeFileSync(journal, JSON.stringify({ ...known, entries: known.entries.slice(0, -2) }));
  return old;
}

/** What stands on a disk before its power fails. */
interface Standing {
  readonly disk: string;
  /** The marks that are there, and those of the copy that lies there too. */
  readonly marks: readonly number[];
  readonly copied: readonly number[] | null;
}

/** Makes a disk with what stands on it before a kind of cut. */
async function standingFor(work: string, what: (typeof CUTS)[number], old: string) {
  const disk = new Disk(work, 600);
  const folder = path.join(disk.folder, 'data');
  let marks: number[] = [];
  let copied: number[] | null = null;
  if (what !== 'new') {
    const first = new Run(folder, ['write', '1'], what === 'migrate' ? { DRILL_OLD: old } : {});
    await first.line(/^kept 20$/);
    await first.kill();
    marks = first.kept();
  }
  if (what === 'restore') {
    await new Run(folder, ['copy-once']).gone;
    copied = marks;
    const more = new Run(folder, ['write', '1000']);
    await more.line(/^kept 1010$/);
    await more.kill();
    marks = [...marks, ...more.kept()];
  }
  return { disk: await disk.layAside(what), marks, copied };
}

async function cuts(work: string, random: RandomSource, fault: Say): Promise<string> {
  const old = olderProgram(work);
  // A folder is made once for each kind of cut; what is cut off is always another one like it.
  const made = new Map<string, Standing>();
  const counts = new Map<string, number>();
  for (let i = 0; i < times(50); i += 1) {
    const what = CUTS[i % CUTS.length]!;
    counts.set(what, (counts.get(what) ?? 0) + 1);
    const standing = made.get(what) ?? (await standingFor(work, what, old));
    made.set(what, standing);
    const { marks, copied } = standing;
    const disk = new Disk(work, standing.disk);
    const folder = path.join(disk.folder, 'data');
    const name = `power cut ${i} (${what})`;
    const kind = {
      new: 'write',
      write: 'write',
      copy: 'copy',
      restore: 'restore',
      migrate: 'look',
    };
    const run = new Run(folder, [kind[what], '5000']);
    if (what === 'restore') await run.line(/^staged/);
    else if (what === 'write' || what === 'copy') await run.line(/^ready/);
    else if (what === 'new' && i % 2 === 0) await run.line(/^kept/);
    await wait(
      random.uniform() * { new: 2500, write: 1500, copy: 5000, restore: 900, migrate: 2500 }[what],
    );
    const kept = run.kept();
    if (!disk.cut()) throw new Error('The file system cannot be cut off here.');
    await run.kill();
    await disk.unmount();
    if (!disk.mount()) fault(`${name}: the disk does not mount`);
    const seen = await look(folder);
    if (!seen.marks) fault(`${name}: ${seen.said.slice(0, 200)}`);
    else {
      const isCopy = copied !== null && seen.marks.length === copied.length;
      const missing = isCopy ? 0 : lost([...marks, ...kept], seen.marks);
      if (missing > 0) fault(`${name}: ${missing} lost`);
    }
    if (i % 10 === 9) console.log(`  ${i + 1} power cuts`);
    await disk.unmount();
  }
  return `${times(50)} power cuts (${[...counts].map(([what, n]) => `${n} ${what}`).join(', ')})`;
}

async function full(work: string, random: RandomSource, fault: Say): Promise<string> {
  const disk = new Disk(work, 700);
  const folder = path.join(disk.folder, 'data');
  const run = new Run(folder, ['copy', '1']);
  await run.line(/^ready/);
  let troubles = 0;
  let slowest = 0;
  for (let i = 0; i < times(30); i += 1) {
    await wait(300 + random.uniform() * 1500);
    const filler = path.join(disk.folder, 'filler');
    const free = fs.statfsSync(disk.folder);
    const left = i % 3 === 0 ? 0 : random.uniform() * 60_000_000;
    spawnSync('fallocate', [
      '-l',
      String(Math.max(1, Math.floor(free.bavail * free.bsize - left))),
      filler,
    ]);
    if (left === 0) spawnSync('dd', ['if=/dev/zero', `of=${filler}2`, 'bs=4096']);
    await wait(500 + random.uniform() * 1000);
    troubles += run.lines.filter((line) => line.startsWith('trouble')).length > troubles ? 1 : 0;
    fs.rmSync(filler, { force: true });
    fs.rmSync(`${filler}2`, { force: true });
    const since = Date.now();
    const at = run.lines.length;
    if ((await run.line(/^kept/, at, 30_000)) === null) {
      fault(`full disk ${i}: it answers no more: ${run.lines.at(-1)}`);
      break;
    }
    slowest = Math.max(slowest, Date.now() - since);
    // Copies fill the disk by themselves.
    const copies = path.join(folder, 'copies');
    for (const name of fs.existsSync(copies) ? fs.readdirSync(copies) : []) {
      if (name.startsWith('backup-')) fs.rmSync(path.join(copies, name), { force: true });
    }
  }
  await run.kill();
  const seen = await look(folder);
  if (!seen.marks) fault(`after full disks: ${seen.said}`);
  else {
    const missing = lost(run.kept(), seen.marks);
    if (missing > 0) fault(`full disks: ${missing} lost`);
  }
  await disk.unmount();
  return `${times(30)} full disks, ${run.kept().length} answered for, ${run.lines.filter((line) => line.startsWith('trouble')).length} told to wait, the longest until it went on ${(slowest / 1000).toFixed(1)} s`;
}

async function torn(work: string, random: RandomSource, fault: Say): Promise<string> {
  const closed = path.join(work, 'closed');
  const killed = path.join(work, 'killed');
  const first = new Run(closed, ['write', '1']);
  await first.line(/^kept 300$/);
  await first.kill();
  await look(closed);
  const running = new Run(closed, ['write', '1000']);
  await running.line(/^kept 1003/);
  await running.kill();
  fs.cpSync(closed, killed, {
    recursive: true,
    preserveTimestamps: true,
    filter: (from) => !from.endsWith('lock'),
  });
  const marks = (await look(closed)).marks!;
  const counts = { refused: 0, whole: 0 };
  for (let i = 0; i < times(60); i += 1) {
    const folder = path.join(work, 'torn');
    fs.rmSync(folder, { recursive: true, force: true });
    fs.cpSync(i % 2 === 0 ? closed : killed, folder, { recursive: true, preserveTimestamps: true });
    const places = ['pg/base/5', 'pg/base/5', 'pg/pg_wal', 'pg/global', 'pg/pg_xact'];
    const where = path.join(folder, places[Math.floor(random.uniform() * places.length)]!);
    const names = fs
      .readdirSync(where)
      .filter((name) => /^\d/.test(name) && fs.statSync(path.join(where, name)).size > 0);
    const pick = (): string =>
      path.join(where, names[Math.floor(random.uniform() * names.length)]!);
    const [one, other] = [pick(), pick()];
    const how = ['deleted', 'flipped', 'truncated', 'swapped'][Math.floor(i / 2) % 4]!;
    const { size } = fs.statSync(one);
    if (how === 'deleted') fs.rmSync(one);
    if (how === 'flipped') {
      const bytes = fs.readFileSync(one);
      // Most of the log’s last file was never written.
      const used = bytes.findLastIndex((byte) => byte !== 0) + 1;
      bytes[Math.floor(random.uniform() * used)]! ^= 1 << Math.floor(random.uniform() * 8);
      fs.writeFileSync(one, bytes);
    }
    if (how === 'truncated')
      fs.truncateSync(one, Math.floor((random.uniform() * size) / 8192) * 8192);
    if (how === 'swapped') {
      fs.renameSync(one, `${one}.x`);
      if (fs.existsSync(other)) fs.renameSync(other, one);
      fs.renameSync(`${one}.x`, other === one ? one : other);
    }
    const seen = await look(folder);
    const name = `torn ${i} (${i % 2 === 0 ? 'closed' : 'killed'}, ${path.relative(folder, one)} ${how})`;
    if (!seen.marks) {
      counts.refused += 1;
      if (!isPlain(seen.said)) fault(`${name}: no plain word: ${seen.said.slice(0, 200)}`);
    } else if (lost(marks, seen.marks) > 0)
      fault(`${name}: opened with ${lost(marks, seen.marks)} lost`);
    else counts.whole += 1;
  }
  return `${times(60)} torn folders, ${counts.refused} refused in words, ${counts.whole} opened with everything there`;
}

async function doubles(work: string, random: RandomSource, fault: Say): Promise<string> {
  const long = path.join(work, 'a-folder-of-a-long-name-'.repeat(6));
  for (let i = 0; i < times(20); i += 1) {
    const folder = i % 2 === 0 ? path.join(work, 'double') : long;
    const first = new Run(folder, ['write', String(1 + i * 100_000)]);
    const together = random.uniform() < 0.3;
    if (!together) await first.line(/^kept/);
    const second = new Run(
      folder,
      ['write', String(50_000 + i * 100_000)],
      i % 3 === 0 ? { TMPDIR: work } : {},
    );
    const runs = [first, second];
    const said = await Promise.all(runs.map((run) => run.line(/^(ready|refused) /)));
    const open = said.filter((line) => line?.startsWith('ready'));
    if (open.length !== 1) fault(`double start ${i}: ${open.length} opened it`);
    const refused = said.find((line) => line?.startsWith('refused'));
    if (refused && !/in use/.test(refused)) fault(`double start ${i}: ${refused.slice(0, 160)}`);
    for (const run of runs) await run.kill();
  }
  return `${times(20)} double starts`;
}

/** Runs the drill; answers with what it found. */
export async function runDisk(seed: number): Promise<readonly string[]> {
  const work = fs.mkdtempSync(path.join(tmpdir(), 'zh-disk-'));
  await bundle(work);
  const faults: string[] = [];
  const scenes = { kills, torn, doubles, full, cuts };
  const wanted = process.env.DRILL_SCENES?.split(',') ?? Object.keys(scenes);
  for (const [name, scene] of Object.entries(scenes)) {
    if (!wanted.includes(name)) continue;
    const since = Date.now();
    const before = faults.length;
    try {
      const said = await scene(work, seededRandom(seed), (fault) => {
        faults.push(fault);
        console.log(`  FAULT ${fault}`);
      });
      const seconds = Math.round((Date.now() - since) / 1000);
      console.log(`${said}: ${faults.length - before} faults, ${seconds} s`);
    } catch (error) {
      if (!(error instanceof Error) || !/loop mount|cut off here/.test(error.message)) throw error;
      console.log(`${name}: left out, a loop mount is not allowed here (${error.message}).`);
    }
  }
  spawnSync('umount', [path.join(work, 'disk')]);
  fs.rmSync(work, { recursive: true, force: true });
  return faults;
}
