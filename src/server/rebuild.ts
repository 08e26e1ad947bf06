import { readPulls, readTorque, type StoredTorque } from '../core/contracts';
import {
  fits,
  readFigure,
  type CornerClosing,
  type JobClosing,
  type PedalState,
  type PlannedStep,
} from '../core/procedure';
import { axleOf, CORNER_NAME, CORNERS, type Corner } from '../core/readings';
import {
  FASTENERS,
  fastenerName,
  pulledAmiss,
  pullsOf,
  WHEEL_STAGES,
  type Fastener,
} from '../core/torque';
import type { CheckRow, JobFile, TorqueFigureRow } from '../db/repositories';
import { judgeCorner } from './judge';
import { checksOfKind, findCheck, offTheRoad, partsStillOff, waits } from './procedure';
import { axleRow, limitsOf } from './record';
import {
  has,
  isDone,
  PISTONS,
  CALIPER_ON,
  stepsDone,
  correctionAt,
  correctedAt,
  wheelWasOff,
  caliperWasOff,
  latest,
  caliperOn,
  pistonsMovedBy,
  openedBy,
  bleedMethod,
  rebuildContext,
  rebuildSteps,
  hydraulicSteps,
} from './rebuildSteps';

/** One fastener of a corner with its figure and what was pulled. */
export interface FastenerState {
  readonly fastener: Fastener;
  readonly name: string;
  readonly figure: TorqueFigureRow | null;
  readonly pulled: { readonly torque: StoredTorque; readonly row: CheckRow } | null;
  /** Stamp of what is on file, counting or not: what is written over. */
  readonly stamp: string | null;
}

/** Whether what was pulled fits the figure as it stands now, or was said to be so since. */
const stillFits = (torque: StoredTorque, row: CheckRow, figure: TorqueFigureRow): boolean =>
  pulledAmiss(torque.nm, figure.valueNm) === null ||
  (torque.confirmed && row.at.getTime() >= figure.at.getTime());

/** Everything at a corner that is drawn up to a figure. */
export function fastenersAt(file: JobFile, corner: Corner): FastenerState[] {
  const context = rebuildContext(file, corner);
  if (!context) return [];
  const hasBolts = context.traits.has('bolts');
  return FASTENERS.filter(({ when }) => fits(context, when))
    .filter(({ code }) => code === 'wheel-nuts' || caliperWasOff(file, corner) || isHydraulic(code))
    .map((fastener) => {
      const row = findCheck(file, 'torque', corner, fastener.code);
      const torque = readTorque(row?.value);
      const figure =
        file.torque.find(
          (each) => each.axle === axleOf(corner) && each.fastener === fastener.code,
        ) ?? null;
      const isPulled = row && torque && figure && stillFits(torque, row, figure);
      return {
        fastener,
        name: fastenerName(fastener, hasBolts),
        figure,
        pulled: isPulled ? { torque, row } : null,
        stamp: row?.stamp ?? null,
      };
    });
}

const isHydraulic = (code: string): boolean => code === 'hose' || code === 'bleeder';

/** The pulls of a corner's wheel so far, and how many there are in all. */
export function starAt(
  file: JobFile,
  corner: Corner,
): { readonly pulls: readonly (number | null)[]; readonly of: number } {
  const studs = axleRow(file, corner)?.studs ?? 0;
  return {
    pulls: readPulls(findCheck(file, 'torque', corner, 'star')?.value),
    of: studs === 0 ? 0 : pullsOf(studs, WHEEL_STAGES.length).length,
  };
}

/** When pistons moved last or a caliper, pad or line was put back; pumping counts after that only. */
function lastMoved(file: JobFile): number {
  const rebuilt = checksOfKind(file, 'rebuild').filter(({ item }) =>
    [...CALIPER_ON, 'pads-in', 'pads-in-fixed', 'bracket-on'].includes(item),
  );
  const hydraulic = checksOfKind(file, 'hydraulics').filter(({ item }) => item !== 'none-opened');
  return latest([
    ...file.corners.flatMap((corner) => [
      ...stepsDone(file, corner, PISTONS),
      findCheck(file, 'method', corner, 'retraction'),
      correctedAt(file, corner),
    ]),
    ...rebuilt,
    ...hydraulic,
  ]);
}

/** How the pedal stands: only what was done after everything else moved. */
export function pedalOf(file: JobFile): PedalState {
  const since = lastMoved(file);
  const valid = (item: string): CheckRow | undefined => {
    const row = findCheck(file, 'pedal', '', item);
    return row && row.at.getTime() >= since ? row : undefined;
  };
  const held = valid('held')?.value;
  return {
    firm: valid('firm') !== undefined,
    held: held === 'held' || held === 'sank' ? held : null,
    level: valid('level') !== undefined,
  };
}

const isSettled = (row: CheckRow | undefined): boolean =>
  row?.value === 'done' || row?.value === 'left-out';

/** Corners in the order that the vehicle is bled in; null where it is not on file. */
export const bleedOrderOf = (file: JobFile): Corner[] | null => {
  const order = file.vehicle.bleedOrder;
  if (!order) return null;
  return order.flatMap((each) => CORNERS.find((corner) => corner === each) ?? []);
};

/** What of an opened system is still to do, in words. */
export function hydraulicsOpen(file: JobFile): string[] {
  const order = bleedOrderOf(file);
  const steps = hydraulicSteps(file).filter(
    ({ code, required }) => required && !isDone(findCheck(file, 'hydraulics', '', code)),
  );
  const corners = (order ?? []).filter(
    (corner) => !isSettled(findCheck(file, 'hydraulics', corner, 'bled')),
  );
  return [
    ...(bleedMethod(file) ? [] : ['Choose how the system is bled.']),
    ...(order ? [] : ['Enter the order in which the maker bleeds the corners, with its source.']),
    ...steps.map(({ title }) => `Hydraulics: “${title}” is not done.`),
    ...corners.map((corner) => `${CORNER_NAME[corner]} is not bled.`),
  ];
}

const RENEWED = ['replace', 'hub-replace'];

/** Why the rotor of a corner may not go on the road as it is, or null. */
function belowDiscardAt(file: JobFile, corner: Corner): string | null {
  const discard = limitsOf(axleRow(file, corner)).discard?.value;
  if (discard === undefined || !axleRow(file, corner)) return null;
  const thinnest = (phase: 'before' | 'after'): number | null =>
    judgeCorner(file, corner, phase).assessment.thickness?.min ?? null;
  const correction = correctionAt(file, corner);
  const finished =
    readFigure(findCheck(file, 'correct', corner, 'finished')?.value)?.um ??
    readFigure(findCheck(file, 'correct', corner, 'returned')?.value)?.um;
  const isRenewed =
    correction !== null && RENEWED.includes(correction) && correctedAt(file, corner) !== undefined;
  const now = thinnest('after') ?? finished ?? (isRenewed ? null : thinnest('before'));
  return now !== null && now < (discard as number)
    ? `The rotor of ${corner} is below discard thickness: it is replaced.`
    : null;
}

function closingAt(file: JobFile, corner: Corner): CornerClosing {
  const steps = rebuildSteps(file, corner);
  const written = (step: PlannedStep) => findCheck(file, 'rebuild', corner, step.code);
  const star = starAt(file, corner);
  const turns = findCheck(file, 'pedal', corner, 'turns')?.value;
  return {
    corner,
    wheelOff: wheelWasOff(file, corner),
    caliperOff: caliperWasOff(file, corner) && caliperOn(file, corner) === undefined,
    inTray: partsStillOff(file, corner).map(({ name }) => name),
    torque: fastenersAt(file, corner).map(({ name, figure, pulled }) => ({
      name,
      hasFigure: figure !== null,
      isPulled: pulled !== null,
    })),
    starDone: star.of > 0 && star.pulls.length >= star.of,
    vehicleDown: has(file, 'torque', corner, 'vehicle-down'),
    open: steps
      .filter((step) => !written(step))
      .filter(({ code }) => caliperWasOff(file, corner) || code === 'wheel-on')
      .map(({ title, required }) => ({ title, required })),
    leftOut: steps
      .filter((step) => written(step)?.value === 'left-out')
      .map((step) => `${step.title} (${written(step)?.note ?? ''})`),
    turns: turns === 'free' || turns === 'drags' ? turns : null,
    belowDiscard: belowDiscardAt(file, corner),
  };
}

/** How a job stands as it goes together again. */
export function closingOf(file: JobFile): JobClosing {
  return {
    corners: file.corners.map((corner) => closingAt(file, corner)),
    pistonsMoved: pistonsMovedBy(file),
    saidNoneMoved: has(file, 'pedal', '', 'none-moved'),
    pedal: pedalOf(file),
    opened: openedBy(file),
    saidClosed: has(file, 'hydraulics', '', 'none-opened'),
    hydraulicsOpen: hydraulicsOpen(file),
    waits: waits(file).map(({ missing }) => missing),
    offTheRoad: offTheRoad(file),
  };
}

/** Seconds that the pedal is held. Source: handbook 15. */
export const HOLD_SECONDS = 60;

/** Seconds since the minute on the pedal was begun; null where it was not, since pistons moved. */
export function secondsHeld(file: JobFile): number | null {
  const hold = findCheck(file, 'pedal', '', 'hold');
  if (!hold || hold.at.getTime() < lastMoved(file)) return null;
  return (Date.now() - hold.at.getTime()) / 1000;
}
