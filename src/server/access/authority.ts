import 'server-only';
import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';

/** The shop’s own authority, for a screen that is to trust it. */
export interface Authority {
  /** Its certificate as a file of its own, in an address. */
  readonly href: string;
  /** SHA-256 in pairs, to be compared by eye. */
  readonly fingerprint: string;
}

/** Null where the server does not speak by a certificate of its own. */
export function authorityToTrust(): Authority | null {
  // Said by the server of ours once it has one.
  const file = process.env.ZESTY_HOUND_AUTHORITY;
  if (!file || !fs.existsSync(/* turbopackIgnore: true */ file)) return null;
  const certificate = new X509Certificate(fs.readFileSync(/* turbopackIgnore: true */ file));
  return {
    href: `data:application/x-x509-ca-cert;base64,${certificate.raw.toString('base64')}`,
    fingerprint: certificate.fingerprint256,
  };
}
