import { assessRunout, measuredSet, type AxleLimits, type CornerRecord } from '../assessment';
import { cutsEqually, runoutByRule } from '../procedure';
import { wasSeenTo } from '../quality';
import { axleOf, type Corner } from '../readings';
import { isOfDrum } from '../sheets';
import { assessed } from './assessed';
import { findCheck, isDone } from './checks';
import { judgedAxles } from './past';
import { ruledOutAt, rulesOf } from './procedure';
import { oncePerPlace } from '../remember';
import { seatToCorrect } from './seat';
import type { Axle, Job, Phase, ReadingSet } from './types';

/** An axle's figures by kind. */
export const limitsOf = (axle: Pick<Axle, 'limits'> | undefined): AxleLimits =>
  Object.fromEntries(
    (axle?.limits ?? []).flatMap(({ kind, valueUm, source }) =>
      kind === 'piston' || isOfDrum(kind) ? [] : [[kind, { value: valueUm, source }]],
    ),
  );

/** The axle of a corner as it is judged: what was changed in this job counts by the stricter. */
export const axleAt = (job: Job, corner: Corner): Axle | undefined =>
  judgedAxles(job).find(({ position }) => position === axleOf(corner));

/** Whether somebody said how the wheel of a corner is held on: the star and every move rest on it. */
export const isFasteningSaid = (job: Job, corner: Corner): boolean =>
  axleAt(job, corner)?.isFasteningSaid !== false;

/** What is asked before anything that counts studs. */
export const SAY_FASTENING = 'Say first how many studs or bolts hold this wheel.';

/** Figures whose runout limit, where none has a source, follows the house rule. */
const withRunout = (limits: AxleLimits, runout: number | null): AxleLimits =>
  limits.runout || runout === null
    ? limits
    : { ...limits, runout: { value: runout, source: 'workshop' } };

/** The sets of a corner that count, in the order they were begun. */
export const setsOfCorner = (job: Job, corner: Corner, phase: Phase): ReadingSet[] =>
  job.sets.filter((set) => set.corner === corner && set.phase === phase && set.setAsideAt === null);

/** Scores that were typed at a corner, and what the shop's lathes leave. */
function cutFigures(job: Job, corner: Corner): CornerRecord['cut'] {
  const { arborError, residual } = job.shop.equipment;
  const typed = (item: 'score-outboard' | 'score-inboard' | 'clean-up') =>
    findCheck(job, 'decide', corner, item)?.value.um;
  return {
    arborError,
    residual,
    scoreOutboard: typed('score-outboard'),
    scoreInboard: typed('score-inboard'),
    cleanUp: typed('clean-up'),
  };
}

/** Traits of an axle whose rotor is one with its hub. */
const CAPTIVE = ['bearing-in-rotor', 'riveted'];

/** Whether the seat of a set was clean: ticked as a step, or said with the set itself. */
export function wasCleaned(
  job: Job,
  corner: Corner,
  { leftOut: left }: Pick<ReadingSet, 'leftOut'>,
): boolean {
  if (isDone(findCheck(job, 'step', corner, 'hub-face'))) return true;
  const fastening = axleAt(job, corner)?.fastening ?? 'studs';
  return wasSeenTo('clean', { kind: 'runout', asFound: false, fastening }, left);
}

/** Runout as found that was beyond its limit in the seat that was read again once it was clean. */
function foundBeyond(job: Job, corner: Corner): number | undefined {
  const found = cornerRecord(job, corner, 'as-found');
  const set = found.sets.find(({ kind }) => kind === 'runout');
  const again = setsOfCorner(job, corner, 'before').find(({ kind }) => kind === 'runout');
  if (set?.kind !== 'runout' || again?.shift !== set.shift) return undefined;
  if (!wasCleaned(job, corner, again)) return undefined;
  const { verdict, tirFitted } = assessRunout(set, found.studs, found.limits);
  return verdict.state === 'beyond' ? (verdict.value ?? tirFitted) : undefined;
}

/** What a corrected corner is proven against; undefined where nothing was decided but to leave it. */
function provedAgainst(job: Job, corner: Corner): CornerRecord['proves'] {
  const decision = job.decisions.find((each) => each.corner === corner);
  if (!decision || decision.correction === 'leave') return undefined;
  const before = cornerRecord(job, corner, 'before');
  const { firstRunout, thickness } = assessed(before);
  const runout = firstRunout?.verdict.state === 'beyond' ? firstRunout : null;
  const variation = thickness?.dtvVerdict.state === 'beyond' ? thickness.dtvVerdict : null;
  return {
    runout: before.foundBeyond ?? (runout && (runout.verdict.value ?? runout.tirFitted)),
    variation: variation?.value ?? null,
  };
}

function cornerRecordAnew(job: Job, corner: Corner, phase: Phase): CornerRecord {
  const axle = axleAt(job, corner);
  if (!axle) throw new Error(`The vehicle has no ${axleOf(corner)} axle`);
  const sets = setsOfCorner(job, corner, phase).flatMap((set) => {
    const measured = measuredSet(set);
    return measured ? [measured] : [];
  });
  const rules = rulesOf(job);
  return {
    corner,
    fastening: axle.fastening,
    studs: axle.studs,
    allowedShifts: axle.allowedShifts,
    limits: withRunout(limitsOf(axle), runoutByRule(rules)),
    sets,
    ruledOut: ruledOutAt(job, corner),
    equalCuts: cutsEqually(rules),
    isCaptive: axle.traits.some((trait) => CAPTIVE.includes(trait)),
    isComposite: axle.traits.includes('composite'),
    cut: cutFigures(job, corner),
    isCheck: job.vehicle.isCheck,
    ...(phase === 'before'
      ? { seat: seatToCorrect(job, corner), foundBeyond: foundBeyond(job, corner) }
      : {}),
    ...(phase === 'after' ? { proves: provedAgainst(job, corner) } : {}),
  };
}

/** A corner of a job as the solvers need it. Throws when the vehicle lacks the axle. */
export const cornerRecord = oncePerPlace<Job, [Corner, Phase], CornerRecord>(cornerRecordAnew);
