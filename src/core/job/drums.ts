import {
  adviseDrum,
  DRUM_PLACES,
  DRUM_WORK_NAME,
  drumOptions,
  solveDrum,
  type DrumBans,
  type DrumOption,
  type DrumResult,
  type DrumWork,
} from '../drum';
import { KNOWLEDGE, PROCEDURE } from '../contracts';
import type { PriceItem } from '../options';
import type { RecordedFinding } from '../diagnosis';
import { axleOf, type Corner, otherSide } from '../readings';
import type { LimitField } from '../sheets';
import type { Micrometres } from '../units';
import type { VerdictState } from '../verdict';
import { findCheck, lengthAt } from './checks';
import { goneTicks, taken, type TakenBack } from './past';
import { bansOfJob, isDrumAt } from './procedure';
import { axleAt } from './record';
import { oncePerPlace } from '../remember';
import type { Job } from './types';

/** What is asked of rotors, pads and calipers, and is not where every wheel has a drum. */
const OF_ROTORS: readonly string[] = [
  ...PROCEDURE.items
    .filter(({ group }) =>
      PROCEDURE.groups.find(({ code }) => code === group)?.when?.includes('!drum'),
    )
    .flatMap(({ soundSays }) => soundSays?.code ?? []),
  ...KNOWLEDGE.findings
    .filter(({ stage, code }) => stage === 'measure' && code !== 'end-play')
    .map(({ code }) => code),
];

/** Checks that say nothing at the corners of a job, and causes that its vehicle cannot have. */
export const outOfQuestion = (
  job: Job,
): { readonly without: readonly string[]; readonly never: readonly string[] } => ({
  without: job.corners.length > 0 && rotorCorners(job).length === 0 ? OF_ROTORS : [],
  never: isDrumAt(job, 'RL') ? ['dtv-rear'] : [],
});

/** When the diameters of a drum were read: before the work on it, or after. */
export type DrumPhase = 'before' | 'after';

const PLACES = [1, 2, 3, 4] as const;
type FigureOf = `drum-${(typeof PLACES)[number]}` | `drum-after-${(typeof PLACES)[number]}`;

/** The figures of the inspection that are the diameters of a drum, in order. */
export const drumItems = (phase: DrumPhase): readonly FigureOf[] =>
  PLACES.map((place): FigureOf => (phase === 'after' ? `drum-after-${place}` : `drum-${place}`));

/** The diameters of a drum as read, in micrometres; null where one was not. */
export const drumDiameters = (
  job: Job,
  corner: Corner,
  phase: DrumPhase,
): readonly (Micrometres | null)[] => drumItems(phase).map((item) => lengthAt(job, corner, item));

const limitAt = (job: Job, corner: Corner, kind: LimitField): Micrometres | undefined =>
  axleAt(job, corner)?.limits.find((each) => each.kind === kind)?.valueUm;

/** The wear limit of a drum: the smaller of what is on file and of what is stamped on it. */
export function drumLimitAt(job: Job, corner: Corner): Micrometres | undefined {
  const stamped = lengthAt(job, corner, 'stamped-drum') ?? undefined;
  const known = [limitAt(job, corner, 'drumDiscard'), stamped].filter(
    (value): value is Micrometres => value !== undefined,
  );
  return known.length === 0 ? undefined : Math.min(...known);
}

/** What was decided about a drum, and whether it was done. */
export interface DrumDecision {
  readonly work: DrumWork;
  readonly shoes: boolean;
  readonly isDone: boolean;
  readonly stamp: string;
  readonly doneStamp: string | null;
}

/** Everything that is known of the drum of a corner. */
export interface DrumState {
  readonly corner: Corner;
  readonly before: DrumResult | null;
  readonly after: DrumResult | null;
  readonly limit: Micrometres | undefined;
  readonly options: readonly DrumOption[];
  /** The least intervention that nothing speaks against; null until diameters and limit are known. */
  readonly advised: DrumWork | null;
  readonly decision: DrumDecision | null;
}

function resultAt(job: Job, corner: Corner, phase: DrumPhase): DrumResult | null {
  const diameters = drumDiameters(job, corner, phase).filter((value) => value !== null);
  if (diameters.length < DRUM_PLACES) return null;
  return solveDrum({
    diameters,
    limits: {
      nominal: limitAt(job, corner, 'drumNominal'),
      machineTo: limitAt(job, corner, 'drumMachineTo'),
      discard: drumLimitAt(job, corner),
      round: limitAt(job, corner, 'drumRound'),
    },
  });
}

/** What findings at a corner forbid of its drum. */
function drumBans(job: Job, corner: Corner): DrumBans {
  const bans = bansOfJob(job).filter((ban) => ban.corner === corner);
  const whys = (what: (typeof bans)[number]['what']): string[] =>
    bans.filter((ban) => ban.what === what).map(({ why }) => why);
  return { cut: whys('machining'), drum: whys('rotor') };
}

function decisionAt(job: Job, corner: Corner): DrumDecision | null {
  const row = findCheck(job, 'drum', corner, 'decided');
  if (!row) return null;
  const done = findCheck(job, 'drum', corner, 'done');
  return {
    ...row.value,
    isDone: done !== undefined,
    stamp: row.stamp,
    doneStamp: done?.stamp ?? null,
  };
}

/** The drum of a corner as the record has it. */
export const drumAt = oncePerPlace((job: Job, corner: Corner): DrumState => {
  const before = resultAt(job, corner, 'before');
  const bans = drumBans(job, corner);
  return {
    corner,
    before,
    after: resultAt(job, corner, 'after'),
    limit: drumLimitAt(job, corner),
    options: before ? drumOptions(before, bans) : [],
    advised: before && adviseDrum(before, bans),
    decision: decisionAt(job, corner),
  };
});

/** Corners of a job whose wheel is braked by a drum, and those with a rotor. */
export const drumCorners = (job: Job): Corner[] =>
  job.corners.filter((corner) => isDrumAt(job, corner));
export const rotorCorners = (job: Job): Corner[] =>
  job.corners.filter((corner) => !isDrumAt(job, corner));

/** Whether what was decided takes work: a drum that is kept with its shoes takes none. */
export const isDrumWork = (
  decision: Pick<DrumDecision, 'work' | 'shoes'> | null,
): decision is DrumDecision => decision !== null && (decision.work !== 'keep' || decision.shoes);

/** Drums that were decided to be worked on and are not ticked as done. */
export const drumsToDo = (job: Job): Corner[] =>
  drumCorners(job).filter((corner) => {
    const { decision } = drumAt(job, corner);
    return isDrumWork(decision) && !decision.isDone;
  });

/** Drums that were worked on. */
export const drumsDone = (job: Job): Corner[] =>
  drumCorners(job).filter((corner) => {
    const { decision } = drumAt(job, corner);
    return isDrumWork(decision) && decision.isDone;
  });

/** Whether the drum of a corner is a new one by now. */
const isRenewed = (job: Job, corner: Corner): boolean => {
  const decision = decisionAt(job, corner);
  return decision?.work === 'renew' && decision.isDone;
};

/** The largest diameter that was read of the drum that is on a corner now; null without any. */
function largestNow(job: Job, corner: Corner): Micrometres | null {
  const phases: readonly DrumPhase[] = isRenewed(job, corner) ? ['after'] : ['before', 'after'];
  const read = phases.flatMap((phase) => [
    ...drumDiameters(job, corner, phase),
    resultAt(job, corner, phase)?.largest ?? null,
  ]);
  const known = read.filter((value) => value !== null);
  return known.length === 0 ? null : Math.max(...known);
}

/** Why the drum of a corner may not go on the road as it is, or null. Source: handbook 9, 14. */
export function beyondDrumAt(job: Job, corner: Corner): string | null {
  const [now, limit] = [largestNow(job, corner), drumLimitAt(job, corner)];
  return now !== null && limit !== undefined && now > limit
    ? `The drum of ${corner} is beyond its wear limit: it is renewed.`
    : null;
}

/** Diameters beyond this share of the limit are slips of the hand or of the unit. */
const NO_DRUM = 1.2;

/** What a figure of a drum that stands no more said of it, in words; null where nothing grave. */
function sayGone(job: Job, corner: Corner, item: string, um: number): string | null {
  const figure = `${(um / 1000).toFixed(2)} mm`;
  if (item === 'stamped-drum') {
    const now = largestNow(job, corner);
    return now !== null && now > um && now < NO_DRUM * um
      ? `${corner}: the wear limit stamped on the drum was changed (${figure})`
      : null;
  }
  const limit = drumLimitAt(job, corner);
  if (!item.startsWith('drum-') || limit === undefined) return null;
  return um > limit && um < NO_DRUM * limit
    ? `${corner}: a drum diameter beyond the wear limit was changed (${figure})`
    : null;
}

/** Figures by which a drum was beyond its wear limit, and that say otherwise or nothing since. */
export const drumReadingsGone = (job: Job): TakenBack[] =>
  goneTicks(job, 'figure').flatMap(({ entry, place, item, value }): TakenBack[] => {
    const corner = job.corners.find((each) => each === place);
    const um = Number((value as { readonly um?: unknown } | null)?.um);
    if (!corner || isRenewed(job, corner) || !Number.isFinite(um)) return [];
    const say = sayGone(job, corner, item, um);
    return say === null ? [] : [taken(entry, say, corner)];
  });

const WORST: readonly VerdictState[] = [
  'beyond',
  'not-valid',
  'not-measured',
  'too-close',
  'within',
];

/** How a drum stands against size and roundness together; not measured where one is not known. */
export const drumState = (drum: DrumResult | null): VerdictState => {
  const states = drum ? [drum.size?.state ?? 'not-measured', drum.round.state] : [];
  return WORST.find((state) => states.includes(state)) ?? 'not-measured';
};

/** The drums that were cut or renewed, as they were measured after it. */
export const provenDrums = (
  job: Job,
): { readonly corner: Corner; readonly state: VerdictState }[] =>
  drumsDone(job)
    .filter((corner) => drumAt(job, corner).decision?.work !== 'keep')
    .map((corner) => ({ corner, state: drumState(drumAt(job, corner).after) }));

/** Whether the drum of a corner was measured and stands within, as it is now. */
export const isDrumWithin = (job: Job, corner: Corner): boolean => {
  const { before, after } = drumAt(job, corner);
  return drumState(after ?? before) === 'within';
};

/** Worn so far of what may be worn, a drum is near its limit. */
const NEAR = 0.8;

function sizeSays({ size, worn, largest }: DrumResult): string | null {
  if (!size) return null;
  if (size.state === 'beyond') return 'beyond';
  if (worn === null) return size.state === 'within' ? 'within' : 'near';
  const share = worn / (worn + (size.limit - largest));
  return share > NEAR || size.state === 'too-close' ? 'near' : 'within';
}

/** What the diameters of a drum tell the nose. */
export const drumFindings = (job: Job): RecordedFinding[] =>
  drumCorners(job).flatMap((corner): RecordedFinding[] => {
    const { before } = drumAt(job, corner);
    if (!before) return [];
    const size = sizeSays(before);
    const round = { within: 'round', beyond: 'oval' }[before.round.state as string];
    return [
      ...(size ? [{ code: 'drum-size', value: size, corner }] : []),
      ...(round ? [{ code: 'drum-check', value: round, corner }] : []),
    ];
  });

/** What the work on one drum takes of the shop’s list. */
export const DRUM_ITEMS: Readonly<Record<DrumWork, readonly PriceItem[]>> = {
  keep: [],
  cut: ['drum-cut'],
  renew: ['drum'],
};

/** What is paid of the work decided at the drums: shoes once an axle. */
export const drumPrices = (job: Job): PriceItem[] => {
  const decided = drumCorners(job).flatMap((corner) => {
    const { decision } = drumAt(job, corner);
    return decision ? [{ corner, ...decision }] : [];
  });
  const axles = new Set(decided.filter(({ shoes }) => shoes).map(({ corner }) => axleOf(corner)));
  return [
    ...decided.flatMap(({ work }) => DRUM_ITEMS[work]),
    ...[...axles].map((): PriceItem => 'shoes'),
  ];
};

/** Drums of which one of an axle alone is cut or renewed, and the other stays: it takes a reason. */
export const drumAlone = (job: Job): Corner[] =>
  drumCorners(job).filter((corner) => {
    const work = drumAt(job, corner).decision?.work ?? 'keep';
    const other = otherSide(corner);
    const theirs = job.corners.includes(other) ? drumAt(job, other).decision?.work : undefined;
    return work !== 'keep' && theirs !== work;
  });

/** Drums whose largest diameter is too close to their wear limit to call, as they are now. */
export const drumsNearLimit = (job: Job): Corner[] =>
  drumCorners(job).filter((corner) => {
    const { before, after } = drumAt(job, corner);
    return (after ?? before)?.size?.state === 'too-close';
  });

/** What was decided or done at a drum, in a few words of the workshop. */
export const sayDrumWork = ({ work, shoes }: Pick<DrumDecision, 'work' | 'shoes'>): string =>
  `${DRUM_WORK_NAME[work]}${shoes ? ', with new shoes' : ''}`;

/** A cut drum is no smaller than it was, by more than a reading is unsure. */
const SLIP: Micrometres = 60;

/** Why a drum cannot be decided so, in words; null where it can. A null value takes it back. */
export function refuseDrumDecided(
  job: Job,
  corner: Corner,
  value: Pick<DrumDecision, 'work' | 'shoes'> | null,
): string | null {
  if (!isDrumAt(job, corner)) return 'This wheel has no drum.';
  if (findCheck(job, 'drum', corner, 'done')) {
    return 'It is ticked as done: take that back first, with a reason.';
  }
  if (value === null || value.work === 'renew') return null;
  const { options } = drumAt(job, corner);
  const option = options.find(({ work }) => work === value.work);
  if (!option) return 'Read its four diameters first.';
  return option.against.length === 0
    ? null
    : `${DRUM_WORK_NAME[value.work]}: not here, ${option.against.join(', ')}.`;
}

/** Why the work at a drum cannot be ticked as done, in words; null where it can. */
export function refuseDrumDone(job: Job, corner: Corner): string | null {
  const { before, after, decision } = drumAt(job, corner);
  if (!isDrumWork(decision)) return 'Decide first what is done at this drum.';
  if (decision.work === 'keep') return null;
  if (!after) return 'Write down the four diameters that were measured after the work first.';
  if (decision.work === 'cut' && before && after.largest < before.largest - SLIP) {
    return 'A cut drum is no smaller than it was: check the figures after the work, and their unit.';
  }
  return null;
}
