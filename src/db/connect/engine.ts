import fs from 'node:fs';
import type { PGlite, QueryOptions, Transaction } from '@electric-sql/pglite';
import { ExpectedError } from '../../core/expected';
import { askInOneMessage } from './oneMessage';

/** What the log may grow to before it is brought into the tables, in bytes. */
const LONGEST_LOG = 24_000_000;
/** A quiet engine brings a log of this length into its tables, so that it opens quickly. */
const LOG_WHEN_QUIET = 4_000_000;
const QUIET_MS = 20_000;
/** Statements between two looks at the log. */
const LOOK_EVERY = 50;
/** Without so many bytes free the engine is not opened and nothing is written: its log needs them. */
export const ROOM_TO_WRITE = 48_000_000;

/** The disk has no room to keep anything. */
export class DiskFull extends ExpectedError {
  constructor(folder: string) {
    super(
      `The disk of ${folder} is full: nothing can be kept there until room is made. What is on file is whole.`,
    );
  }
}

/** The engine failed and was opened anew; what was asked of it is to be asked again. */
export class EngineFailed extends ExpectedError {
  constructor(cause: unknown) {
    super(
      `The database stopped and is opened anew: ${cause instanceof Error ? cause.message : String(cause)}.`,
    );
  }
}

/** Refuses what would write to a disk without room for it. */
export function refuseFullDisk(folder: string): void {
  const { bavail, bsize } = fs.statfsSync(folder);
  if (bavail * bsize < ROOM_TO_WRITE) throw new DiskFull(folder);
}

/** How the engine runs: what it answers for is on the disk. */
const PARAMETERS = {
  fsync: 'on',
  wal_sync_method: 'fsync',
  // The log is brought into the tables by `keepLogShort`: the engine alone never does.
  max_wal_size: '64MB',
  min_wal_size: '48MB',
  wal_compression: 'pglz',
  // The pages that are asked for lie in memory: an index costs little more than a scan.
  random_page_cost: '1.1',
};

/**
 * Types whose values the driver takes as the engine writes them: times, dates, intervals and lists of these. It says
 * so with every question, and the engine then makes its whole table of readers anew (0.26 ms of 0.69 ms).
 */
const TAKEN_AS_TEXT = [1082, 1114, 1184, 1186, 1115, 1182, 1185, 1187, 1231];

/** Tells an engine once and for all what the driver would tell it with every question. */
export function readAsDriver<Asked extends Pick<PGlite, 'parsers'>>(engine: Asked): Asked {
  for (const type of TAKEN_AS_TEXT) engine.parsers[type] = (value) => value;
  return engine;
}

/** How an answer is wanted, without what the engine was told once and for all. */
function withoutKnown(options: QueryOptions | undefined): QueryOptions | undefined {
  if (!options?.parsers) return options;
  const { parsers, ...rest } = options;
  const isKnown = Object.keys(parsers).every((type) => TAKEN_AS_TEXT.includes(Number(type)));
  return isKnown ? rest : options;
}

async function startEngine(database: string): Promise<PGlite> {
  const { PGlite } = await import('@electric-sql/pglite');
  const { DurableNodeFS } = await import('./durableFs');
  return PGlite.create({
    fs: new DurableNodeFS(database),
    startParams: [
      ...PGlite.defaultStartParams.filter((param) => param !== '-F'),
      ...Object.entries(PARAMETERS).flatMap(([name, value]) => ['-c', `${name}=${value}`]),
    ],
  });
}

/**
 * Whether an error says that the engine itself is broken. A broken one answers nothing, or never
 * again: it is not asked once more, not even to close. A table that could not grow is an error
 * like any other, and so is a damaged page.
 */
export function isBreaking(error: unknown): boolean {
  if (!(error instanceof Error)) return true;
  const { severity, code, message } = error as Error & { severity?: string; code?: string };
  if (error instanceof WebAssembly.RuntimeError || /^Aborted\(/.test(message)) return true;
  if (code === undefined || severity === undefined) return /ErrnoError|ExitStatus/.test(error.name);
  if (severity === 'FATAL' || severity === 'PANIC') return true;
  if (code === '53100') return !message.startsWith('could not extend file');
  return code === '58030';
}

type Asked<Value> = (engine: PGlite) => Promise<Value>;

/** Takes part of the engine’s place for those who ask it: what a transaction or a plain query needs. */
type Client = Pick<PGlite, 'query' | 'exec' | 'transaction'>;

/**
 * The embedded engine in a folder. One that fails is left alone and another is opened in its
 * place, as soon as the disk has room; what was under way fails, and what comes after waits for it.
 */
export class Engine implements Client {
  private current: Promise<PGlite> | null = null;
  /** The one that is asked; what another one says of itself, left before, is no news of this one. */
  private inUse: PGlite | null = null;
  /** Those who wait for an answer: each is told where the engine fails. */
  private readonly waiting = new Set<(error: Error) => void>();
  private asked = 0;
  private keptTo = 0n;
  private quiet: NodeJS.Timeout | null = null;
  private isClosed = false;
  /** Statements that the engine keeps ready, and the next one in its place too. */
  private readonly ready: string[] = [];
  /** Who hears what is told on a channel, from the next engine in its place too. */
  private readonly hearers: (readonly [string, (payload: string) => void])[] = [];
  /** Is told when the log was brought into the tables. */
  onKept: () => void = () => undefined;

  constructor(
    private readonly database: string,
    private readonly start: (database: string) => Promise<PGlite> = startEngine,
  ) {}

  /** Opens the engine; where it cannot be opened it is tried anew with the next question. */
  async open(): Promise<void> {
    await this.engine();
  }

  /** Has a statement kept ready (`prepare name as …`), which must not be known yet. */
  async prepare(statement: string): Promise<void> {
    await this.exec(statement);
    this.ready.push(statement);
  }

  /** Hears what the database is told on a channel; an empty text where another engine took over. */
  async listen(channel: string, heard: (payload: string) => void): Promise<void> {
    await (await this.engine()).listen(channel, heard);
    this.hearers.push([channel, heard]);
  }

  private engine(): Promise<PGlite> {
    // Its folder may be another’s by now.
    if (this.isClosed) return Promise.reject(new Error('The database is closed.'));
    this.current ??= this.begin().catch((error: unknown) => {
      this.current = null;
      throw error;
    });
    return this.current;
  }

  private async begin(): Promise<PGlite> {
    if (fs.existsSync(this.database)) refuseFullDisk(this.database);
    const engine = askInOneMessage(readAsDriver(await this.start(this.database)));
    this.keptTo = await positionOf(engine);
    for (const statement of this.ready) await engine.exec(statement);
    for (const [channel, heard] of this.hearers) {
      await engine.listen(channel, heard);
      heard('');
    }
    this.inUse = engine;
    return engine;
  }

  /** Takes an engine out of use for good: whoever waits for it is told. */
  private leave(engine: PGlite, error: unknown): EngineFailed {
    const told = new EngineFailed(error);
    if (this.inUse !== engine) return told;
    process.stderr.write(`The database stopped: ${String(error)}\n`);
    this.inUse = null;
    this.current = null;
    for (const tell of this.waiting) tell(told);
    this.waiting.clear();
    return told;
  }

  /** Asks the engine; an answer that says that it is broken is the last that it is asked for. */
  private async ask<Value>(asked: Asked<Value>): Promise<Value> {
    const engine = await this.engine();
    let tell: (error: Error) => void = () => undefined;
    try {
      // Nothing that outlives a question knows of it: a process asks millions.
      return await new Promise<Value>((resolve, reject) => {
        tell = reject;
        this.waiting.add(tell);
        asked(engine).then(resolve, reject);
      });
    } catch (error) {
      if (error instanceof EngineFailed || !isBreaking(error)) throw error;
      throw this.leave(engine, error);
    } finally {
      this.waiting.delete(tell);
      this.asked += 1;
      this.watchLog();
    }
  }

  readonly query: PGlite['query'] = (question, values, options) =>
    this.ask((engine) => engine.query(question, values, withoutKnown(options)));

  readonly exec: PGlite['exec'] = (...args) => this.ask((engine) => engine.exec(...args));

  readonly transaction: PGlite['transaction'] = (run) =>
    this.ask((engine) => engine.transaction((tx) => run(this.guarded(engine, tx))));

  /** A transaction of which a broken engine hears no more: it would be asked to roll it back. */
  private guarded(engine: PGlite, tx: Transaction): Transaction {
    const heed = <Args extends unknown[], Value>(method: (...args: Args) => Promise<Value>) => {
      return (...args: Args): Promise<Value> =>
        method(...args).catch((error: unknown) => {
          if (!isBreaking(error)) throw error;
          this.leave(engine, error);
          return new Promise<never>(() => undefined);
        });
    };
    return new Proxy(tx, {
      get: (target, name) => {
        const found: unknown = Reflect.get(target, name, target);
        if (name === 'query') {
          return heed((...[question, values, options]: Parameters<Transaction['query']>) =>
            target.query(question, values, withoutKnown(options)),
          );
        }
        if (name === 'exec' || name === 'sql') {
          return heed((found as (...args: unknown[]) => Promise<unknown>).bind(target));
        }
        return typeof found === 'function' ? (found.bind(target) as unknown) : found;
      },
    });
  }

  /** Looks at the log now and then, and a while after the last question. */
  private watchLog(): void {
    if (this.isClosed) return;
    if (this.asked >= LOOK_EVERY) {
      this.asked = 0;
      void this.keepLogShort(LONGEST_LOG);
    }
    if (this.quiet) clearTimeout(this.quiet);
    this.quiet = setTimeout(() => void this.keepLogShort(LOG_WHEN_QUIET), QUIET_MS);
    this.quiet.unref();
  }

  /** Brings the log into the tables where it has grown beyond a length. */
  private async keepLogShort(longest: number): Promise<void> {
    const engine = await this.current?.catch(() => null);
    if (!engine || this.isClosed) return;
    try {
      const at = await positionOf(engine);
      if (at - this.keptTo < BigInt(longest)) return;
      this.keptTo = at;
      // What cannot be written must not be tried: the engine does not outlive it.
      refuseFullDisk(this.database);
      await engine.exec('checkpoint');
      this.onKept();
    } catch (error) {
      if (this.isClosed || error instanceof DiskFull || !isBreaking(error)) return;
      this.leave(engine, error);
    }
  }

  async close(): Promise<void> {
    this.isClosed = true;
    if (this.quiet) clearTimeout(this.quiet);
    const engine = await this.current?.catch(() => null);
    this.current = null;
    await engine?.close();
  }
}

/** How far the log reaches, in bytes since it began. */
async function positionOf(engine: PGlite): Promise<bigint> {
  const { rows } = await engine.query<{ at: string }>(
    "select (pg_current_wal_insert_lsn() - '0/0')::text as at",
  );
  return BigInt(rows[0]?.at ?? 0);
}
