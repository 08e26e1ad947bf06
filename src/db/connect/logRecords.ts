import { buf as crc32c } from 'crc-32/crc32c';
import { aligned, PAGE, type LogPages } from './logPages';

/** Bytes of the head of a record, and where its checksum stands in it (PostgreSQL, xlogrecord.h). */
const HEAD = 24;
const CHECKSUM_AT = 20;
const LARGEST = 0x3fff_ffff;
/** Kinds of records: the log’s own, transactions. */
const KIND = { log: 0, transaction: 1 } as const;
const SWITCH = 0x40;
const COMMIT = 0x00;
/** What says that the rest of a record is its own, with its length in one byte or in four. */
const OWN_SHORT = 0xff;
/** The engine counts time in microseconds from here. */
const EPOCH_MS = Date.UTC(2000, 0, 1);

export interface LogRecord {
  readonly is: 'record';
  /** Where it begins, and where the next one may. */
  readonly at: number;
  readonly next: number;
  readonly isCommit: boolean;
  /** When a transaction was committed. */
  readonly when: Date | null;
}

/** What stands at an address of the log. */
export type Found =
  | LogRecord
  /** Nothing was written there. */
  | { readonly is: 'none' }
  /** A record whose rest was never written, and where the engine went on after it was stopped there. */
  | { readonly is: 'unfinished'; readonly anewAt: number | null }
  /** Something that was written there and is another now. */
  | { readonly is: 'damaged' };

/** The bytes of a record that begins on a page and goes on over those after it. */
function bytesOf(
  log: LogPages,
  at: number,
  length: number,
): { readonly bytes: Buffer; readonly end: number } | Exclude<Found, LogRecord> {
  const parts: Buffer[] = [];
  let from = at;
  let left = length;
  for (;;) {
    const address = from - (from % PAGE);
    const page = log.page(address);
    if (!page) return { is: 'unfinished', anewAt: null };
    if (from === address) {
      if (page.isAnew) return { is: 'unfinished', anewAt: address };
      if (page.rest !== left) return { is: 'damaged' };
      from += page.head;
    }
    const part = page.bytes.subarray(from - address, Math.min(PAGE, from - address + left));
    parts.push(part);
    left -= part.length;
    from += part.length;
    if (left > 0) continue;
    return { bytes: parts.length === 1 ? part : Buffer.concat(parts), end: from };
  }
}

const isSound = (bytes: Buffer): boolean =>
  crc32c(bytes.subarray(0, CHECKSUM_AT), crc32c(bytes.subarray(HEAD))) >>> 0 ===
  bytes.readUInt32LE(CHECKSUM_AT);

function commitTime(bytes: Buffer): Date | null {
  if (bytes.length < HEAD + 10 || bytes[HEAD] !== OWN_SHORT) return null;
  return new Date(EPOCH_MS + Number(bytes.readBigInt64LE(HEAD + 2) / 1000n));
}

/**
 * Reads the record at an address of the log.
 *
 * @param before where the record before it begins, which it has to name; null where that is not known
 */
export function readRecord(log: LogPages, address: number, before: number | null): Found {
  const start = address - (address % PAGE);
  const page = log.page(start);
  if (!page) return { is: 'none' };
  const at = address === start ? start + page.head + aligned(page.rest) : address;
  // A page that what went before fills whole.
  if (at >= start + PAGE) return readRecord(log, start + PAGE, before);
  const length = page.bytes.readUInt32LE(at - start);
  if (length === 0) return { is: 'none' };
  if (length < HEAD || length > LARGEST) return { is: 'damaged' };
  const found = bytesOf(log, at, length);
  if ('is' in found) return found;
  const { bytes, end } = found;
  const isNamed = before === null || Number(bytes.readBigUInt64LE(8)) === before;
  if (!isNamed || !isSound(bytes)) return { is: 'damaged' };
  const [info = 0, kind] = bytes.subarray(16, 18);
  const isSwitch = kind === KIND.log && (info & 0xf0) === SWITCH;
  const isCommit = kind === KIND.transaction && (info & 0x70) === COMMIT;
  return {
    is: 'record',
    at,
    next: isSwitch ? Math.ceil(end / log.fileBytes) * log.fileBytes : aligned(end),
    isCommit,
    when: isCommit ? commitTime(bytes) : null,
  };
}
