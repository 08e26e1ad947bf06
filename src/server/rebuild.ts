import {
  BLEED_METHODS,
  PROCEDURE,
  readPulls,
  readTorque,
  type BleedMethod,
  type StoredTorque,
} from '../core/contracts';
import {
  fits,
  planSteps,
  readFigure,
  type Context,
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
import {
  checksOfKind,
  contextAt,
  findCheck,
  looksOf,
  offTheRoad,
  partsStillOff,
  rulesOf,
  waits,
} from './procedure';
import { readChoice } from './decideInputs';
import { axleRow, limitsOf, setsOfCorner, shopOfJob } from './record';

const has = (file: JobFile, kind: CheckRow['kind'], place: string, item: string): boolean =>
  findCheck(file, kind, place, item) !== undefined;

const isDone = (row: CheckRow | undefined): boolean => row?.value === 'done';

/** Steps of the strip-down in which a caliper comes off, and those in which pistons move. */
const CALIPER_OFF = ['caliper-off', 'caliper-off-fixed'];
const PISTONS = ['push-back', 'wind-back', ...CALIPER_OFF];
export const CALIPER_ON = ['caliper-on', 'caliper-on-fixed'];

const stepsDone = (file: JobFile, corner: Corner, codes: readonly string[]): CheckRow[] =>
  checksOfKind(file, 'step').filter(
    ({ place, item, value }) => place === corner && value === 'done' && codes.includes(item),
  );

/** What was decided to be done at a corner; null for nothing. */
export const correctionAt = (file: JobFile, corner: Corner): string | null =>
  file.decisions.find((each) => each.corner === corner && each.correction !== 'leave')
    ?.correction ?? null;

/** The tick that the correction of a corner is done. */
export const correctedAt = (file: JobFile, corner: Corner): CheckRow | undefined =>
  findCheck(file, 'correct', corner, 'done');

/** Parts without which a caliper is not on its rotor. */
const UNDER_CALIPER = ['pad-inner', 'pad-outer', 'bracket', 'rotor', 'caliper-bolts', 'pin-bolts'];

/** Whether anything says that the wheel of a corner was off. */
const wheelWasOff = (file: JobFile, corner: Corner): boolean =>
  checksOfKind(file, 'step').some(
    ({ place, item, value }) =>
      place === corner && value === 'done' && !['service-mode', 'steering'].includes(item),
  ) ||
  (['as-found', 'before', 'after'] as const).some(
    (phase) => setsOfCorner(file, corner, phase).length > 0,
  ) ||
  correctionAt(file, corner) !== null ||
  correctedAt(file, corner) !== undefined ||
  has(file, 'decide', corner, 'earlier') ||
  file.tray.some((part) => part.corner === corner) ||
  checksOfKind(file, 'rebuild').some(({ place }) => place === corner);

/** Whether anything says that the caliper of a corner was off. */
const caliperWasOff = (file: JobFile, corner: Corner): boolean =>
  stepsDone(file, corner, CALIPER_OFF).length > 0 ||
  correctionAt(file, corner) !== null ||
  // A decision that was taken back does not put a caliper on again.
  correctedAt(file, corner) !== undefined ||
  has(file, 'decide', corner, 'earlier') ||
  setsOfCorner(file, corner, 'after').length > 0 ||
  file.tray.some((part) => part.corner === corner && UNDER_CALIPER.includes(part.kind ?? ''));

const latest = (rows: readonly (CheckRow | undefined)[]): number =>
  Math.max(0, ...rows.map((row) => row?.at.getTime() ?? 0));

/** The tick that the caliper of a corner is on, unless it came off again since. */
function caliperOn(file: JobFile, corner: Corner): CheckRow | undefined {
  const on = CALIPER_ON.map((item) => findCheck(file, 'rebuild', corner, item)).find(isDone);
  const off = latest([...stepsDone(file, corner, CALIPER_OFF), correctedAt(file, corner)]);
  return on && on.at.getTime() >= off ? on : undefined;
}

/** What moved pistons of a job, in words. */
export function pistonsMovedBy(file: JobFile): string[] {
  const byCorner = file.corners.flatMap((corner) => {
    if (has(file, 'method', corner, 'retraction') || stepsDone(file, corner, PISTONS).length > 0) {
      return [`pistons pushed back or caliper off at ${corner}`];
    }
    return caliperWasOff(file, corner) ? [`the caliper of ${corner} was off`] : [];
  });
  const opened = openedBy(file).map((why) => `hydraulics opened: ${why}`);
  return [...byCorner, ...opened];
}

/** Extras for which a hose comes off. */
const HOSE_EXTRAS = ['hose', 'caliper'] as const;

const hoseOffAt = (file: JobFile, corner: Corner): boolean =>
  readChoice(file, corner, shopOfJob(file).equipment.padFamily).extras.some((extra) =>
    HOSE_EXTRAS.some((each) => each === extra),
  );

/** Repairs that open the system at a corner, by what was put right. */
const OPENING_REPAIRS = ['hose', 'lines', 'piston', 'piston-boot', 'leaks'];

/** What opened the hydraulics of a job, in words; empty where nothing says so. */
export function openedBy(file: JobFile): string[] {
  const rules = rulesOf(file);
  const byRule = (code: string, school: string): boolean =>
    rules.some((each) => each.rule.code === code && each.school.code === school);
  const atCorners = file.corners.flatMap((corner) => {
    const bleeder =
      byRule('push-back', 'bleeder') &&
      stepsDone(file, corner, ['bleeder-open', 'push-back', 'wind-back']).length > 0;
    const repaired = looksOf(file).some(
      ({ corner: at, item }) =>
        at === corner && OPENING_REPAIRS.includes(item) && has(file, 'fixed', corner, item),
    );
    return [
      ...(bleeder ? [`bleeder of ${corner} open for the pistons`] : []),
      ...(hoseOffAt(file, corner) ? [`hose or caliper of ${corner} renewed`] : []),
      ...(repaired ? [`hose, line or piston of ${corner} put right`] : []),
    ];
  });
  const bleeding = rules.find(({ rule }) => rule.code === 'bleeding');
  const isAlways = bleeding !== undefined && bleeding.school.code !== 'opened';
  const wasApart = file.corners.some((corner) => wheelWasOff(file, corner));
  return [
    ...atCorners,
    ...(has(file, 'hydraulics', '', 'opened') ? ['said so here'] : []),
    ...(has(file, 'hydraulics', '', 'hose-off') ? ['a hose was off'] : []),
    ...(isAlways && wasApart ? ['house rule: the fluid is always changed'] : []),
  ];
}

/** How the system is bled: chosen here, else by house rule; null where neither says. */
export function bleedMethod(file: JobFile): BleedMethod | null {
  const chosen = findCheck(file, 'hydraulics', '', 'method')?.value;
  const rule = rulesOf(file).find((each) => each.rule.code === 'bleeding')?.school.code;
  return BLEED_METHODS.find((method) => method === (chosen ?? rule)) ?? null;
}

/** The context of a corner as it goes together: with what was opened and how it is bled. */
export function rebuildContext(file: JobFile, corner: Corner): Context | null {
  const context = contextAt(file, axleOf(corner));
  if (!context) return null;
  const traits = new Set(context.traits);
  if (openedBy(file).length > 0) traits.add('opened');
  if (hoseOffAt(file, corner) || has(file, 'hydraulics', '', 'hose-off')) traits.add('hose-off');
  const method = bleedMethod(file);
  if (method) traits.add(`bleed:${method}`);
  return { ...context, traits };
}

/** The rebuild steps of a corner, or none where the vehicle lacks it. */
export function rebuildSteps(file: JobFile, corner: Corner): PlannedStep[] {
  const context = rebuildContext(file, corner);
  return context ? planSteps(PROCEDURE, context, 'rebuild') : [];
}

/** The steps of an opened system; a hose that was off anywhere counts. */
export function hydraulicSteps(file: JobFile): PlannedStep[] {
  const contexts = file.corners.flatMap((corner) => rebuildContext(file, corner) ?? []);
  const [first] = contexts;
  if (!first) return [];
  const traits = new Set(contexts.flatMap((context) => [...context.traits]));
  return planSteps(PROCEDURE, { ...first, traits }, 'hydraulics');
}

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
