import { seededRandom } from '../numeric';

/** What a case asks for. */
export const LEVELS = ['read'] as const;
export type Level = (typeof LEVELS)[number];

/** What is read at a corner of level “read”. */
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
const SUBJECT_LETTER: Readonly<Record<Subject, string>> = { dial: 'D', micrometer: 'M', both: 'B' };
/** The largest seed and one. */
export const SEEDS = ALPHABET.length ** LENGTH;

/** The short code that makes the same case anywhere, like `RD-7K3Q0`. */
export function writeCode({ subject, seed }: CaseCode): string {
  const letters = Array.from(
    { length: LENGTH },
    (_, i) => ALPHABET[Math.floor(seed / ALPHABET.length ** (LENGTH - 1 - i)) % ALPHABET.length],
  );
  return `R${SUBJECT_LETTER[subject]}-${letters.join('')}`;
}

/** A code as it was typed: small letters, blanks and O for 0 are understood; null where it is none. */
export function readCode(text: string): CaseCode | null {
  const plain = text.toUpperCase().replace(/[\s-]/g, '');
  const subject = SUBJECTS.find((each) => plain.startsWith(`R${SUBJECT_LETTER[each]}`));
  const letters = plain.slice(2).replace(/O/g, '0').replace(/[IL]/g, '1');
  if (!subject || letters.length !== LENGTH) return null;
  const digits = [...letters].map((letter) => ALPHABET.indexOf(letter));
  if (digits.includes(-1)) return null;
  return {
    level: 'read',
    subject,
    seed: digits.reduce((sum, digit) => sum * ALPHABET.length + digit, 0),
  };
}

/** A code of a new case of a subject, drawn from a number between 0 and 1. */
export const newCode = (subject: Subject, random: number): string =>
  writeCode({ level: 'read', subject, seed: Math.floor(random * SEEDS) });

/** A source of chance that is the same for the same code. */
export const chanceOf = ({ subject, seed }: CaseCode) =>
  seededRandom(seed * SUBJECTS.length + SUBJECTS.indexOf(subject) + 1);
