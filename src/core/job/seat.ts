import { saySeat } from '../assessment';
import type { Corner } from '../readings';
import { checksOfKind, findCheck, isDone } from './checks';
import { oncePerPlace } from '../remember';
import type { Correction, Job, Phase, ReadingSet } from './types';

/** What became of where a rotor sits. */
export type SeatChange =
  | 'marked'
  | 'moved'
  | 'taken off'
  | 'cut'
  | 'refitted'
  | 'plate fitted'
  | 'replaced';

/** One line of the history of a seat. */
export interface SeatEvent {
  readonly change: SeatChange;
  /** Seat afterwards, as an index shift counted from the first mark of the rotor that is on then. */
  readonly shift: number;
  readonly at: Date | null;
  /** What says so. */
  readonly source: string;
}

/** Where the rotor of a corner sits now, and how it came to sit there. */
export interface Seat {
  /** Counted from its first mark; a new rotor is counted from its own. */
  readonly shift: number;
  readonly isNewRotor: boolean;
  readonly history: readonly SeatEvent[];
}

const READ: Readonly<Record<Phase, string>> = {
  'as-found': 'read as found',
  before: 'read',
  after: 'read after the work',
};

/** What a correction that was done makes of the seat; nothing where the rotor stays as it is. */
const DONE: Partial<Record<Correction, SeatChange>> = {
  index: 'moved',
  plate: 'plate fitted',
  clean: 'refitted',
  hub: 'refitted',
  'machine-on-vehicle': 'cut',
  'machine-bench': 'cut',
  replace: 'replaced',
  'hub-replace': 'replaced',
};

interface Correcting {
  readonly correction: string | undefined;
  readonly shift: number | null;
  readonly at: Date | null;
}

/** Corrections of a corner that were done and decided otherwise since, in order. */
const correctionsBefore = (job: Job, corner: Corner): Correcting[] =>
  (findCheck(job, 'decide', corner, 'earlier')?.value ?? []).map(
    ({ correction, shift = null, at }) => ({
      correction,
      shift,
      at: at === '' ? null : new Date(at),
    }),
  );

/** The correction that was decided last, where it is done. */
function correctionNow(job: Job, corner: Corner): Correcting | null {
  const decision = job.decisions.find((each) => each.corner === corner);
  const done = findCheck(job, 'correct', corner, 'done');
  return done && decision
    ? { correction: decision.correction, shift: decision.shift, at: done.at }
    : null;
}

/** Sets that say where the rotor sat: of the rotor itself, and not set aside. */
const saysSeat = (set: ReadingSet, corner: Corner): boolean =>
  set.corner === corner && set.kind !== 'hub' && set.setAsideAt === null && set.readings.length > 0;

/** A history that is written line by line: what only says the same again is left out. */
class Writing {
  readonly history: SeatEvent[] = [];
  isNewRotor = false;

  get shift(): number {
    return this.history.at(-1)?.shift ?? 0;
  }

  read(set: ReadingSet): void {
    const { shift, createdAt: at, phase } = set;
    const last = this.history.at(-1);
    if (last && last.change !== 'taken off' && last.shift === shift) return;
    const isFirst = !this.history.some(({ change }) => change !== 'taken off');
    const change = isFirst ? 'marked' : this.shift === shift ? 'refitted' : 'moved';
    this.history.push({ change, shift, at, source: READ[phase] });
  }

  corrected({ correction, shift, at }: Correcting): void {
    const change = DONE[correction as Correction];
    if (!change) return;
    const isNew = change === 'replaced';
    const to = isNew ? 0 : (shift ?? this.shift);
    // A rotor that was cured by moving sits there already.
    if (change === 'moved' && to === this.shift && this.history.length > 0) return;
    this.isNewRotor ||= isNew;
    this.history.push({ change, shift: to, at, source: 'correction ticked as done' });
  }

  rebuilt(at: Date): void {
    if (this.history.at(-1)?.change === 'refitted') return;
    this.history.push({ change: 'refitted', shift: this.shift, at, source: 'rebuild step ticked' });
  }
}

/** When the step that takes the rotor off was ticked at a corner. */
const takenOff = (job: Job, corner: Corner): Date | null =>
  checksOfKind(job, 'step').find(
    ({ place, item, value }) => place === corner && item === 'rotor-off' && value === 'done',
  )?.at ?? null;

const setsOf = (job: Job, corner: Corner, phase: Phase): ReadingSet[] =>
  job.sets.filter((set) => set.phase === phase && saysSeat(set, corner));

/** What was written of a seat until a decision is carried out. */
function writtenBefore(job: Job, corner: Corner): Writing {
  const writing = new Writing();
  for (const set of setsOf(job, corner, 'as-found')) writing.read(set);
  const off = takenOff(job, corner);
  if (off) {
    const shift = writing.shift;
    writing.history.push({ change: 'taken off', shift, at: off, source: 'step ticked' });
  }
  for (const set of setsOf(job, corner, 'before')) writing.read(set);
  for (const each of correctionsBefore(job, corner)) writing.corrected(each);
  return writing;
}

/**
 * The seat from which a decision is carried out, as an index shift; undefined where a new rotor
 * is on, of which nothing that was read before speaks.
 */
export function seatToCorrect(job: Job, corner: Corner): number | undefined {
  const { shift, isNewRotor, history } = writtenBefore(job, corner);
  return isNewRotor || history.length === 0 ? undefined : shift;
}

/**
 * Where the rotor of a corner sits, from everything on record: the sets that were read, the
 * corrections that were done, the steps that were ticked. Source: handbook 2, 6, 15.
 */
export const seatAt = oncePerPlace((job: Job, corner: Corner): Seat => {
  const writing = writtenBefore(job, corner);
  const now = correctionNow(job, corner);
  if (now) writing.corrected(now);
  for (const set of setsOf(job, corner, 'after')) writing.read(set);
  const on = findCheck(job, 'rebuild', corner, 'rotor-on');
  if (on && isDone(on)) writing.rebuilt(on.at);
  return { shift: writing.shift, isNewRotor: writing.isNewRotor, history: writing.history };
});

/** Corrections after which a rotor bears another mark than before, or none yet. */
const MARKED_ANEW: readonly string[] = ['replace', 'hub-replace', 'machine-bench'];

/**
 * The seat in which the rotor of a corner goes on, as an index shift from its first mark: what was
 * decided, else where it sat. Null where nothing was read, or where it is marked anew and was not
 * read since.
 */
export function seatToFit(job: Job, corner: Corner): number | null {
  const read = setsOf(job, corner, 'after').at(-1);
  if (read) return read.shift;
  const decision = job.decisions.find((each) => each.corner === corner);
  if (decision && MARKED_ANEW.includes(decision.correction)) return null;
  return decision?.shift ?? seatToCorrect(job, corner) ?? null;
}

type Wording = Parameters<typeof saySeat>[0];

/** A line of a seat’s history in words. */
export function saySeatEvent({ change, shift, source }: SeatEvent, wording: Wording): string {
  const seat = saySeat(wording, shift);
  switch (change) {
    case 'marked':
      return `Marked: ${shift === 0 ? 'its first mark, at ' + markOf(wording) : seat} (${source}).`;
    case 'moved':
      return `Moved: it sits ${seat} (${source}).`;
    case 'taken off':
      return `Taken off (${source}).`;
    case 'replaced':
      return `Replaced: the new rotor is counted from its own mark (${source}).`;
    case 'cut':
    case 'plate fitted':
    case 'refitted':
      return `${change.charAt(0).toUpperCase()}${change.slice(1)}: it sits ${seat} (${source}).`;
  }
}

const markOf = ({ fastening }: Wording): string => (fastening === 'studs' ? 'stud 1' : 'hole 1');
