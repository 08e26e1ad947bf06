import { saySeat } from '@/core/assessment';
import { KNOWLEDGE } from '@/core/contracts';
import {
  NOTHING_WRONG,
  SOURCES,
  WAYS,
  workOf,
  type BenchFault,
  type CaseKind,
  type PracticeCase,
} from '@/core/practice';
import { SOURCE_NAME } from './ApartAnswer';
import { wayName } from './DecideAnswer';

interface KindWords {
  readonly name: string;
  readonly say: string;
  readonly button: string;
}

const READ: Readonly<Record<CaseKind['subject'], KindWords>> = {
  dial: {
    name: 'With the dial',
    say: 'Runout of one corner. Something at the dial may be wrong, or nothing.',
    button: 'New case with the dial',
  },
  micrometer: {
    name: 'With the micrometer',
    say: 'Thickness of one corner. Something at the micrometer may be wrong, or nothing.',
    button: 'New case with the micrometer',
  },
  both: {
    name: 'With both',
    say: 'Runout and thickness; up to two things are wrong at the bench.',
    button: 'New case with both',
  },
};
const APART: KindWords = {
  name: 'Tell apart',
  say: 'Runout is beyond: hub, rotor, dirt or nuts? Move the rotor on, and leave it where it sits best.',
  button: 'New case to tell apart',
};

const DECIDE: KindWords = {
  name: 'Decide',
  say: 'Read runout and thickness, then cut, plate, renew or leave: metal, money and a comeback count.',
  button: 'New case to decide',
};

const FIND: KindWords = {
  name: 'Find',
  say: 'A whole car and its customer: ask, drive, look, measure, put right and show; minutes and money count.',
  button: 'New car',
};

/** A kind of case in words. */
export const wordsOf = ({ level, subject }: CaseKind): KindWords =>
  ({ read: READ[subject], apart: APART, decide: DECIDE, find: FIND })[level];

/** A cause by its code, in words. */
export const causeName = (code: string): string =>
  KNOWLEDGE.causes.find((each) => each.code === code)?.name.toLowerCase() ?? code;

/** What can be true of a case, in words. */
export function truthName({ level }: CaseKind, truth: string): string {
  if (level === 'find') return causeName(truth);
  if (truth === NOTHING_WRONG) return 'nothing is wrong';
  const source = SOURCES.find((each) => each === truth);
  if (level === 'apart' && source) return SOURCE_NAME[source];
  const way = WAYS.find((each) => each === truth);
  if (level === 'decide' && way) return `best: ${wayName(way).toLowerCase()}`;
  return workOf(truth as BenchFault).why;
}

/** The address of a case on this device, or of one that was handed in. */
export const pathOf = (code: string, id: string | null = null): string =>
  id === null ? `/practice/${code}` : `/practice/${code}?of=${id}`;

/** Where a rotor of a case sits, as a technician who faces it sees it. */
export const sayPlace = ({ corner, studs }: PracticeCase, shift: number): string =>
  saySeat({ corner, studs, fastening: 'studs' }, shift);
