import fs from 'node:fs';
import path from 'node:path';

/** Bytes of a page, and pages of one file of a table that is larger than one. */
const PAGE = 8192;
const PAGES_A_FILE = 131_072;
/** Where a page keeps its checksum, in bytes from its beginning. */
const CHECKSUM_AT = 8;

const LANES = 32;
const PRIME = 16_777_619;
/** Looked up once: it is asked for millions of times. */
const { imul } = Math;
/** First values of the lanes (PostgreSQL, checksum_impl.h). */
const FIRST = Int32Array.from([
  0x5b1f36e9, 0xb8525960, 0x02ab50aa, 0x1de66d2a, 0x79ff467a, 0x9bb9f8a3, 0x217e7cd2, 0x83e13d2c,
  0xf8d4474f, 0xe39eb970, 0x42c6ae16, 0x993216fa, 0x7b093b5d, 0x98daff3c, 0xf718902a, 0x0b1c9cdb,
  0xe58f764b, 0x187636bc, 0x5d7b3bb1, 0xe73de7de, 0x92bec979, 0xcca6c0b2, 0x304a0979, 0x85aa43d4,
  0x783125bb, 0x6ca8eaa2, 0xe407eac6, 0x4b5cfc3e, 0x9fbf8c76, 0x15ca20be, 0xf2ca9fd3, 0x959bd756,
]);

const WORDS = PAGE / 4;
const WORD_OF_CHECKSUM = CHECKSUM_AT / 4;

/**
 * The checksum that the engine gives a page: its words are hashed in 32 lanes and folded, with the
 * number of its block, into 1 … 65,535 (PostgreSQL, checksum_impl.h).
 *
 * @param words 2,048 words of the page, little-endian; its own checksum counts as zero
 * @param block number of the page in its table, over all files of it
 */
export function checksumOf(words: Int32Array, block: number): number {
  let folded = block;
  for (let lane = 0; lane < LANES; lane += 1) {
    let hash = FIRST[lane]!;
    for (let i = lane; i < WORDS; i += LANES) {
      const word = i === WORD_OF_CHECKSUM ? words[i]! & ~0xffff : words[i]!;
      const mixed = hash ^ word;
      hash = imul(mixed, PRIME) ^ (mixed >>> 17);
    }
    // Two rounds of nothing stir the last words in.
    hash = imul(hash, PRIME) ^ (hash >>> 17);
    hash = imul(hash, PRIME) ^ (hash >>> 17);
    folded ^= hash;
  }
  return ((folded >>> 0) % 65_535) + 1;
}

/** Whether a page is as it was written; one of zeros was never written. */
function isSound(words: Int32Array, block: number): boolean {
  const kept = words[WORD_OF_CHECKSUM]! & 0xffff;
  return kept === checksumOf(words, block) || words.every((word) => word === 0);
}

/** A page, or a file, that is not as it was written. */
export interface Damage {
  /** In the folder of the database. */
  readonly file: string;
  /** Null where the file itself is cut off within a page. */
  readonly page: number | null;
}

/** Files of tables and indexes, by their place in the folder of the database. */
export function tableFiles(database: string): string[] {
  const folders = [
    'global',
    ...fs.readdirSync(path.join(database, 'base')).map((each) => `base/${each}`),
  ];
  return folders.flatMap((folder) =>
    fs
      .readdirSync(path.join(database, folder))
      .filter((name) => /^\d+(_(fsm|vm|init))?(\.\d+)?$/.test(name))
      .map((name) => `${folder}/${name}`),
  );
}

/** Bytes of all tables and indexes. */
export const bytesOfTables = (database: string): number =>
  tableFiles(database).reduce(
    (sum, file) =>
      sum + (fs.statSync(path.join(database, file), { throwIfNoEntry: false })?.size ?? 0),
    0,
  );

/** A page that is written just now is looked at again so often, after so long. */
const AGAIN = { times: 4, afterMs: 60 } as const;

/** Looks at one page again, for as long as it may be in the middle of being written. */
async function isSoundSoon(handle: number, at: number, block: number): Promise<boolean> {
  const words = new Int32Array(WORDS);
  for (let time = 0; time < AGAIN.times; time += 1) {
    await new Promise((resolve) => setTimeout(resolve, AGAIN.afterMs));
    // What is not there any more was cut off by the engine itself.
    if (fs.readSync(handle, words, 0, PAGE, at) < PAGE || isSound(words, block)) return true;
  }
  return false;
}

const AT_ONCE = 128 * PAGE;

async function damageOf(database: string, file: string, words: Int32Array): Promise<Damage | null> {
  const place = path.join(database, file);
  if (!fs.existsSync(place)) return null;
  const handle = fs.openSync(place, 'r');
  try {
    const first = PAGES_A_FILE * Number(/\.(\d+)$/.exec(file)?.[1] ?? 0);
    for (let at = 0; ;) {
      const read = fs.readSync(handle, words, 0, AT_ONCE, at);
      for (let i = 0; i + PAGE <= read; i += PAGE) {
        const page = (at + i) / PAGE;
        if (isSound(words.subarray(i / 4, (i + PAGE) / 4), first + page)) continue;
        if (!(await isSoundSoon(handle, at + i, first + page))) return { file, page };
      }
      if (read < AT_ONCE) {
        const isCut = read % PAGE !== 0 && fs.fstatSync(handle).size % PAGE !== 0;
        return isCut ? { file, page: null } : null;
      }
      at += read;
    }
  } finally {
    fs.closeSync(handle);
  }
}

/**
 * Looks whether every page of a database’s tables and indexes is as the engine wrote it; it may be
 * running. Answers with the first damage of each file; of some files only where they are named.
 */
export async function findDamage(
  database: string,
  say: (share: number) => void = () => undefined,
  files: readonly string[] = tableFiles(database),
): Promise<Damage[]> {
  const found: Damage[] = [];
  const words = new Int32Array(AT_ONCE / 4);
  for (const [i, file] of files.entries()) {
    const damage = await damageOf(database, file, words);
    if (damage) found.push(damage);
    say((i + 1) / files.length);
  }
  return found;
}
