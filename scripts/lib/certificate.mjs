// The server’s own certificate: kept in the data folder, made anew before it ends or where the machine’s addresses
// are others than it names.
import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import { isIP } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { generate } from 'selfsigned';

const DAY_MS = 24 * 3600 * 1000;
/** Browsers take no certificate that holds for longer than 398 days. */
const HOLDS_MS = 397 * DAY_MS;
const RENEWED_BEFORE_MS = 30 * DAY_MS;
/** A machine’s clock may be behind that of a tablet. */
const BEGINS_BEFORE_MS = DAY_MS;

/** Addresses of this machine on its networks: those of IPv4 first, none of a link alone. */
export function ownAddresses() {
  const all = Object.values(os.networkInterfaces()).flatMap((each) => each ?? []);
  const reached = all.filter(
    ({ internal, address }) => !internal && !/^(fe80:|169\.254\.)/i.test(address),
  );
  return reached.sort((a, b) => a.family.localeCompare(b.family)).map(({ address }) => address);
}

/** Every name and address under which this machine may be called. */
export function ownNames(given = []) {
  const host = os.hostname().toLowerCase();
  const isName = (name) => /^[a-z0-9.-]+$/.test(name);
  const named = [host, `${host.split('.')[0]}.local`, ...given].filter(
    (name) => isIP(name) !== 0 || isName(name),
  );
  return [...new Set(['localhost', '127.0.0.1', '::1', ...ownAddresses(), ...named])];
}

const filesOf = (folder) => ({
  key: path.join(folder, 'tls', 'key.pem'),
  cert: path.join(folder, 'tls', 'certificate.pem'),
});

/** Whether a certificate holds for a while and names everything that it is to name. */
function isGood(pem, names, now) {
  try {
    const certificate = new X509Certificate(pem);
    const isInTime =
      new Date(certificate.validTo).getTime() - now > RENEWED_BEFORE_MS &&
      new Date(certificate.validFrom).getTime() <= now;
    const isNamed = (name) =>
      isIP(name) === 0 ? certificate.checkHost(name) : certificate.checkIP(name);
    return isInTime && names.every((name) => isNamed(name) !== undefined);
  } catch {
    return false;
  }
}

/** Writes a file whole or not at all, readable by its owner alone. */
function keepFile(file, text) {
  const beside = `${file}.new`;
  fs.writeFileSync(beside, text, { mode: 0o600 });
  fs.renameSync(beside, file);
}

/** The certificate of a data folder and its key, made where there is no good one; `isNew` where it was. */
export async function certificateOf(folder, names = ownNames(), now = Date.now()) {
  const files = filesOf(folder);
  const read = (file) => (fs.existsSync(file) ? fs.readFileSync(file, 'utf8') : '');
  const kept = { key: read(files.key), cert: read(files.cert) };
  if (kept.key !== '' && isGood(kept.cert, names, now)) return { ...kept, isNew: false };
  const made = await generate([{ name: 'commonName', value: 'Zesty Hound' }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notBeforeDate: new Date(now - BEGINS_BEFORE_MS),
    notAfterDate: new Date(now + HOLDS_MS - BEGINS_BEFORE_MS),
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((name) =>
          isIP(name) === 0 ? { type: 2, value: name } : { type: 7, ip: name },
        ),
      },
    ],
  });
  fs.mkdirSync(path.dirname(files.key), { recursive: true, mode: 0o700 });
  keepFile(files.key, made.private);
  keepFile(files.cert, made.cert);
  return { key: made.private, cert: made.cert, isNew: true };
}

/** What a person compares by eye: the certificate’s SHA-256 in pairs. */
export const fingerprintOf = (pem) => new X509Certificate(pem).fingerprint256;
