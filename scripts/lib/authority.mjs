// The shop's own authority: it signs the server's certificate, and a screen that trusts it is never asked again. It may
// sign for private addresses and for this machine's names, and for nothing else that a screen may visit.
import { BlockList, isIP } from 'node:net';
import { webcrypto, X509Certificate } from 'node:crypto';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509';
import * as x509 from '@peculiar/x509';

x509.cryptoProvider.set(webcrypto);

export const DAY_MS = 24 * 3600 * 1000;
/** A screen that trusts it is asked once in so long. */
const HOLDS_MS = 10 * 365 * DAY_MS;
/** Whatever it signs ends before it does. */
const RENEWED_BEFORE_MS = 400 * DAY_MS;
/** A machine’s clock may be behind that of a tablet. */
export const BEGINS_BEFORE_MS = DAY_MS;

export const SIGNING = { name: 'ECDSA', hash: 'SHA-256' };
export const KEYS = { name: 'ECDSA', namedCurve: 'P-256' };

/** Addresses that lead nowhere outside a house, and names that do. */
const PRIVATE = [
  ...['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '127.0.0.0/8', '169.254.0.0/16'],
  ...['fc00::/7', 'fe80::/10', '::1/128'],
];
const PRIVATE_NAMES = ['local', 'localhost'];

/** Whether an address is in one of so many ranges. */
function isIn(address, ranges) {
  const list = new BlockList();
  const kind = (ip) => (isIP(ip) === 6 ? 'ipv6' : 'ipv4');
  for (const range of ranges) {
    const [first, bits] = range.split('/');
    list.addSubnet(first, Number(bits), kind(first));
  }
  return list.check(address, kind(address));
}

const isBelow = (name, suffix) => name === suffix || name.endsWith(`.${suffix}`);

/** What an authority for a machine of such names may sign: ranges of addresses, and names with all below them. */
function allowedFor(names) {
  const other = names.filter((name) =>
    isIP(name) === 0
      ? !PRIVATE_NAMES.some((suffix) => isBelow(name, suffix))
      : !isIn(name, PRIVATE),
  );
  return {
    ranges: [...PRIVATE, ...other.filter(isIP).map((ip) => `${ip}/${isIP(ip) === 6 ? 128 : 32}`)],
    suffixes: [...PRIVATE_NAMES, ...other.filter((name) => isIP(name) === 0)],
  };
}

/** What a certificate of an authority says that it may sign. */
function allowedBy(pem) {
  const extension = new x509.X509Certificate(pem).getExtension(id_ce_nameConstraints);
  const trees = extension
    ? (AsnConvert.parse(extension.value, NameConstraints).permittedSubtrees ?? [])
    : [];
  const bases = [...trees].map(({ base }) => base);
  return {
    ranges: bases.flatMap(({ iPAddress }) => iPAddress ?? []),
    suffixes: bases.flatMap(({ dNSName }) => dNSName ?? []),
  };
}

const subtree = (base) => new GeneralSubtree({ base: new GeneralName(base) });

/** The extension that holds an authority to what it may sign. */
function constraints({ ranges, suffixes }) {
  const permittedSubtrees = new GeneralSubtrees([
    ...ranges.map((iPAddress) => subtree({ iPAddress })),
    ...suffixes.map((dNSName) => subtree({ dNSName })),
  ]);
  const value = AsnConvert.serialize(new NameConstraints({ permittedSubtrees }));
  return new x509.Extension(id_ce_nameConstraints, true, value);
}

export const keyAsPem = async (key) =>
  x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY');

export const keyFromPem = (pem) =>
  webcrypto.subtle.importKey('pkcs8', x509.PemConverter.decodeFirst(pem), KEYS, false, ['sign']);

/** Whether a certificate has begun, and does not end within so long. */
export const isInTime = ({ validFrom, validTo }, before, now) =>
  new Date(validTo).getTime() - now > before && new Date(validFrom).getTime() <= now;

/** Whether an authority holds for long enough and may sign for all of these names. */
export function maySign(pem, names, now) {
  try {
    const certificate = new X509Certificate(pem);
    if (!certificate.ca || !isInTime(certificate, RENEWED_BEFORE_MS, now)) return false;
    const { ranges, suffixes } = allowedBy(pem);
    return names.every((name) =>
      isIP(name) === 0 ? suffixes.some((suffix) => isBelow(name, suffix)) : isIn(name, ranges),
    );
  } catch {
    return false;
  }
}

/** A new authority for a machine of such names: its certificate and its key as PEM. */
export async function makeAuthority(names, now) {
  const keys = await webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);
  const made = await x509.X509CertificateGenerator.createSelfSigned({
    name: `CN=Zesty Hound of ${names.find((name) => name.endsWith('.local')) ?? 'this shop'}`,
    notBefore: new Date(now - BEGINS_BEFORE_MS),
    notAfter: new Date(now + HOLDS_MS),
    keys,
    signingAlgorithm: SIGNING,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      constraints(allowedFor(names)),
    ],
  });
  return { cert: made.toString('pem'), key: await keyAsPem(keys.privateKey) };
}
