import { applyAction, type VirtualBench } from '../bench';
import { KNOWLEDGE } from '../contracts';
import { findingsOfJob, judgeCorner, feelOf, sourceRepairs, checksOfKind, type Job } from '../job';
import { ACTION_CODES, actionRecord, type Action } from '../options';
import { numberedRandom } from '../numeric';
import { measuredFindings } from '../assessment';
import { CORNERS, type Corner } from '../readings';
import {
  asItSits,
  chanceOf,
  doesCure,
  findCaseOf,
  GAUGED,
  NOMINAL,
  readCode,
  repairItems,
  setupOf,
  truthShares,
  type CarCorner,
  type FindAction,
  type FindCase,
  type ReadFinding,
} from '../practice';

/** The car of a vehicle of practice, whose plate is its code; null for any other. */
export function carOfPlate(plate: string): FindCase | null {
  const own = readCode(plate);
  return own?.level === 'find' ? findCaseOf(own, KNOWLEDGE) : null;
}

/** A rotor that is no longer new. */
const WORN = 700;

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
      studs: own.bench.virtual.studs,
      hub: [order(1, 2, 5)],
      rotor: [order(1, 2, 6), order(2, 0.3, 1.3)],
      meanThickness: NOMINAL - WORN,
      thickness: [order(1, 0.3, 1.2), order(2, 0.2, 0.8)],
    },
    faults: {},
    wornKm: null,
  };
}

/** The action that was decided at a corner of a job; null where none was, or none that changes anything. */
function actionAt(job: Job, corner: Corner): Action | null {
  const code = job.decisions.find((each) => each.corner === corner)?.action;
  return ACTION_CODES.find((each) => each === code) ?? null;
}

/** A corner after what was decided there was done, with what tolerances leave; what tilts a rotor goes where it is off. */
function afterAction(own: FindCase, bench: CarCorner, job: Job, corner: Corner): CarCorner {
  const action = actionAt(job, corner);
  if (action === null || action === 'leave') return bench;
  const decision = job.decisions.find((each) => each.corner === corner)!;
  const { dirt: _dirt, nuts: _nuts, ...faults } = bench.faults;
  // The cutter follows the rotor as it sits, with whatever tilts it there.
  const truth = action === 'on-vehicle' ? asItSits(bench) : bench.virtual;
  const { shift } = decision;
  const fitted = decision.detail?.plate;
  // How well it fits is not asked of what was fitted.
  const plate = fitted ? { ...fitted, shift: shift ?? 0, tir: 0 } : null;
  const done = applyAction(
    { truth, shift: 0, sets: [] },
    action,
    { shift, plate },
    setupOf(truth.studs),
    chanceOf(readCode(own.code)!),
  ).truth;
  return {
    ...bench,
    virtual: action === 'on-vehicle' ? { ...done, hub: truth.hub } : done,
    faults,
  };
}

/** Whether the seat at a corner was cleaned: how it was found was read before. */
const isCleaned = (job: Job, corner: Corner): boolean =>
  job.sets.some((set) => set.corner === corner && set.phase === 'as-found');

/** The corner of a car on the stages as gauges find it in a phase: before anything was done there, or after it. */
export function cornerOfJob(
  own: FindCase,
  job: Job,
  corner: Corner,
  phase: 'as-found' | 'before' | 'after',
): CarCorner {
  const bench = corner === own.corner ? own.bench : soundCorner(own, corner);
  if (phase === 'after') return afterAction(own, bench, job, corner);
  if (phase === 'as-found' || !isCleaned(job, corner)) return bench;
  const { dirt: _dirt, nuts: _nuts, ...faults } = bench.faults;
  return { ...bench, faults };
}

/** The same as the bench takes it. */
export function benchOfJob(...asked: Parameters<typeof cornerOfJob>): VirtualBench {
  const { virtual, faults } = cornerOfJob(...asked);
  return { corner: virtual, faults };
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

/** Whether the fault of a car goes by what was decided about rotors: it lies at one, and its corner is within after it. */
export function isCuredByMetal(own: FindCase, job: Job): boolean {
  const action = actionAt(job, own.corner);
  if (action === null || own.place === null) return false;
  const { items } = actionRecord(action);
  if (own.cause.work.length > 0) {
    return repairItems(own.cause).every((item) => items.includes(item));
  }
  const truth = truthShares(own.bench);
  const after = truthShares(cornerOfJob(own, job, own.corner, 'after'), runoutSeat(own, job));
  const isWithin = after.runout <= 1 && after.variation <= 1;
  // A rotor that runs out is true again on another stud as well.
  const isTrued = truth.runout > 1 && truth.variation <= 1 && own.cause.code === 'rotor-runout';
  return isWithin && (isTrued || isRightKind(own, action));
}

/** Where the rotor of the car’s corner was put on last. */
export function runoutSeat(own: FindCase, job: Job): number {
  const last = job.sets.findLast(({ corner, phase }) => corner === own.corner && phase === 'after');
  const decision = job.decisions.find(({ corner }) => corner === own.corner);
  return last?.shift ?? decision?.shift ?? 0;
}

/** What was put right, in the order in which it was decided. */
function repairsOf(own: FindCase, job: Job): FindAction[] {
  const isCured = isCuredByMetal(own, job);
  const metal = [...job.decisions]
    .sort((p, q) => p.decidedAt.getTime() - q.decidedAt.getTime())
    .flatMap(({ corner }): FindAction[] => {
      const action = actionAt(job, corner);
      if (action === null || action === 'leave') return [];
      return [{ kind: 'decide', action, isRight: isCured && corner === own.corner }];
    });
  const beside = sourceRepairs(job).flatMap(({ cause, did, place }): FindAction[] => {
    const isThere = place === '' || own.place === null || place === own.place;
    // The same work at another corner puts nothing right here.
    return did === null || (!isThere && doesCure(cause, own.cause))
      ? []
      : [{ kind: 'repair', code: cause.code }];
  });
  return [...metal, ...beside];
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
