import { measuredSet, type AxleLimits, type CornerRecord } from '../core/assessment';
import { readShop } from '../core/contracts';
import type { Shop } from '../core/options';
import { cutsEqually, readFigure, runoutByRule } from '../core/procedure';
import { axleOf, type Corner } from '../core/readings';
import type { AxleRow, JobFile, SetFile } from '../db/repositories';
import { findCheck, ruledOutAt, rulesOf } from './procedure';

/** The shop's prices and equipment as a job has them. */
export const shopOfJob = (file: JobFile): Shop => readShop(file.shop);

export type Phase = SetFile['phase'];

/** An axle's figures by kind. */
export const limitsOf = (axle: AxleRow | undefined): AxleLimits =>
  Object.fromEntries(
    (axle?.limits ?? []).flatMap(({ kind, valueUm, source }) =>
      kind === 'piston' ? [] : [[kind, { value: valueUm, source }]],
    ),
  );

/** The axle of a corner, as the vehicle has it. */
export const axleRow = (file: JobFile, corner: Corner): AxleRow | undefined =>
  file.vehicle.axles.find(({ position }) => position === axleOf(corner));

/** Figures whose runout limit, where none has a source, follows the house rule. */
const withRunout = (limits: AxleLimits, runout: number | null): AxleLimits =>
  limits.runout || runout === null
    ? limits
    : { ...limits, runout: { value: runout, source: 'workshop' } };

/** The sets of a corner that count, in the order they were begun. */
export const setsOfCorner = (file: JobFile, corner: Corner, phase: Phase): SetFile[] =>
  file.sets.filter(
    (set) => set.corner === corner && set.phase === phase && set.setAsideAt === null,
  );

/** Scores that were typed at a corner, and what the shop's lathes leave. */
function cutFigures(file: JobFile, corner: Corner): CornerRecord['cut'] {
  const { arborError, residual } = shopOfJob(file).equipment;
  const typed = (item: string): number | undefined =>
    readFigure(findCheck(file, 'decide', corner, item)?.value)?.um;
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

/** A corner of a job as the solvers need it. Throws when the vehicle lacks the axle. */
export function cornerRecord(file: JobFile, corner: Corner, phase: Phase): CornerRecord {
  const axle = axleRow(file, corner);
  if (!axle) throw new Error(`The vehicle has no ${axleOf(corner)} axle`);
  const sets = setsOfCorner(file, corner, phase).flatMap((set) => {
    const measured = measuredSet(set);
    return measured ? [measured] : [];
  });
  const rules = rulesOf(file);
  return {
    corner,
    fastening: axle.fastening,
    studs: axle.studs,
    allowedShifts: axle.allowedShifts,
    limits: withRunout(limitsOf(axle), runoutByRule(rules)),
    sets,
    ruledOut: ruledOutAt(file, corner),
    equalCuts: cutsEqually(rules),
    isCaptive: axle.traits.some((trait) => CAPTIVE.includes(trait)),
    cut: cutFigures(file, corner),
  };
}
