import 'server-only';
import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

/** Bytes of what nobody can guess: a device’s key, a session’s id. */
const RANDOM_BYTES = 32;
const SALT_BYTES = 16;
const HASH_BYTES = 32;
/** Cost of one try: some 32 MB and a tenth of a second. */
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 } as const;

/** Something that nobody can guess, as text. */
export const randomKey = (): string => randomBytes(RANDOM_BYTES).toString('base64url');

/** The hash under which something that nobody can guess is kept. */
export const hashOf = (key: string): string => createHash('sha256').update(key).digest('base64url');

const derive = (secret: string, salt: Buffer): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(secret.normalize('NFKC'), salt, HASH_BYTES, COST, (error, key) =>
      error ? reject(error) : resolve(key),
    );
  });

/** Hashes what somebody signs in with, slowly and with a salt of its own. */
export async function hashSecret(secret: string): Promise<string> {
  const salt = randomBytes(SALT_BYTES);
  const key = await derive(secret, salt);
  return `scrypt$${COST.N}$${salt.toString('base64url')}$${key.toString('base64url')}`;
}

/** What is tried against where there is nothing: it takes as long, and is never right. */
const NOBODY = Buffer.alloc(SALT_BYTES);

/** Whether a secret is the one of a hash; where there is none it takes as long to say no. */
export async function isSecret(secret: string, hash: string | null): Promise<boolean> {
  const [, , salt = '', key = ''] = hash?.split('$') ?? [];
  const derived = await derive(secret, hash === null ? NOBODY : Buffer.from(salt, 'base64url'));
  const kept = Buffer.from(key, 'base64url');
  return hash !== null && kept.length === derived.length && timingSafeEqual(kept, derived);
}
