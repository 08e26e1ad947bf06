// The server’s own certificate: kept in the data folder, made anew before it ends or where the machine’s addresses
// are others than it names, and signed by the shop’s own authority, which stays.
import { webcrypto, X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import { isIP } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import * as x509 from '@peculiar/x509';
import {
  BEGINS_BEFORE_MS,
  DAY_MS,
  isInTime,
  keyAsPem,
  keyFromPem,
  KEYS,
  makeAuthority,
  maySign,
  SIGNING,
} from './authority.mjs';

/** Browsers take no certificate that holds for longer than 398 days. */
const HOLDS_MS = 397 * DAY_MS;
const RENEWED_BEFORE_MS = 30 * DAY_MS;

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

const fileIn = (folder, name) => path.join(folder, 'tls', name);

/** Whether a certificate holds for a while, names everything that it is to name, and is of this authority. */
function isGood(pem, authority, names, now) {
  try {
    const certificate = new X509Certificate(pem);
    const isNamed = (name) =>
      isIP(name) === 0 ? certificate.checkHost(name) : certificate.checkIP(name);
    const signer = new X509Certificate(authority);
    const isSigned = certificate.checkIssued(signer) && certificate.verify(signer.publicKey);
    return (
      isSigned &&
      isInTime(certificate, RENEWED_BEFORE_MS, now) &&
      names.every((name) => isNamed(name) !== undefined)
    );
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

/** Keeps a certificate and its key under their names. */
function keep(folder, [certFile, keyFile], { cert, key }) {
  fs.mkdirSync(fileIn(folder, ''), { recursive: true, mode: 0o700 });
  keepFile(fileIn(folder, keyFile), key);
  keepFile(fileIn(folder, certFile), cert);
}

/** What is kept under the names of a certificate and its key; empty where it is not there. */
function kept(folder, [certFile, keyFile]) {
  const read = (name) => {
    const file = fileIn(folder, name);
    return fs.existsSync(file) ? fs.readFileSync(file, 'utf8') : '';
  };
  return { cert: read(certFile), key: read(keyFile) };
}

const OWN = ['certificate.pem', 'key.pem'];
const AUTHORITY = ['authority.pem', 'authority-key.pem'];

/** Where the certificate of the authority lies: for whoever is to trust it. */
export const authorityFile = (folder) => fileIn(folder, AUTHORITY[0]);

/** A certificate for a machine of such names, signed by an authority. */
export async function makeCertificate(authority, names, now) {
  const keys = await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const signer = new x509.X509Certificate(authority.cert);
  const made = await x509.X509CertificateGenerator.create({
    subject: 'CN=Zesty Hound',
    issuer: signer.subject,
    notBefore: new Date(now - BEGINS_BEFORE_MS),
    notAfter: new Date(now + HOLDS_MS - BEGINS_BEFORE_MS),
    publicKey: keys.publicKey,
    signingKey: await keyFromPem(authority.key),
    signingAlgorithm: SIGNING,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      await x509.AuthorityKeyIdentifierExtension.create(signer.publicKey),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) === 0 ? 'dns' : 'ip', value })),
      ),
    ],
  });
  return { cert: made.toString('pem'), key: await keyAsPem(keys.privateKey) };
}

/**
 * The certificate of a data folder with its key, and that of the authority which signed it; each is made where there is
 * no good one. `isNew` where the certificate was.
 */
export async function certificateOf(folder, names = ownNames(), now = Date.now()) {
  let authority = kept(folder, AUTHORITY);
  if (authority.key === '' || !maySign(authority.cert, names, now)) {
    authority = await makeAuthority(names, now);
    keep(folder, AUTHORITY, authority);
  }
  const own = kept(folder, OWN);
  const answer = (all, isNew) => ({ ...all, authority: authority.cert, isNew });
  if (own.key !== '' && isGood(own.cert, authority.cert, names, now)) return answer(own, false);
  const made = await makeCertificate(authority, names, now);
  keep(folder, OWN, made);
  return answer(made, true);
}

/** What a person compares by eye: a certificate’s SHA-256 in pairs. */
export const fingerprintOf = (pem) => new X509Certificate(pem).fingerprint256;
