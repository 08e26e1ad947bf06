import fs from 'node:fs';
import path from 'node:path';

/** Bytes of a page of the log. */
export const PAGE = 8192;
/** Everything in the log begins at a multiple of so many bytes. */
const ALIGNED = 8;
export const aligned = (at: number): number => Math.ceil(at / ALIGNED) * ALIGNED;

/** Bytes of the head of a page, and of the first page of a file. */
const HEAD = 24;
const LONG_HEAD = 40;
const FLAGS = { continues: 1, isLong: 2, overwrites: 8 } as const;

/** A page of the log that was written where it stands. */
export interface LogPage {
  readonly bytes: Buffer;
  /** Where what is new in it begins, in bytes from its beginning. */
  readonly head: number;
  /** How much of a record that began before it stands in it and after it; 0 where none does. */
  readonly rest: number;
  /** Whether it begins anew what an earlier stop left unfinished. */
  readonly isAnew: boolean;
}

/** Where reading begins, by the control file of a database: null where its log need not be read, or cannot be. */
export interface LogStart {
  /** Address of the first record. */
  readonly redo: number;
  /** Address of the record without which the engine does not open. */
  readonly checkpoint: number;
  readonly timeline: number;
}

/** States of a database in its control file (PostgreSQL, pg_control.h): after it was stopped as it should be. */
const SHUT_DOWN = 1;
const AT = { state: 16, checkpoint: 32, redo: 40, timeline: 48 } as const;

/** Where the engine begins to read the log of a database that it opens. */
export function logStart(database: string): LogStart | null {
  // A copy says in a label of its own from where on its log is read.
  if (fs.existsSync(path.join(database, 'backup_label'))) return null;
  const control = fs.readFileSync(path.join(database, 'global/pg_control'));
  if (control.length < AT.timeline + 4 || control.readUInt32LE(AT.state) === SHUT_DOWN) return null;
  return {
    redo: Number(control.readBigUInt64LE(AT.redo)),
    checkpoint: Number(control.readBigUInt64LE(AT.checkpoint)),
    timeline: control.readUInt32LE(AT.timeline),
  };
}

const FILE = /^[0-9A-F]{24}$/;
/** Bytes that a file of the log may have: a power of two from here to there. */
const SMALLEST_FILE = 2 ** 20;
const LARGEST_FILE = 2 ** 30;
const isFileSize = (bytes: number): boolean =>
  bytes >= SMALLEST_FILE && bytes <= LARGEST_FILE && Number.isInteger(Math.log2(bytes));
const LARGEST_PART = 2 ** 32;

/** The files of a log, and its pages by their addresses (PostgreSQL, xlog_internal.h). */
export class LogPages {
  /** Names of the files of the log, in order. */
  readonly names: readonly string[];
  /** Bytes of each of them; 0 where the first does not say. */
  readonly fileBytes: number;
  private readonly magic: number;
  private open: { readonly name: string; readonly bytes: Buffer } | null = null;
  /** The page that was asked for last: many records begin on one. */
  private latest: { readonly address: number; readonly page: LogPage | null } = {
    address: -1,
    page: null,
  };

  constructor(
    private readonly folder: string,
    private readonly start: LogStart,
  ) {
    const prefix = start.timeline.toString(16).toUpperCase().padStart(8, '0');
    this.names = fs
      .readdirSync(folder)
      .filter((name) => FILE.test(name) && name.startsWith(prefix))
      .sort();
    const [first] = this.names;
    const head = first ? this.file(first) : Buffer.alloc(0);
    const isWhole = head.length >= LONG_HEAD && isFileSize(head.readUInt32LE(32));
    this.magic = isWhole ? head.readUInt16LE(0) : 0;
    this.fileBytes = isWhole ? head.readUInt32LE(32) : 0;
  }

  private file(name: string): Buffer {
    if (this.open?.name !== name) {
      const file = path.join(this.folder, name);
      const bytes = fs.existsSync(file) ? fs.readFileSync(file) : Buffer.alloc(0);
      this.open = { name, bytes };
    }
    return this.open.bytes;
  }

  /** Name of the file in which an address lies. */
  nameAt(address: number): string {
    const number = Math.floor(address / this.fileBytes);
    const files = LARGEST_PART / this.fileBytes;
    return [this.start.timeline, Math.floor(number / files), number % files]
      .map((part) => part.toString(16).toUpperCase().padStart(8, '0'))
      .join('');
  }

  /** Address at which the last of the files ends. */
  end(): number {
    const [, high = '0', low = '0'] = /^.{8}(.{8})(.{8})$/.exec(this.names.at(-1) ?? '') ?? [];
    return (
      Number.parseInt(high, 16) * LARGEST_PART + (Number.parseInt(low, 16) + 1) * this.fileBytes
    );
  }

  /** Whether the file at an address was begun: one that was only made ready is not read whole for that. */
  isBegun(address: number): boolean {
    const head = Buffer.alloc(PAGE);
    const handle = fs.openSync(path.join(this.folder, this.nameAt(address)), 'r');
    try {
      fs.readSync(handle, head, 0, PAGE, 0);
    } finally {
      fs.closeSync(handle);
    }
    return this.isOwn(head, address - (address % this.fileBytes));
  }

  private isOwn(page: Buffer, address: number): boolean {
    return page.readUInt16LE(0) === this.magic && Number(page.readBigUInt64LE(8)) === address;
  }

  /** The page at an address; null where none was written that bears it. */
  page(address: number): LogPage | null {
    if (this.latest.address !== address) this.latest = { address, page: this.read(address) };
    return this.latest.page;
  }

  private read(address: number): LogPage | null {
    const from = address % this.fileBytes;
    const bytes = this.file(this.nameAt(address)).subarray(from, from + PAGE);
    if (bytes.length < PAGE || !this.isOwn(bytes, address)) return null;
    const flags = bytes.readUInt16LE(2);
    return {
      bytes,
      head: flags & FLAGS.isLong ? LONG_HEAD : HEAD,
      rest: flags & FLAGS.continues ? bytes.readUInt32LE(16) : 0,
      isAnew: (flags & FLAGS.overwrites) !== 0,
    };
  }
}
