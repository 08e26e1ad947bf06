import 'server-only';
import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { environment } from '../environment';

const NAME = 'shop.key';
const BYTES = 32;

const keyFile = (): string => path.join(environment().folder, NAME);

/** Makes the key of this shop, whole or not at all; where another made it meanwhile, it is that one. */
function makeKey(file: string): void {
  fs.mkdirSync(path.dirname(file), { recursive: true });
  const own = `${file}.${process.pid}`;
  const handle = fs.openSync(/* turbopackIgnore: true */ own, 'w', 0o600);
  try {
    fs.writeSync(handle, randomBytes(BYTES));
    fs.fsyncSync(handle);
  } finally {
    fs.closeSync(handle);
  }
  try {
    fs.linkSync(own, file);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
  } finally {
    fs.rmSync(own);
  }
}

/**
 * The key of this shop: it lies beside the records, never in them, and never goes out with a copy
 * or an archive. Whoever has it can make what this shop takes for its own.
 */
function shopKey(): Buffer {
  const file = keyFile();
  if (!fs.existsSync(file)) makeKey(file);
  const key = fs.readFileSync(file);
  if (key.length !== BYTES) throw new Error(`${file} is not a key of ${BYTES} bytes`);
  return key;
}

const MINUTE_MS = 60_000;
const passText = (minute: number): string => `a copy now, minute ${minute}`;
const thisMinute = (): number => Math.floor(Date.now() / MINUTE_MS);

/** What a command on this machine shows that it can read the data folder with, for a minute or two. */
export const folderPass = (): string => `Seal ${sealOf(passText(thisMinute()))}`;

/** Whether a request comes from a command that can read the data folder. */
export const isFromTheFolder = (authorization: string | null): boolean =>
  authorization?.startsWith('Seal ') === true &&
  [0, 1].some((ago) => isSealed(passText(thisMinute() - ago), authorization.slice(5)));

/** The seal of this shop on a text: it is given only to what was made here. */
const sealOf = (text: string): string =>
  createHmac('sha256', shopKey()).update(text).digest('base64url');

/** Whether a seal is this shop’s, and was given to this very text. */
function isSealed(text: string, seal: string | undefined): boolean {
  if (seal === undefined) return false;
  const [own, other] = [Buffer.from(sealOf(text)), Buffer.from(seal)];
  return own.length === other.length && timingSafeEqual(own, other);
}

/** A document that carries the seal of the shop that made it, over all the rest of it. */
interface Sealed {
  readonly seal?: string | undefined;
}

const textOf = ({ seal: _, ...rest }: Sealed): string => JSON.stringify(rest);

/** A document under the seal of this shop. */
export const sealed = <Document extends Sealed>(document: Document): Document => ({
  ...document,
  seal: sealOf(textOf(document)),
});

/** Whether this shop made a document, and it is as it was made. */
export const isSealedHere = (document: Sealed): boolean =>
  isSealed(textOf(document), document.seal);
