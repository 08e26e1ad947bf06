import { numberedRandom, type RandomSource } from '../numeric';

/** What a case asks for. */
export const LEVELS = ['read', 'apart', 'decide', 'find'] as const;
export type Level = (typeof LEVELS)[number];
/** Levels that are about one corner at its bench. */
export type CornerLevel = Exclude<Level, 'find'>;

/** What a corner is read with. */
export const SUBJECTS = ['dial', 'micrometer', 'both'] as const;
export type Subject = (typeof SUBJECTS)[number];

export interface CaseCode {
  readonly level: Level;
  readonly subject: Subject;
  /** 0 to 33,554,431. */
  readonly seed: number;
}

/** Figures and letters that are not mistaken for each other: no I, L, O, U. */
const ALPHABET = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const LENGTH = 5;
/** What the two letters of a code stand for; the order belongs to the codes and is only added to. */
const KINDS = [
  { letters: 'RD', level: 'read', subject: 'dial' },
  { letters: 'RM', level: 'read', subject: 'micrometer' },
  { letters: 'RB', level: 'read', subject: 'both' },
  { letters: 'TB', level: 'apart', subject: 'both' },
  { letters: 'DB', level: 'decide', subject: 'both' },
  { letters: 'FB', level: 'find', subject: 'both' },
] as const satisfies readonly { letters: string; level: Level; subject: Subject }[];

/** A level with what it is read with. */
export type CaseKind = Omit<CaseCode, 'seed'>;
/** Every kind of case, in the order in which they are learned. */
export const CASE_KINDS: readonly CaseKind[] = KINDS.map(({ level, subject }) => ({
  level,
  subject,
}));
export const isKind = (own: CaseKind, { level, subject }: CaseKind): boolean =>
  own.level === level && own.subject === subject;

/** So that a kind that is added changes no case of the others. */
const KINDS_AT_MOST = 16;

const kindOf = (own: CaseKind): number => KINDS.findIndex((kind) => isKind(kind, own));
/** The largest seed and one. */
export const SEEDS = ALPHABET.length ** LENGTH;

/** The short code that makes the same case anywhere, like `RD-7K3Q0`. */
export function writeCode(own: CaseCode): string {
  const { seed } = own;
  const letters = Array.from(
    { length: LENGTH },
    (_, i) => ALPHABET[Math.floor(seed / ALPHABET.length ** (LENGTH - 1 - i)) % ALPHABET.length],
  );
  return `${KINDS[kindOf(own)]!.letters}-${letters.join('')}`;
}

/** A code as it was typed: small letters, blanks and O for 0 are understood; null where it is none. */
export function readCode(text: string): CaseCode | null {
  const plain = text.toUpperCase().replace(/[\s-]/g, '');
  const kind = KINDS.find(({ letters: two }) => plain.startsWith(two));
  const letters = plain.slice(2).replace(/O/g, '0').replace(/[IL]/g, '1');
  if (!kind || letters.length !== LENGTH) return null;
  const digits = [...letters].map((letter) => ALPHABET.indexOf(letter));
  if (digits.includes(-1)) return null;
  return {
    ...{ level: kind.level, subject: kind.subject },
    seed: digits.reduce((sum, digit) => sum * ALPHABET.length + digit, 0),
  };
}

/** A code of a new case of a level and subject, drawn from a number between 0 and 1. */
export const newCode = (own: CaseKind, random: number): string =>
  writeCode({ ...own, seed: Math.floor(random * SEEDS) });

/** A source of chance that is the same for the same code; neighbouring codes are as different as any two. */
export const chanceOf = (own: CaseCode): RandomSource =>
  numberedRandom(KINDS_AT_MOST * own.seed + kindOf(own));
