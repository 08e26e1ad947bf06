import { applyAction, preparedBench, type VirtualBench } from '../bench';
import { KNOWLEDGE } from '../contracts';
import {
  checksOfKind,
  feelOf,
  findCheck,
  findingsOfJob,
  judgeCorner,
  openCorrection,
  sourceRepairs,
  wasCleaned,
  type Job,
} from '../job';
import { ACTION_CODES, actionRecord, type Action } from '../options';
import { numberedRandom } from '../numeric';
import { measuredFindings } from '../assessment';
import { CORNERS, type Corner } from '../readings';
import {
  asItSits,
  chanceOf,
  doesCure,
  findCaseOf,
  findState,
  GAUGED,
  NOMINAL,
  readCode,
  repairItems,
  setupOf,
  STUDS,
  truthShares,
  WORN,
  type CarCorner,
  type FindAction,
  type FindCase,
  type ReadFinding,
} from '../practice';

/** Between the code of a car and which time it came in. */
const TIME = '/';

/** The plate of a car of practice: its code, and from its second time on which time it is. */
export const plateOfCar = (code: string, time: number): string =>
  time === 1 ? code : `${code}${TIME}${time}`;

/** The car of a vehicle of practice by its plate; null for any other. */
export function carOfPlate(plate: string): FindCase | null {
  const own = readCode(plate.split(TIME)[0]!);
  return own?.level === 'find' ? findCaseOf(own, KNOWLEDGE) : null;
}

/** A corner at which nothing is wrong: hub and rotor as they are made, the same for the same car. */
function soundCorner(own: FindCase, corner: Corner): CarCorner {
  const random = numberedRandom(
    Math.floor(1e6 * chanceOf(readCode(own.code)!).uniform()) + CORNERS.indexOf(corner),
  );
  const order = (k: number, least: number, most: number) => ({
    order: k,
    amplitude: least + (most - least) * random.uniform(),
    highSpotDeg: (360 / k) * random.uniform(),
  });
  return {
    virtual: {
      studs: STUDS,
      hub: [order(1, 2, 5)],
      rotor: [order(1, 2, 6), order(2, 0.3, 1.3)],
      meanThickness: NOMINAL - WORN,
      thickness: [order(1, 0.3, 1.2), order(2, 0.2, 0.8)],
    },
    faults: {},
    wornKm: null,
  };
}

/** The action that was decided and done at a corner; null where none was, or none that changes anything. */
function doneAt(job: Job, corner: Corner): Action | null {
  const code = job.decisions.find((each) => each.corner === corner)?.action;
  const action = ACTION_CODES.find((each) => each === code) ?? null;
  return action === 'leave' || openCorrection(job, corner) !== null ? null : action;
}

/** A corner after an action was done there, with what tolerances leave; what tilts a rotor goes where it is off. */
function afterAction(own: FindCase, bench: CarCorner, job: Job, corner: Corner): CarCorner {
  const action = doneAt(job, corner);
  if (action === null) return bench;
  const { shift, detail } = job.decisions.find((each) => each.corner === corner)!;
  const isOff = action !== 'on-vehicle';
  // The cutter follows the rotor as it sits, with whatever tilts it there.
  const truth = isOff ? bench.virtual : asItSits(bench);
  // How well a plate fits is not asked of what was fitted.
  const plate = detail?.plate ? { ...detail.plate, shift: shift ?? 0, tir: 0 } : null;
  const random = chanceOf(readCode(own.code)!);
  const standing = { truth, shift: 0, sets: [] };
  const done = applyAction(standing, action, { shift, plate }, setupOf(STUDS), random).truth;
  const virtual = isOff ? done : { ...done, hub: truth.hub };
  return asPrepared({ ...bench, virtual }, { isClean: true, isEven: true });
}

/** A corner whose seat was cleaned, or whose nuts were drawn up evenly. */
function asPrepared(bench: CarCorner, prepared: Parameters<typeof preparedBench>[1]): CarCorner {
  const { corner, faults } = preparedBench(asBench(bench), prepared);
  return { ...bench, virtual: corner, faults };
}

const asBench = ({ virtual, faults }: CarCorner): VirtualBench => ({ corner: virtual, faults });

/** Whether the seat at a corner was cleaned: ticked as a step, or said with a set that was read there. */
const isSeatClean = (job: Job, corner: Corner): boolean =>
  job.sets.some(
    (set) =>
      set.corner === corner &&
      set.kind === 'runout' &&
      set.phase !== 'as-found' &&
      wasCleaned(job, corner, set),
  );

/** Whether the wheel’s nuts were drawn up in this job. */
const isDrawnUp = (job: Job, corner: Corner): boolean =>
  findCheck(job, 'torque', corner, 'wheel-nuts') !== undefined;

/**
 * The corner of a car on the stages: before anything was done there, or after it. What goes with preparing a set is in
 * it: it goes where that set is prepared (`preparedBench`).
 */
export function cornerOfJob(
  own: FindCase,
  job: Job,
  corner: Corner,
  phase: 'as-found' | 'before' | 'after',
): CarCorner {
  const bench = corner === own.corner ? own.bench : soundCorner(own, corner);
  return phase === 'after' ? afterAction(own, bench, job, corner) : bench;
}

/** The same as the bench takes it. */
export const benchOfJob = (...asked: Parameters<typeof cornerOfJob>): VirtualBench =>
  asBench(cornerOfJob(...asked));

/** What the corner of a car shows to who reads it well as it goes out: after what was done, cleaned and drawn up there. */
export function leftAt(own: FindCase, job: Job): ReturnType<typeof truthShares> {
  const { corner } = own;
  const after = cornerOfJob(own, job, corner, 'after');
  const prepared = { isClean: isSeatClean(job, corner), isEven: isDrawnUp(job, corner) };
  return truthShares(asPrepared(after, prepared), seatLeft(own, job));
}

/** What readings of a corner say to the weighing of causes. */
function readAt(job: Job, corner: Corner, phase: 'before' | 'after'): ReadFinding[] {
  const { record, assessment } = judgeCorner(job, corner, phase);
  return measuredFindings(record, assessment).flatMap(({ code, value }) => {
    const gauged = GAUGED.find((each) => each === code);
    return gauged ? [{ code: gauged, value }] : [];
  });
}

/** Whether what was decided about a rotor is work of the kind that a fault at it asks for. */
function isRightKind({ cause }: FindCase, action: Action): boolean {
  const { items, metal } = actionRecord(action);
  // A rotor that overheated is not cut.
  if (repairItems(cause).includes('rotor')) return items.includes('rotor');
  // What lies between hub and rotor goes wherever the rotor comes off.
  if (cause.code === 'rust-under-hat') return action !== 'on-vehicle';
  return cause.code === 'hub-runout' || metal !== 'none';
}

/** Whether the fault of a car goes by what was done about its rotor: it lies at one, and its corner is within after it. */
export function isCuredByMetal(own: FindCase, job: Job): boolean {
  const action = doneAt(job, own.corner);
  if (action === null || own.place === null) return false;
  const { items } = actionRecord(action);
  if (own.cause.work.length > 0) {
    return repairItems(own.cause).every((item) => items.includes(item));
  }
  const truth = truthShares(own.bench);
  const left = leftAt(own, job);
  const isWithin = left.runout <= 1 && left.variation <= 1;
  // A rotor that runs out is true again on another stud as well.
  const isTrued = truth.runout > 1 && truth.variation <= 1 && own.cause.code === 'rotor-runout';
  return isWithin && (isTrued || isRightKind(own, action));
}

/** Where the rotor of the car’s corner was put on last. */
function seatLeft(own: FindCase, job: Job): number {
  const last = job.sets.findLast(({ corner, phase }) => corner === own.corner && phase === 'after');
  const decision = job.decisions.find(({ corner }) => corner === own.corner);
  return last?.shift ?? decision?.shift ?? 0;
}

/** Work that nobody decides and that puts a fault right all the same: a seat that is cleaned, nuts that are drawn up evenly. */
function doneInPassing(own: FindCase, job: Job): FindAction[] {
  const { corner, cause } = own;
  if (cause.code === 'rust-under-hat' && isSeatClean(job, corner)) {
    return [{ kind: 'decide', action: 'clean', isRight: true }];
  }
  return cause.code === 'nut-torque' && isDrawnUp(job, corner)
    ? [{ kind: 'repair', code: cause.code }]
    : [];
}

/** What was put right, in the order in which it was decided. */
function repairsOf(own: FindCase, job: Job): FindAction[] {
  const isCured = isCuredByMetal(own, job);
  const metal = [...job.decisions]
    .sort((p, q) => p.decidedAt.getTime() - q.decidedAt.getTime())
    .flatMap(({ corner }): FindAction[] => {
      const action = doneAt(job, corner);
      return action === null
        ? []
        : [{ kind: 'decide', action, isRight: isCured && corner === own.corner }];
    });
  const beside = sourceRepairs(job).flatMap(({ cause, did, place }): FindAction[] => {
    const isThere = place === '' || own.place === null || place === own.place;
    // The same work at another corner puts nothing right here.
    return did === null || (!isThere && doesCure(cause, own.cause))
      ? []
      : [{ kind: 'repair', code: cause.code }];
  });
  const decided = [...metal, ...beside];
  const isRight = (action: FindAction): boolean =>
    action.kind === 'decide'
      ? action.isRight
      : action.kind === 'repair' && action.code === own.cause.code;
  return decided.some(isRight) ? decided : [...doneInPassing(own, job), ...decided];
}

/** A car as it stands by what is written down in its job so far: put right or not, and what it took. */
export interface CarStands {
  /** Whatever else was done wrong: work that is right is right. */
  readonly isCured: boolean;
  readonly minutes: number;
  readonly money: number;
}

/** How a car stands in its job; `nosed` as for `actionsOfJob`. */
export function carStands(own: FindCase, job: Job, nosed: number): CarStands {
  // It is not given back yet.
  const { minutes, money } = findState(own, actionsOfJob(own, job, nosed).slice(0, -1));
  return { isCured: findState(own, repairsOf(own, job)).isCured, minutes, money };
}

/**
 * What was asked, driven, looked at and read in a job of practice, and what was done, in the order of its stages; `nosed`
 * is how often the nose was asked while it was off.
 */
export function actionsOfJob(own: FindCase, job: Job, nosed = 0): FindAction[] {
  const found = findingsOfJob(job);
  const isTold = ({ code, corner }: (typeof found)[number]): boolean =>
    !own.knowledge.findings.find((each) => each.code === code)?.perCorner ||
    corner === undefined ||
    corner === own.corner;
  const codes = new Set(found.filter(isTold).map(({ code }) => code));
  const checks = own.knowledge.findings
    .filter(({ code, stage }) => codes.has(code) && stage !== 'measure')
    .map(({ code }): FindAction => ({ kind: 'check', code }));
  const read = readAt(job, own.corner, 'before');
  const again = readAt(job, own.corner, 'after');
  const repairs = repairsOf(own, job);
  const isPumped = checksOfKind(job, 'pedal').some(({ item }) => item === 'firm');
  const isDriven =
    feelOf(job).after !== null || job.roadTests.some(({ phase }) => phase === 'after');
  return [
    ...checks,
    ...Array.from({ length: nosed }, () => ({ kind: 'nose', how: 'once' }) as const),
    ...(read.length > 0 ? [{ kind: 'read', found: read } as const] : []),
    ...repairs,
    ...(again.length > 0 && repairs.length > 0 ? [{ kind: 'reread', found: again } as const] : []),
    ...(isPumped ? [{ kind: 'pedal' } as const] : []),
    ...(isDriven ? [{ kind: 'drive' } as const] : []),
    { kind: 'back' },
  ];
}

/** What somebody wrote down otherwise than it was. */
export interface WrittenOtherwise {
  readonly code: string;
  readonly written: string;
}

/** Answers of a job that are not what the car has. */
export const writtenOtherwise = (own: FindCase, job: Job): WrittenOtherwise[] =>
  job.findings.flatMap(({ code, value, corner }) => {
    const finding = own.knowledge.findings.find((each) => each.code === code);
    const shown = own.shows.find((each) => each.code === code);
    if (!finding || !shown || finding.stage === 'measure') return [];
    const isElsewhere = finding.perCorner && corner !== '' && corner !== own.corner;
    return isElsewhere || String(shown.value) === value ? [] : [{ code, written: value }];
  });
