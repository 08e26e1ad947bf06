import type { StoredTorque } from '../contracts';
import {
  fits,
  WHEEL_NUTS,
  WHEEL_ON,
  type CornerReadiness,
  type JobReadiness,
  type PedalState,
  type PlannedStep,
} from '../procedure';
import { axleOf, CORNER_NAME, CORNERS, type Corner } from '../readings';
import {
  FASTENERS,
  fastenerName,
  pulledAmiss,
  pullsOf,
  WHEEL_STAGES,
  type Fastener,
} from '../torque';
import { checksOfKind, findCheck, isDone, isWritten, latest } from './checks';
import { belowDiscardAt, dangersLeft, takenBackOf } from './danger';
import { beyondDrumAt } from './drums';
import { goneSince } from './past';
import { isDrumAt, offTheRoad, partsStillOff, waits } from './procedure';
import { axleAt } from './record';
import { oncePer, oncePerPlace } from '../remember';
import {
  PISTONS,
  CALIPER_ON,
  stepsDone,
  correctedAt,
  correctionAt,
  lastOff,
  wheelWasOff,
  caliperWasOff,
  caliperOn,
  isCaliperTicked,
  wheelOffAt,
  pistonsMovedBy,
  openedBy,
  bleedMethod,
  rebuildContext,
  rebuildSteps,
  hydraulicSteps,
} from './rebuildSteps';
import type { Check, Job, TorqueFigure } from './types';

/** One fastener of a corner with its figure and what was pulled. */
export interface FastenerState {
  readonly fastener: Fastener;
  readonly name: string;
  readonly figure: TorqueFigure | null;
  readonly pulled: { readonly torque: StoredTorque; readonly row: Check } | null;
  /** Stamp of what is on file, counting or not: what is written over. */
  readonly stamp: string | null;
}

/** Whether what was pulled fits the figure as it stands now, or was said to be so since. */
const stillFits = (torque: StoredTorque, row: Check, figure: TorqueFigure): boolean =>
  pulledAmiss(torque.nm, figure.valueNm) === null ||
  (torque.confirmed && row.at.getTime() >= figure.at.getTime());

/** Everything at a corner that is drawn up to a figure. */
export const fastenersAt = oncePerPlace((job: Job, corner: Corner): FastenerState[] => {
  const context = rebuildContext(job, corner);
  if (!context) return [];
  const hasBolts = context.traits.has('bolts');
  return FASTENERS.filter(({ when }) => fits(context, when))
    .filter(({ code }) => code === WHEEL_NUTS || caliperWasOff(job, corner) || isHydraulic(code))
    .map((fastener) => {
      const row = findCheck(job, 'torque', corner, fastener.code);
      const torque = row && typeof row.value === 'object' && 'nm' in row.value ? row.value : null;
      const figure =
        job.torque.find(
          (each) => each.axle === axleOf(corner) && each.fastener === fastener.code,
        ) ?? null;
      const isPulled =
        row &&
        torque &&
        figure &&
        stillFits(torque, row, figure) &&
        row.seq >= offSince(job, corner, fastener);
      return {
        fastener,
        name: fastenerName(fastener, hasBolts),
        figure,
        pulled: isPulled ? { torque, row } : null,
        stamp: row?.stamp ?? null,
      };
    });
});

/**
 * Whether a wheel’s torque was entered for any wheel, while it is known what this one is made of: an
 * alloy wheel may take another.
 */
export const isForAnyWheel = (job: Job, { fastener, wheel }: TorqueFigure): boolean =>
  fastener === WHEEL_NUTS && wheel === '' && (job.vehicle.wheel ?? null) !== null;

/** What a cut on the vehicle leaves where it sits: the rotor, and what holds it. */
const WITH_ROTOR: readonly string[] = ['bracket-bolts', 'rotor-screw', 'bearing-nut'];

/**
 * Where in the order of writing a fastener came out last: by a step of the strip-down, by the work
 * that was ticked as done, or with the hydraulics. What was pulled before then holds nothing.
 */
function offSince(job: Job, corner: Corner, { code, outBy }: Fastener): number {
  const ofHydraulics: Partial<Record<string, Check | undefined>> = {
    hose: findCheck(job, 'hydraulics', '', 'hose-off'),
    bleeder: findCheck(job, 'hydraulics', corner, 'bled'),
  };
  const isInPlace = WITH_ROTOR.includes(code) && correctionAt(job, corner) === 'machine-on-vehicle';
  const isOfWork = code !== WHEEL_NUTS && !isHydraulic(code) && !isInPlace;
  const work = isOfWork ? [correctedAt(job, corner), findCheck(job, 'drum', corner, 'done')] : [];
  return Math.max(
    lastOff(job, corner, outBy),
    ...[ofHydraulics[code], ...work].map((row) => row?.seq ?? 0),
  );
}

/** A tick of the wheel, unless the wheel came off again since. */
export function sinceWheelOn<Item extends 'star' | 'vehicle-down'>(
  job: Job,
  corner: Corner,
  item: Item,
) {
  const row = findCheck(job, 'torque', corner, item);
  return row && row.seq >= wheelOffAt(job, corner) ? row : undefined;
}

const isHydraulic = (code: string): boolean => code === 'hose' || code === 'bleeder';

/** The pulls of a corner's wheel so far, and how many there are in all. */
export function starAt(
  job: Job,
  corner: Corner,
): { readonly pulls: readonly (number | null)[]; readonly of: number } {
  const studs = axleAt(job, corner)?.studs ?? 0;
  return {
    pulls: sinceWheelOn(job, corner, 'star')?.value.pulls ?? [],
    of: studs === 0 ? 0 : pullsOf(studs, WHEEL_STAGES.length).length,
  };
}

/** Steps after which a pedal takes up what the shoes were set to. */
const SHOES = ['shoes-on', 'shoe-adjust'];

/** Where in the order of writing pistons moved last or a caliper, pad or line was put back. */
function lastMoved(job: Job): number {
  const rebuilt = checksOfKind(job, 'rebuild').filter(({ item }) =>
    [...CALIPER_ON, 'pads-in', 'pads-in-fixed', 'bracket-on', ...SHOES].includes(item),
  );
  const hydraulic = checksOfKind(job, 'hydraulics').filter(({ item }) => item !== 'none-opened');
  const gone = [
    goneSince(job, 'step', ({ item, value }) => value === 'done' && PISTONS.includes(item)),
    goneSince(job, 'method', () => true),
    goneSince(job, 'hydraulics', ({ item }) => item !== 'none-opened'),
  ];
  const stands = latest([
    ...job.corners.flatMap((corner) => [
      ...stepsDone(job, corner, PISTONS),
      findCheck(job, 'method', corner, 'retraction'),
      correctedAt(job, corner),
      findCheck(job, 'drum', corner, 'done'),
    ]),
    ...rebuilt,
    ...hydraulic,
  ]);
  return Math.max(stands, ...gone);
}

/** How the pedal stands: only what was done after everything else moved. */
export function pedalOf(job: Job): PedalState {
  const since = lastMoved(job);
  const counts = (row: Check | undefined): boolean => row !== undefined && row.seq >= since;
  const held = findCheck(job, 'pedal', '', 'held');
  return {
    firm: counts(findCheck(job, 'pedal', '', 'firm')),
    held: held && counts(held) ? held.value : null,
    level: counts(findCheck(job, 'pedal', '', 'level')),
  };
}

const isSettled = (row: Check | undefined): boolean =>
  row?.value === 'done' || row?.value === 'left-out';

/** Corners in the order that the vehicle is bled in; null where it is not on file. */
export const bleedOrderOf = (job: Job): Corner[] | null => {
  const order = job.vehicle.bleedOrder;
  if (!order) return null;
  return order.flatMap((each) => CORNERS.find((corner) => corner === each) ?? []);
};

/** What of an opened system is still to do, in words. */
export function hydraulicsOpen(job: Job): string[] {
  const order = bleedOrderOf(job);
  const steps = hydraulicSteps(job).filter(
    ({ code, required }) => required && !isDone(findCheck(job, 'hydraulics', '', code)),
  );
  const corners = (order ?? []).filter(
    (corner) => !isSettled(findCheck(job, 'hydraulics', corner, 'bled')),
  );
  return [
    ...(bleedMethod(job) ? [] : ['Choose how the system is bled.']),
    ...(order ? [] : ['Enter the order in which the maker bleeds the corners, with its source.']),
    ...steps.map(({ title }) => `Hydraulics: “${title}” is not done.`),
    ...corners.map((corner) => `${CORNER_NAME[corner]} is not bled.`),
  ];
}

function cornerReadiness(job: Job, corner: Corner): CornerReadiness {
  const steps = rebuildSteps(job, corner);
  const written = (step: PlannedStep) => findCheck(job, 'rebuild', corner, step.code);
  const star = starAt(job, corner);
  const turns = findCheck(job, 'pedal', corner, 'turns')?.value;
  return {
    corner,
    wheelOff: wheelWasOff(job, corner),
    caliperOff: caliperWasOff(job, corner) && caliperOn(job, corner) === undefined,
    caliperTickedBefore: isCaliperTicked(job, corner) && caliperOn(job, corner) === undefined,
    isDrum: isDrumAt(job, corner),
    inTray: partsStillOff(job, corner).map(({ name }) => name),
    torque: fastenersAt(job, corner).map(({ fastener, name, figure, pulled }) => ({
      code: fastener.code,
      name,
      hasFigure: figure !== null,
      isPulled: pulled !== null,
    })),
    starDone: star.of > 0 && star.pulls.length >= star.of,
    vehicleDown: sinceWheelOn(job, corner, 'vehicle-down') !== undefined,
    open: steps
      .filter((step) => !written(step))
      .filter(({ code }) => caliperWasOff(job, corner) || code === WHEEL_ON)
      .map(({ code, title, required }) => ({ code, title, required })),
    leftOut: steps
      .filter((step) => written(step)?.value === 'left-out')
      .map((step) => `${step.title} (${written(step)?.note ?? ''})`),
    turns: turns ?? null,
    belowDiscard: belowDiscardAt(job, corner) ?? beyondDrumAt(job, corner),
  };
}

/** How a job stands as it goes together again. */
export const readinessOf = oncePer((job: Job): JobReadiness => {
  const pedal = pedalOf(job);
  return {
    corners: job.corners.map((corner) => cornerReadiness(job, corner)),
    pistonsMoved: pistonsMovedBy(job),
    saidNoneMoved: isWritten(job, 'pedal', '', 'none-moved'),
    pedal,
    opened: openedBy(job),
    saidClosed: isWritten(job, 'hydraulics', '', 'none-opened'),
    hydraulicsOpen: hydraulicsOpen(job),
    waits: waits(job).map(({ missing }) => missing),
    offTheRoad: [...offTheRoad(job), ...dangersLeft(job, pedal)],
    takenBack: takenBackOf(job, pedal),
  };
});

/** Seconds that the pedal is held. Source: handbook 15. */
export const HOLD_SECONDS = 60;

/**
 * The beginning of the minute on the pedal; null where it was not begun since pistons moved and the
 * pedal was pumped firm: a pedal that is pumped anew is held anew.
 */
export function holdOf(job: Job): Check | null {
  const hold = findCheck(job, 'pedal', '', 'hold');
  const firm = findCheck(job, 'pedal', '', 'firm')?.seq ?? 0;
  return hold && hold.seq > Math.max(lastMoved(job), firm) ? hold : null;
}
