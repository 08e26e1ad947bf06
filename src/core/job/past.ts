import { PROCEDURE } from '../contracts';
import { advisesNoDrive } from '../diagnosis';
import { CORNERS, type Corner } from '../readings';
import { findCheck } from './checks';
import { oncePer } from '../remember';
import type { Axle, AxleFigure, Job, PastEntry } from './types';

/** Something that keeps a vehicle off the road, was on record, and stands there no more. */
export interface TakenBack {
  /** The line of the ledger that a lead answers. */
  readonly seq: number;
  readonly say: string;
  readonly corner: Corner | null;
  readonly who: string | null;
  readonly reason: string | null;
  readonly at: Date;
}

/** A row of the database as the ledger has it, by the names of its columns. */
type Row = Readonly<Record<string, unknown>>;

const rowOf = (document: unknown): Row | null =>
  typeof document === 'object' && document !== null ? (document as Row) : null;
const textOf = (row: Row | null, name: string): string => {
  const value = row?.[name];
  return typeof value === 'string' ? value : '';
};
const numberOf = (row: Row | null, name: string): number | null => {
  const value = row?.[name];
  return typeof value === 'number' ? value : null;
};
export const cornerNamed = (name: string): Corner | null =>
  CORNERS.find((each) => each === name) ?? null;

/** Lines that a lead answered, by their place in the ledger. */
const answeredLines = oncePer(
  (job: Job): ReadonlySet<number> =>
    new Set(
      job.past.flatMap(({ what, after }) =>
        what === 'answer' ? [numberOf(rowOf(after), 'of') ?? -1] : [],
      ),
    ),
);

/**
 * Whether a lead has answered a line. A lead who changed something with a reason has answered it
 * with that.
 */
const isAnswered = (job: Job, { seq, role, reason }: PastEntry): boolean =>
  answeredLines(job).has(seq) || (role === 'lead' && reason !== null);

const openEntries = oncePer((job: Job): readonly PastEntry[] =>
  job.past.filter((entry) => !['answer', 'sign'].includes(entry.op) && !isAnswered(job, entry)),
);

const entriesAbout = (job: Job, what: string): readonly PastEntry[] =>
  openEntries(job).filter((entry) => entry.what === what);

/** Which of two figures of a kind is the stricter; null for kinds that limit nothing. */
function stricter(kind: AxleFigure['kind'], p: number, q: number): number | null {
  switch (kind) {
    case 'discard':
    case 'machineTo':
      return Math.max(p, q);
    // A drum wears wider: its smaller limits are the stricter.
    case 'drumDiscard':
    case 'drumMachineTo':
    case 'drumRound':
    case 'runout':
    case 'dtv':
      return Math.min(p, q);
    default:
      return null;
  }
}

/** A figure of an axle that was changed in this job, as it stood before. */
export interface ChangedFigure {
  readonly seq: number;
  readonly position: Axle['position'];
  readonly before: AxleFigure;
  readonly who: string | null;
  readonly reason: string | null;
  readonly at: Date;
  /** A lead agreed to it: until then the stricter counts. */
  readonly isAgreed: boolean;
}

/** Figures of axles that were changed or taken away in this job. */
export const changedFigures = oncePer((job: Job): readonly ChangedFigure[] =>
  job.past.flatMap((entry): ChangedFigure[] => {
    const { seq, what, place, before, who, reason, at } = entry;
    if (what !== 'limit') return [];
    const row = rowOf(before);
    const position = (['front', 'rear'] as const).find((each) => place.startsWith(each));
    const valueUm = numberOf(row, 'value_um');
    if (!position || valueUm === null) return [];
    const figure = {
      kind: textOf(row, 'kind') as AxleFigure['kind'],
      valueUm,
      text: textOf(row, 'text'),
      unit: textOf(row, 'unit'),
      source: textOf(row, 'source') as AxleFigure['source'],
    };
    const isAgreed = isAnswered(job, entry);
    return [{ seq, position, before: figure, who, reason, at, isAgreed }];
  }),
);

/** An axle’s figures, each the stricter of what it is and of what it was before in this job. */
function strictFigures(axle: Axle, changed: readonly ChangedFigure[]): readonly AxleFigure[] {
  const figures = new Map(axle.limits.map((each) => [each.kind, each]));
  for (const { before } of changed) {
    const now = figures.get(before.kind);
    const value = stricter(before.kind, before.valueUm, now?.valueUm ?? before.valueUm);
    if (value !== null && value !== now?.valueUm) figures.set(before.kind, before);
  }
  return [...figures.values()];
}

/**
 * The axles of a job’s vehicle as they are judged: until a lead agrees to a change, by the
 * stricter figure, and with as many studs as were ever on file in this job.
 */
export const judgedAxles = oncePer((job: Job): readonly Axle[] => {
  const changed = changedFigures(job).filter(({ isAgreed }) => !isAgreed);
  // What stood there before anybody had said it was nobody’s figure.
  const studs = entriesAbout(job, 'axle').filter(
    ({ before }) => rowOf(before)?.is_fastening_said !== false,
  );
  if (changed.length === 0 && studs.length === 0) return job.vehicle.axles;
  return job.vehicle.axles.map((axle) => ({
    ...axle,
    limits: strictFigures(
      axle,
      changed.filter(({ position }) => position === axle.position),
    ),
    studs: Math.max(
      axle.studs,
      ...studs
        .filter(({ place }) => place === axle.position)
        .map(({ before }) => numberOf(rowOf(before), 'studs') ?? 0),
    ),
  }));
});

/** Conditions of an item that keep a vehicle off the road, by their codes. */
export const roadConditionsOf = (item: string) =>
  (PROCEDURE.items.find(({ code }) => code === item)?.conditions ?? []).filter(({ forbids }) =>
    forbids.some(({ what }) => what === 'road'),
  );

/** Conditions of an item that ask for a new part or rule something out, and keep no vehicle off the road. */
const faultsOf = (item: string) =>
  (PROCEDURE.items.find(({ code }) => code === item)?.conditions ?? []).filter(
    ({ renew, forbids }) =>
      (renew !== undefined || forbids.length > 0) && !forbids.some(({ what }) => what === 'road'),
  );

/** Those of them that were found before and are found no more, by their codes. */
export function faultsGone(
  item: string,
  was: readonly string[],
  now: readonly string[],
): readonly string[] {
  return faultsOf(item)
    .map(({ code }) => code)
    .filter((code) => was.includes(code) && !now.includes(code));
}

/** What was found of an item, in words. */
export function sayFaults(item: string, codes: readonly string[]): string {
  const names = faultsOf(item).filter(({ code }) => codes.includes(code));
  const of = PROCEDURE.items.find(({ code }) => code === item)?.name ?? item;
  return [of, ...names.map(({ name }) => name.toLowerCase())].join(', ');
}

const codesIn = (value: unknown): readonly string[] =>
  Array.isArray(value) ? value.filter((each) => typeof each === 'string') : [];

/** Looks that say something else than before: what they said, and what stands there now. */
const looksChanged = (job: Job) =>
  entriesAbout(job, 'check').flatMap((entry) => {
    const before = rowOf(entry.before);
    if (textOf(before, 'kind') !== 'look') return [];
    const [place, item] = [textOf(before, 'place'), textOf(before, 'item')];
    const now = findCheck(job, 'look', place, item)?.value ?? [];
    return [{ entry, place, item, was: codesIn(before?.value), now }];
  });

/** Looks that kept the vehicle off the road and say so no more. */
function looksTakenBack(job: Job): TakenBack[] {
  return looksChanged(job).flatMap(({ entry, place, item, was, now }): TakenBack[] => {
    const gone = roadConditionsOf(item).filter(
      ({ code }) => was.includes(code) && !now.includes(code),
    );
    const why = gone.flatMap(({ forbids }) =>
      forbids.flatMap(({ what, why: says }) => (what === 'road' ? [says] : [])),
    );
    return why.length === 0 ? [] : [taken(entry, `${place}: ${why.join(', ')}`, place)];
  });
}

/** Answers on which a vehicle is not driven and which stand no more. */
function findingsTakenBack(job: Job): TakenBack[] {
  return entriesAbout(job, 'finding').flatMap((entry): TakenBack[] => {
    const before = rowOf(entry.before);
    const [code, value, corner] = ['code', 'value', 'corner'].map((name) => textOf(before, name));
    const why = advisesNoDrive([{ code: code ?? '', value: value ?? '' }]);
    const stands = job.findings.some(
      (each) => each.code === code && each.value === value && each.corner === corner,
    );
    if (why === null || stands) return [];
    return [taken(entry, corner ? `${corner}: ${why}` : why, corner ?? '')];
  });
}

/** A line of the ledger as something that was taken back, once where it was so several times. */
export const taken = (entry: PastEntry, say: string, place: string): TakenBack => ({
  seq: entry.seq,
  say,
  corner: cornerNamed(place),
  who: entry.who,
  reason: entry.reason,
  at: entry.at,
});

/** Ticks taken back that said a wheel or caliper was off, pistons moved or the system was open. */
export interface GoneTick {
  readonly entry: PastEntry;
  readonly kind: string;
  readonly place: string;
  readonly item: string;
  readonly value: unknown;
  /** Where it stood in the order of writing; 0 where that was not kept. */
  readonly seq: number;
}

/** Ticks of a kind that stand no more. */
export const goneTicks = (job: Job, kind: string): readonly GoneTick[] =>
  entriesAbout(job, 'check').flatMap((entry): GoneTick[] => {
    const before = rowOf(entry.before);
    const [own, place, item] = ['kind', 'place', 'item'].map((name) => textOf(before, name));
    if (own !== kind || place === undefined || item === undefined) return [];
    const stands = job.checks.some(
      (each) =>
        each.kind === kind &&
        each.place === place &&
        each.item === item &&
        each.value === before?.value,
    );
    const seq = numberOf(before, 'seq') ?? 0;
    return stands ? [] : [{ entry, kind, place, item, value: before?.value, seq }];
  });

/** Where ticks stood last in the order of writing that were taken back unanswered; 0 for none. */
export const goneSince = (job: Job, kind: string, isOf: (tick: GoneTick) => boolean): number =>
  Math.max(0, ...goneTicks(job, kind).flatMap((tick) => (isOf(tick) ? [tick.seq] : [])));

/** Parts that were taken out of the tray as if they had never been in it. */
export const droppedParts = (
  job: Job,
): readonly { entry: PastEntry; corner: Corner; kind: string }[] =>
  entriesAbout(job, 'part').flatMap((entry) => {
    const before = rowOf(entry.before);
    const corner = cornerNamed(textOf(before, 'corner'));
    return corner ? [{ entry, corner, kind: textOf(before, 'kind') }] : [];
  });

/** Lines by which a set was put aside, by the set. */
export const setsPutAside = (job: Job): ReadonlyMap<string, PastEntry> =>
  new Map(
    entriesAbout(job, 'set').map((entry) => [
      textOf(rowOf(entry.after) ?? rowOf(entry.before), 'id'),
      entry,
    ]),
  );

/** Figures that were read, and stand no more, by their set. */
export const readingsGone = (
  job: Job,
): readonly { readonly entry: PastEntry; readonly setId: string; readonly valueUm: number }[] =>
  entriesAbout(job, 'reading').flatMap((entry) => {
    const before = rowOf(entry.before);
    const valueUm = numberOf(before, 'value_um');
    return valueUm === null ? [] : [{ entry, setId: textOf(before, 'set_id'), valueUm }];
  });

/** The same told once, as it was told last. */
const toldOnce = (all: readonly TakenBack[]): TakenBack[] =>
  all.filter(({ say }, i) => all.findLastIndex((each) => each.say === say) === i);

/** Seen and answered dangers that stand no more. */
export const seenTakenBack = (job: Job): TakenBack[] =>
  toldOnce([...looksTakenBack(job), ...findingsTakenBack(job)]);

/**
 * Parts that were found to need renewing, or to rule something out, and were taken back with a reason: without one
 * it was a slip of the finger, put right at once, or had been mended.
 */
export const faultsTakenBack = (job: Job): TakenBack[] =>
  toldOnce(
    looksChanged(job).flatMap(({ entry, place, item, was, now }): TakenBack[] => {
      const gone = entry.reason === null ? [] : faultsGone(item, was, now);
      return gone.length === 0 ? [] : [taken(entry, `${place}: ${sayFaults(item, gone)}`, place)];
    }),
  );
