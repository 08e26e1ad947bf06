import fs from 'node:fs';
import path from 'node:path';
import { LogPages, logStart, PAGE, type LogStart } from './logPages';
import { syncTree } from './sync';
import { readRecord, type Found } from './logRecords';

const STEP = 8;
/** Where a log is kept that was ended before its end, in the data folder. */
export const SET_ASIDE = 'set-aside';

/** How far the log of a database can be read, and what stands there. */
interface Reading {
  readonly end: number;
  /** Null where not even its first record can be read: then the engine says so by itself. */
  readonly found: Exclude<Found['is'], 'record'> | null;
  /** When the last transaction was committed that can be read. */
  readonly last: Date | null;
}

/** Reads the log as the engine does: record by record, up to the first that is none. */
function readOn(log: LogPages, { redo }: LogStart): Reading {
  let at = redo;
  let before: number | null = null;
  let last: Date | null = null;
  for (;;) {
    const found = readRecord(log, at, before);
    if (found.is === 'unfinished' && found.anewAt !== null) {
      at = found.anewAt;
      before = null;
      continue;
    }
    if (found.is !== 'record') return { end: at, found: at === redo ? null : found.is, last };
    before = found.at;
    at = found.next;
    last = found.when ?? last;
  }
}

/**
 * Where records may begin beyond an address: at every step of its own page, and at each page after it, as far as files
 * were begun: the log is written one after the other.
 */
function* beyond(log: LogPages, from: number): Generator<number> {
  const page = from - (from % PAGE);
  for (let at = from + STEP; at < page + PAGE; at += STEP) yield at;
  for (let at = page + PAGE; at < log.end(); at += PAGE) {
    if (at % log.fileBytes === 0 && !log.isBegun(at)) return;
    yield at;
  }
}

/**
 * Whether a transaction that was answered for stands beyond an address: a commit with another record behind it, which
 * was written only once the commit was on the disk.
 */
function hasAnsweredBeyond(log: LogPages, from: number): boolean {
  let hasCommit = false;
  let readTo = from;
  for (const at of beyond(log, from)) {
    if (at < readTo) continue;
    for (let found = readRecord(log, at, null); found.is === 'record';) {
      if (hasCommit) return true;
      hasCommit = found.isCommit;
      readTo = found.next;
      found = readRecord(log, found.next, found.at);
    }
  }
  return false;
}

/** Files of the log that are not there or not whole, from the one on in which reading begins. */
function brokenFiles(log: LogPages, database: string, { redo }: LogStart): string[] {
  const faults: string[] = [];
  for (let at = redo - (redo % log.fileBytes); at < log.end(); at += log.fileBytes) {
    const name = log.nameAt(at);
    const found = fs.statSync(path.join(database, 'pg_wal', name), { throwIfNoEntry: false });
    if (!found) faults.push(`its log (pg/pg_wal/${name}) is missing`);
    else if (found.size !== log.fileBytes) faults.push(`its log (pg/pg_wal/${name}) is cut off`);
  }
  return faults;
}

const second = (when: Date): string => when.toISOString().slice(0, 19).replace('T', ' ');

/** The log of a database that was not closed; null where the engine says by itself what is wrong with it. */
function logOf(database: string): { readonly log: LogPages; readonly start: LogStart } | null {
  const start = logStart(database);
  if (!start) return null;
  const log = new LogPages(path.join(database, 'pg_wal'), start);
  return log.fileBytes === 0 ? null : { log, start };
}

/** What a look at the log of a database found. */
interface LogLook {
  /** What is not whole, in words without a full stop. */
  readonly faults: readonly string[];
  /** Whether the database opens with what was written up to the damage. */
  readonly isUpTo: boolean;
}

/**
 * What is not whole in the log of a database that was not closed; nothing where everything that was answered for can be
 * read. The engine reads its log up to the first record that it cannot read and takes that for its end: what was
 * written after a damaged one would be gone without a word.
 *
 * @param isOfThisStart whether the machine has run ever since the database was open: then nothing that was written is
 *   lost, and a last record that cannot be read is a damaged one; after a power cut it may never have been whole
 */
export function lookAtLog(database: string, isOfThisStart: boolean): LogLook {
  const { log, start } = logOf(database) ?? {};
  if (!log) return { faults: [], isUpTo: true };
  const broken = brokenFiles(log, database, start!);
  if (broken.length > 0) return { faults: broken, isUpTo: false };
  const { end, found, last } = readOn(log, start!);
  const isDamaged = found === 'damaged' && isOfThisStart;
  if (found === null || !(isDamaged || hasAnsweredBeyond(log, end))) {
    return { faults: [], isUpTo: true };
  }
  const after = last ? `after ${second(last)} UTC` : 'last';
  const name = log.nameAt(end);
  const damaged = `its log (pg/pg_wal/${name}) is damaged, and what was written ${after} cannot be read`;
  return { faults: [damaged], isUpTo: end > start!.checkpoint };
}

/**
 * Keeps the log of a database as it is beside it, and makes the end of what can be read of it its end: the database
 * opens with what it has until then, and no later start takes what is beyond for a part of it.
 *
 * @returns where it is kept
 */
export function endLogWhereReadable(folder: string, database: string): string {
  const kept = path.join(
    folder,
    SET_ASIDE,
    `log-${new Date().toISOString().replaceAll(/[:.]/g, '-')}`,
  );
  const own = path.join(database, 'pg_wal');
  fs.cpSync(own, kept, { recursive: true, preserveTimestamps: true });
  syncTree(path.join(folder, SET_ASIDE));
  const { log, start } = logOf(database) ?? {};
  if (!log) return kept;
  for (let at = readOn(log, start!).end; at < log.end();) {
    const file = path.join(own, log.nameAt(at));
    const within = at % log.fileBytes;
    const left = log.fileBytes - within;
    const handle = fs.openSync(file, 'r+');
    try {
      fs.writeSync(handle, Buffer.alloc(left), 0, left, within);
      fs.fsyncSync(handle);
    } finally {
      fs.closeSync(handle);
    }
    at += left;
  }
  return kept;
}
