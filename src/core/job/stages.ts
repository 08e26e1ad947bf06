import { measuredSet } from '../assessment';
import { STAGES, type StageKey } from '../insights';
import type { Corner } from '../readings';
import { signOffBlockers } from '../procedure';
import { isWritten } from './checks';
import { isBegunAt, undecidedCorners } from './decided';
import { drumAt, drumsDone, drumsToDo } from './drums';
import { isDrumAt, progressAt } from './procedure';
import { STAGE_OF_PAGE, type NextThing } from './places';
import { cornersToProve, outcomeOf } from './proof';
import { proveNext } from './proveNext';
import { readinessOf } from './readiness';
import { rebuildNext } from './rebuildNext';
import { axleAt, setsOfCorner } from './record';
import { oncePer } from '../remember';
import { repairsToDo, sourceRepairs } from './repairs';
import { stripNext } from './stripNext';
import type { Job, Phase } from './types';

export { STAGES, type StageKey };

export interface Stage {
  readonly key: StageKey;
  /** The corner at which its work goes on, for a stage that is worked corner by corner. */
  readonly corner: Corner | null;
  readonly state: 'done' | 'open' | 'left-out';
}

/** Whether a corner has a complete set of a kind. */
export const hasSet = (
  job: Job,
  corner: Corner,
  phase: Phase,
  kind: 'runout' | 'thickness',
): boolean =>
  setsOfCorner(job, corner, phase).some((set) => set.kind === kind && measuredSet(set) !== null);

const isMeasured = (job: Job, corner: Corner): boolean => {
  if (isDrumAt(job, corner)) return drumAt(job, corner).before !== null;
  if (!hasSet(job, corner, 'before', 'runout')) return false;
  // A composite rotor is judged by its marks.
  return (
    axleAt(job, corner)?.traits.includes('composite') === true ||
    hasSet(job, corner, 'before', 'thickness')
  );
};

/** Corners whose correction is not ticked as done yet. */
export const cornersToCorrect = (job: Job): Corner[] =>
  cornersToProve(job).filter((corner) => !isWritten(job, 'correct', corner, 'done'));

const isEmpty = (list: readonly unknown[]): boolean => list.length === 0;

function stateOf(done: boolean, closed: boolean): Stage['state'] {
  if (done) return 'done';
  return closed ? 'left-out' : 'open';
}

/** Whether a road test was driven: recorded, or its rate felt. */
const isDriven = (job: Job): boolean =>
  job.roadTests.some(({ phase }) => phase === 'before') ||
  job.findings.some(({ code }) => code === 'felt-order' || code === 'recording');

/** Whether everything at every corner of the job was looked at. */
const isStripped = (job: Job): boolean =>
  job.corners.every((corner) => {
    const { items, looked } = progressAt(job, corner);
    return items > 0 && looked === items;
  });

/** Whether the strip-down was gone about step by step, and not only a finding noted. */
const isBegun = (job: Job): boolean =>
  job.checks.some(({ kind }) => kind === 'step' || kind === 'lifting');

/** What the page of a stage says is next, for the stages whose page says it in one sentence. */
const NEXT_ON_PAGE: Readonly<Partial<Record<StageKey, (job: Job) => NextThing>>> = {
  strip: stripNext,
  rebuild: rebuildNext,
  prove: proveNext,
};

/** Whether the page of a stage still asks for something on itself: such a stage is not done. */
function isAsking(job: Job, key: StageKey): boolean {
  const next = NEXT_ON_PAGE[key]?.(job);
  return next !== undefined && (next.place === null || STAGE_OF_PAGE[next.place.page] === key);
}

/** Whether all that was decided is done and, where something was, has helped. */
function isProven(job: Job): boolean {
  const outcome = outcomeOf(job);
  return (
    [undecidedCorners, repairsToDo, drumsToDo].every((left) => isEmpty(left(job))) &&
    (outcome === null || ['cured', 'better', 'referred'].includes(outcome.state))
  );
}

/** A stage of a job: done, open or left out. */
function stage(
  job: Job,
  key: StageKey,
  isDone: boolean,
  { corner = null, isLeftOut = false }: { corner?: Corner | null; isLeftOut?: boolean } = {},
): Stage {
  const isClosed = job.closedAt !== null;
  const state = isLeftOut ? 'left-out' : stateOf(isDone && !isAsking(job, key), isClosed);
  return { key, corner, state };
}

/** The stage of the correction; null where nothing is corrected here. */
function correctStage(job: Job): Stage | null {
  const [toProve, toRepair, toDrums] = [cornersToProve(job), repairsToDo(job), drumsToDo(job)];
  if (toProve.length > 0) {
    const toCorrect = cornersToCorrect(job);
    const isDone = [undecidedCorners(job), toCorrect, toRepair, toDrums].every(isEmpty);
    const isMeasuredAgain = toProve.every((corner) => hasSet(job, corner, 'after', 'runout'));
    return stage(job, 'correct', isDone, {
      corner: toCorrect[0] ?? toDrums[0] ?? toProve[0] ?? null,
      isLeftOut: toCorrect.length > 0 && isMeasuredAgain,
    });
  }
  const isRepairedHere =
    drumsDone(job).length > 0 ||
    toDrums.length > 0 ||
    sourceRepairs(job).some(({ how }) => how === 'here');
  if (!isRepairedHere) return null;
  return stage(job, 'correct', isEmpty(toRepair) && isEmpty(toDrums), {
    corner: toDrums[0] ?? null,
  });
}

/** The stages that a job has, with how far each is. */
export const stagesOf = oncePer((job: Job): Stage[] => {
  const { corners } = job;
  const isBeside = sourceRepairs(job).length > 0;
  const readiness = readinessOf(job);
  const isApart = readiness.corners.some(({ wheelOff }) => wheelOff);
  const correct = correctStage(job);
  const wasDriven = isDriven(job);
  const wasStripped = isStripped(job);
  const isRead = corners.some((corner) => isBegunAt(job, corner));
  return [
    stage(job, 'complaint', job.complaint !== ''),
    stage(job, 'road-test', wasDriven, { isLeftOut: !wasDriven && isRead }),
    stage(job, 'strip', wasStripped, {
      isLeftOut: !wasStripped && !isBegun(job) && (isRead || isBeside),
    }),
    stage(
      job,
      'measure',
      corners.every((corner) => isMeasured(job, corner)),
      {
        corner: corners.find((corner) => !isMeasured(job, corner)) ?? corners[0] ?? 'FL',
        isLeftOut: isBeside && !isRead,
      },
    ),
    stage(job, 'decide', isEmpty(undecidedCorners(job))),
    ...(correct ? [correct] : []),
    ...(isApart ? [stage(job, 'rebuild', signOffBlockers(readiness).length === 0)] : []),
    stage(job, 'prove', isProven(job)),
    stage(job, 'report', job.closedAt !== null),
  ];
});

/** The stage to open a job at: the first that is open, else the last. */
export const currentStage = (job: Job): Stage | undefined => {
  const stages = stagesOf(job);
  return stages.find(({ state }) => state === 'open') ?? stages.at(-1);
};
