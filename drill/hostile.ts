import type { Pick } from './forms';

/** What somebody sends who means no good, or whose program is broken. */
const VALUES: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  '\udc00\ud800',
  'x'.repeat(20_000),
  '\u202eabc',
  '👩‍🔧'.repeat(40),
  '٣٫٥',
  '1e308',
  'NaN',
  '-0',
  '0x10',
  '2026-02-30',
  '0000-00-00T00:00:00Z',
  '99999999-99-99',
  '00000000-0000-0000-0000-000000000000',
  "'; drop table jobs; --",
  '../../etc/passwd',
  '<script>alert(1)</script>',
  '${7*7}',
  0,
  -1,
  -0,
  0.1 + 0.2,
  1e308,
  -1e308,
  5e-324,
  Number.MAX_SAFE_INTEGER + 2,
  2 ** 31,
  [],
  {},
  [[[[[[[[]]]]]]]],
  { kind: { kind: { kind: {} } } },
  { __proto__: 1, constructor: 1, toString: 'x' },
  Array.from({ length: 2000 }, (_, i) => i),
];

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A document with one part of it made wrong: put in its place, left out, doubled, or nested. */
export function madeWrong(document: unknown, random: () => number, pick: Pick): unknown {
  const children = Array.isArray(document)
    ? document.map((_, i) => i)
    : isRecord(document)
      ? Object.keys(document)
      : [];
  if (children.length === 0 || random() < 0.15) return pick(VALUES);
  const at = pick<number | string>(children);
  const copy: Record<string | number, unknown> = Array.isArray(document)
    ? ([...(document as unknown[])] as never)
    : { ...(document as object) };
  const chance = random();
  if (chance < 0.12) {
    if (Array.isArray(copy)) copy.splice(Number(at), 1);
    else delete copy[at];
  } else if (chance < 0.18) copy['more than asked'] = pick(VALUES);
  else copy[at] = madeWrong(copy[at], random, pick);
  return copy;
}

/** A hostile value as a part of an address. */
export const inAddress = (pick: Pick): string =>
  pick([
    '%00',
    '%ff',
    '%2e%2e%2f%2e%2e%2f',
    '..',
    'x'.repeat(3000),
    encodeURIComponent('\u202e'),
    encodeURIComponent("' or 1=1 --"),
    '%F0%9F%94%A7',
    'null',
    '-1',
    '[id]',
    '00000000-0000-4000-8000-000000000000',
    '%',
    '%zz',
    ';',
    '__proto__',
  ]);
