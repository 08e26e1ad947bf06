import 'server-only';
import fs from 'node:fs';
import path from 'node:path';
import { DAY_MS, formatDate } from '../../../core/calendar';
import { accept, refuse, type Answer } from '../../answer';
import { environment } from '../../environment';
import { database } from '../../database';
import { isSealedHere } from '../shopKey';
import { checkedOf, keepElsewhere, noteChecked, removeKept } from './kept';
import { copiesFolder, copyUnderWay, makeBackup } from './make';
import { newestLine } from './manifest';
import { daysToKeep } from './rotation';
import { sweepStaged } from './staged';

/** A kept copy: of a night, or made by hand. */
export interface KeptCopy {
  readonly name: string;
  readonly made: Date;
  readonly bytes: number;
  readonly kind: 'nightly' | 'by-hand';
  /** When it was opened and looked at page by page; null for one of an older version. */
  readonly checked: string | null;
  /** Whether it is in the second folder as well. */
  readonly isElsewhere: boolean;
}

const NIGHTLY = /^nightly-(\d{4}-\d{2}-\d{2})\.tar\.gz$/;
const BY_HAND = /^backup-\d{4}-\d{2}-\d{2}-\d{6}\.tar\.gz$/;

/** The kept copies, the newest first. */
export function keptCopies(): KeptCopy[] {
  const folder = copiesFolder();
  const { copies } = environment();
  if (!fs.existsSync(folder)) return [];
  return fs
    .readdirSync(folder)
    .filter((name) => NIGHTLY.test(name) || BY_HAND.test(name))
    .map((name): KeptCopy => {
      const file = path.join(folder, name);
      const { mtime, size } = fs.statSync(file);
      const kind = NIGHTLY.test(name) ? 'nightly' : 'by-hand';
      const checked = checkedOf(file)?.checked ?? null;
      const isElsewhere = copies !== undefined && fs.existsSync(path.join(copies, name));
      return { name, made: mtime, bytes: size, kind, checked, isElsewhere };
    })
    .sort((p, q) => q.made.getTime() - p.made.getTime());
}

/** The file of a kept copy by its name; null where it is not one of ours, or gone. */
export function copyFile(name: string): string | null {
  if (!NIGHTLY.test(name) && !BY_HAND.test(name)) return null;
  const file = path.join(copiesFolder(), name);
  return fs.existsSync(file) ? file : null;
}

/** A copy that was kept, and why it is not in the second folder; null where it is, or none is named. */
interface Kept {
  readonly name: string;
  readonly missedElsewhere: string | null;
}

/** Makes a copy under a name and keeps it, here and in the second folder. */
async function keepCopy(name: string): Promise<Answer<Kept>> {
  const file = path.join(copiesFolder(), name);
  const made = await makeBackup(file);
  if (!made.ok) return made;
  noteChecked(file, made.value.newest);
  return accept({ name, missedElsewhere: await keepElsewhere(file) });
}

const sayKept = ({ name, missedElsewhere: why }: Kept): string =>
  why === null ? `${name} is kept.` : `${name} is kept here only. ${why}`;

/** A copy that was made by hand: its name, and what is to be said of it. */
export interface MadeByHand {
  readonly name: string;
  readonly says: string;
}

/** Makes a copy now, beside the nightly ones; it stays until it is taken away by hand. */
export async function copyNow(now = new Date()): Promise<Answer<MadeByHand>> {
  const kept = await keepCopy(`backup-${formatDate(now, 'YYYY-MM-DD-HHmmss')}.tar.gz`);
  return kept.ok ? accept({ name: kept.value.name, says: sayKept(kept.value) }) : kept;
}

/** Whoever asks for a copy has an answer after this, in ms: it, or that it is being made. */
const PATIENCE_MS = 2500;

/** What became of the copy that was begun last by hand, for who asks how far it is. */
const store = globalThis as typeof globalThis & {
  zestyHoundLastCopy?: Answer<MadeByHand> | undefined;
};

/** Begins to make a copy; answers with it where that is soon, and with null where it goes on. */
export async function beginCopy(): Promise<Answer<MadeByHand | null>> {
  // One that is being made by somebody else is theirs to hear of.
  if (copyUnderWay()) return copyNow();
  store.zestyHoundLastCopy = undefined;
  const made = copyNow().then((answer) => (store.zestyHoundLastCopy = answer));
  const later = new Promise<Answer<null>>((resolve) => {
    setTimeout(() => resolve(accept(null)), PATIENCE_MS).unref();
  });
  made.catch((error: unknown) => {
    process.stderr.write(`The copy was not made: ${String(error)}\n`);
    store.zestyHoundLastCopy = refuse('The copy was not made: the server had trouble.');
  });
  return Promise.race([made, later]);
}

/** How far the copy has come that is being made, and what became of the one that was begun last. */
export const copyStands = () => ({
  underWay: copyUnderWay(),
  last: store.zestyHoundLastCopy ?? null,
});

/** Takes a copy away that was made by hand; the nightly ones go by themselves. */
export function removeCopy(name: string): Answer<string> {
  const file = BY_HAND.test(name) ? copyFile(name) : null;
  if (!file) return refuse('This copy is not there any more.');
  removeKept(file);
  return accept(name);
}

/** How the newest copy stands to what is on file. */
export interface LastCopy {
  readonly made: Date;
  readonly isChecked: boolean;
  /** Whether it is kept in the second folder too; null where none is named. */
  readonly isElsewhere: boolean | null;
  /** It was made under another key than this shop has now: it would be restored as another shop’s. */
  readonly isOfAnotherKey: boolean;
  /** Entries that were made since; null where the copy does not say how new it is. */
  readonly since: number | null;
}

/** The newest copy, and what would be lost with the records now; null where there is none. */
export async function lastCopy(): Promise<LastCopy | null> {
  const [newest] = keptCopies();
  if (!newest) return null;
  const own = checkedOf(path.join(copiesFolder(), newest.name));
  const since = own ? (await newestLine(await database())) - own.newest : null;
  return {
    ...{ made: newest.made, isChecked: own !== null, since },
    isOfAnotherKey: own?.seal !== undefined && !isSealedHere(own),
    isElsewhere: environment().copies === undefined ? null : newest.isElsewhere,
  };
}

/** Nightly copies are made from this hour on. */
const NIGHT_HOUR = 2;

/**
 * Makes the copy of the night where it is due: none of this day yet, and past two o'clock. Then
 * takes away those that the rotation does not keep. Answers with its name, or null.
 */
export async function nightlyCopy(now = new Date()): Promise<string | null> {
  if (environment().url || now.getHours() < NIGHT_HOUR) return null;
  const name = `nightly-${formatDate(now, 'YYYY-MM-DD')}.tar.gz`;
  if (copyFile(name)) return null;
  const made = await keepCopy(name);
  if (!made.ok) {
    process.stderr.write(`The nightly copy was not made: ${made.message}\n`);
    return null;
  }
  if (made.value.missedElsewhere) process.stderr.write(`${sayKept(made.value)}\n`);
  const nights = keptCopies().flatMap((copy) => NIGHTLY.exec(copy.name)?.[1] ?? []);
  const keep = daysToKeep(nights);
  for (const night of nights) {
    if (!keep.has(night)) removeKept(path.join(copiesFolder(), `nightly-${night}.tar.gz`));
  }
  return name;
}

const LOOK_EVERY_MS = 15 * 60_000;

/** Looks every quarter of an hour whether the copy of the night is due; never keeps the program up. */
export function watchNights(): void {
  setInterval(() => {
    sweepStaged(Infinity, Date.now() - DAY_MS);
    nightlyCopy().catch((error: unknown) => {
      process.stderr.write(`The nightly copy was not made: ${String(error)}\n`);
    });
  }, LOOK_EVERY_MS).unref();
}
