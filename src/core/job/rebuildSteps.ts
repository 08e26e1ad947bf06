import { sayMove } from '../assessment';
import { BLEED_METHODS, PROCEDURE, type BleedMethod } from '../contracts';
import { lookItems, planSteps, type Context, type LookItem, type PlannedStep } from '../procedure';
import { axleOf, type Corner } from '../readings';
import { CALIPER_STEPS } from '../torque';
import { checksOfKind, findCheck, isDone, isWritten, latest } from './checks';
import { choiceAt } from './choice';
import { drumAt, drumDiameters, isDrumWork } from './drums';
import { goneSince } from './past';
import { contextAt, isDrumAt, looksOf, notDoneYet, rulesOf } from './procedure';
import { cornerRecord, setsOfCorner } from './record';
import { seatToFit } from './seat';
import { oncePer, oncePerPlace } from '../remember';
import type { Check, CheckOfKind, Correction, Job } from './types';

/** Steps of the strip-down in which a caliper comes off, and those in which pistons move. */
export const CALIPER_OFF = [
  ...CALIPER_STEPS,
  // Without its drum the pistons of a wheel cylinder come out as those of a caliper do.
  ...['drum-off', 'drum-bearing-off', 'shoes-off'],
];
export const PISTONS = ['push-back', 'wind-back', ...CALIPER_OFF];
/** Steps in which a wheel comes off, and in which a bleeder is opened for the pistons. */
export const WHEEL_OFF = ['wheel-off', 'wheel-off-bolts'];
export const BLEEDER = ['bleeder-open'];
export const CALIPER_ON = [
  ...['caliper-on', 'caliper-on-fixed', 'caliper-on-press', 'caliper-on-pivot'],
  'drum-on',
];

export const stepsDone = (
  job: Job,
  corner: Corner,
  codes: readonly string[],
): CheckOfKind<'step'>[] =>
  checksOfKind(job, 'step').filter(
    ({ place, item, value }) => place === corner && value === 'done' && codes.includes(item),
  );

/** What was decided to be done at a corner; null for nothing. */
export const correctionAt = (job: Job, corner: Corner): Correction | null =>
  job.decisions.find((each) => each.corner === corner && each.correction !== 'leave')?.correction ??
  null;

/** Corrections that take metal off a rotor. */
export const CUT = ['machine-bench', 'machine-on-vehicle'];

/** The tick that the correction of a corner is done. */
export const correctedAt = (job: Job, corner: Corner): Check | undefined =>
  findCheck(job, 'correct', corner, 'done');

/** Parts without which a caliper is not on its rotor. */
export const UNDER_CALIPER = [
  'pad-inner',
  'pad-outer',
  'bracket',
  'rotor',
  'caliper-bolts',
  'pin-bolts',
  'press-pins',
  'drum',
  'shoes',
];

/** Whether anything says that the wheel of a corner was off. */
export const wheelWasOff = (job: Job, corner: Corner): boolean =>
  checksOfKind(job, 'step').some(
    ({ place, item, value }) =>
      place === corner && value === 'done' && !['service-mode', 'steering'].includes(item),
  ) ||
  (['as-found', 'before', 'after'] as const).some(
    (phase) => setsOfCorner(job, corner, phase).length > 0,
  ) ||
  correctionAt(job, corner) !== null ||
  correctedAt(job, corner) !== undefined ||
  isWritten(job, 'decide', corner, 'earlier') ||
  isDrumOpened(job, corner) ||
  job.tray.some((part) => part.corner === corner) ||
  checksOfKind(job, 'rebuild').some(({ place }) => place === corner);

/**
 * Whether anything says that a drum was off: it was measured inside, work on it was decided or done,
 * or was ticked as done and taken back.
 */
const isDrumOpened = (job: Job, corner: Corner): boolean =>
  (['before', 'after'] as const).some((phase) =>
    drumDiameters(job, corner, phase).some((each) => each !== null),
  ) ||
  isDrumWork(drumAt(job, corner).decision) ||
  isWritten(job, 'drum', corner, 'done') ||
  goneSince(job, 'drum', ({ place, item }) => place === corner && item === 'done') > 0;

/** Whether anything says that the caliper of a corner was off, or its drum. */
export const caliperWasOff = (job: Job, corner: Corner): boolean =>
  stepsDone(job, corner, CALIPER_OFF).length > 0 ||
  correctionAt(job, corner) !== null ||
  // A decision that was taken back does not put a caliper on again.
  correctedAt(job, corner) !== undefined ||
  isWritten(job, 'decide', corner, 'earlier') ||
  setsOfCorner(job, corner, 'after').length > 0 ||
  isDrumOpened(job, corner) ||
  job.tray.some((part) => part.corner === corner && UNDER_CALIPER.includes(part.kind ?? ''));

/** Where in the order of writing one of these steps was ticked last, taken back unanswered or not. */
export const lastOff = (job: Job, corner: Corner, codes: readonly string[]): number =>
  Math.max(
    latest(stepsDone(job, corner, codes)),
    // That it came off and was said not to have is no reason to take it for on.
    goneSince(
      job,
      'step',
      ({ place, item, value }) => place === corner && value === 'done' && codes.includes(item),
    ),
  );

/** Where in the order of writing the wheel of a corner came off last; 0 for never. */
export const wheelOffAt = (job: Job, corner: Corner): number => lastOff(job, corner, WHEEL_OFF);

/** Where in the order of writing the caliper of a corner came off last; 0 for never. */
export const caliperOffAt = (job: Job, corner: Corner): number =>
  Math.max(
    lastOff(job, corner, CALIPER_OFF),
    correctedAt(job, corner)?.seq ?? 0,
    findCheck(job, 'drum', corner, 'done')?.seq ?? 0,
  );

const caliperTick = (job: Job, corner: Corner): Check | undefined =>
  CALIPER_ON.map((item) => findCheck(job, 'rebuild', corner, item)).find(isDone);

/** Whether the caliper of a corner was ticked as on, whatever came off since. */
export const isCaliperTicked = (job: Job, corner: Corner): boolean =>
  caliperTick(job, corner) !== undefined;

/** The tick that the caliper of a corner is on, unless it came off again since. */
export function caliperOn(job: Job, corner: Corner): Check | undefined {
  const on = caliperTick(job, corner);
  return on && on.seq >= caliperOffAt(job, corner) ? on : undefined;
}

/** What moved pistons of a job, in words. */
export function pistonsMovedBy(job: Job): string[] {
  const byCorner = job.corners.flatMap((corner) => {
    if (
      isWritten(job, 'method', corner, 'retraction') ||
      stepsDone(job, corner, PISTONS).length > 0
    ) {
      return [
        isDrumAt(job, corner)
          ? `drum or shoes off at ${corner}`
          : `pistons pushed back or caliper off at ${corner}`,
      ];
    }
    const what = isDrumAt(job, corner) ? 'drum' : 'caliper';
    return caliperWasOff(job, corner) ? [`the ${what} of ${corner} was off`] : [];
  });
  const opened = openedBy(job).map((why) => `hydraulics opened: ${why}`);
  return [...byCorner, ...opened];
}

/** Extras for which a hose comes off. */
const HOSE_EXTRAS = ['hose', 'caliper'] as const;

const hoseOffAt = (job: Job, corner: Corner): boolean =>
  choiceAt(job, corner).extras.some((extra) => HOSE_EXTRAS.some((each) => each === extra));

/** Repairs that open the system at a corner, by what was put right. */
const OPENING_REPAIRS = ['hose', 'lines', 'piston', 'piston-boot', 'leaks', 'cylinder'];

/** What opened the hydraulics of a job, in words; empty where nothing says so. */
export const openedBy = oncePer((job: Job): string[] => {
  const rules = rulesOf(job);
  const byRule = (code: string, school: string): boolean =>
    rules.some((each) => each.rule.code === code && each.school.code === school);
  const atCorners = job.corners.flatMap((corner) => {
    const bleeder =
      byRule('push-back', 'bleeder') &&
      stepsDone(job, corner, ['bleeder-open', 'push-back', 'wind-back']).length > 0;
    const repaired = looksOf(job).some(
      ({ corner: at, item }) =>
        at === corner && OPENING_REPAIRS.includes(item) && isWritten(job, 'fixed', corner, item),
    );
    return [
      ...(bleeder ? [`bleeder of ${corner} open for the pistons`] : []),
      ...(hoseOffAt(job, corner) ? [`hose or caliper of ${corner} renewed`] : []),
      ...(repaired ? [`hose, line or piston of ${corner} put right`] : []),
    ];
  });
  const bleeding = rules.find(({ rule }) => rule.code === 'bleeding');
  const isAlways = bleeding !== undefined && bleeding.school.code !== 'opened';
  const wasApart = job.corners.some((corner) => wheelWasOff(job, corner));
  return [
    ...atCorners,
    ...(isWritten(job, 'hydraulics', '', 'opened') ? ['said so here'] : []),
    ...(isWritten(job, 'hydraulics', '', 'hose-off') ? ['a hose was off'] : []),
    ...(isAlways && wasApart ? ['house rule: the fluid is always changed'] : []),
  ];
});

/** How the system is bled: chosen here, else by house rule; null where neither says. */
export function bleedMethod(job: Job): BleedMethod | null {
  const chosen = findCheck(job, 'hydraulics', '', 'method')?.value;
  const rule = rulesOf(job).find((each) => each.rule.code === 'bleeding')?.school.code;
  return BLEED_METHODS.find((method) => method === (chosen ?? rule)) ?? null;
}

/** The context of a corner as it goes together: with what was opened and how it is bled. */
export const rebuildContext = oncePerPlace((job: Job, corner: Corner): Context | null => {
  const context = contextAt(job, axleOf(corner));
  if (!context) return null;
  const traits = new Set(context.traits);
  if (openedBy(job).length > 0) traits.add('opened');
  if (CUT.includes(correctionAt(job, corner) ?? '')) traits.add('cut');
  if (hoseOffAt(job, corner) || isWritten(job, 'hydraulics', '', 'hose-off'))
    traits.add('hose-off');
  const method = bleedMethod(job);
  if (method) traits.add(`bleed:${method}`);
  return { ...context, traits };
});

/** Where the mark of the rotor of a corner goes, in words; null where nothing says so. */
function sayRotorSeat(job: Job, corner: Corner): string | null {
  const shift = seatToFit(job, corner);
  if (shift === null) return null;
  const { studs, fastening } = cornerRecord(job, corner, 'before');
  const move = sayMove({ corner, studs, fastening, units: 'mm' }, 0, shift);
  return move === null
    ? 'Its mark goes where it was marked first.'
    : `Its mark goes ${move}, counted from where it was marked first.`;
}

/** The rebuild steps of a corner, or none where the vehicle lacks it. */
export const rebuildSteps = oncePerPlace((job: Job, corner: Corner): PlannedStep[] => {
  const context = rebuildContext(job, corner);
  if (!context) return [];
  const seat = sayRotorSeat(job, corner);
  return planSteps(PROCEDURE, context, 'rebuild').map((step) =>
    step.code === 'rotor-on' && seat !== null ? { ...step, say: `${step.say} ${seat}` } : step,
  );
});

/** What is looked at as a corner goes together again, beside what was looked at before. */
export const rebuildItems = (job: Job, corner: Corner): LookItem[] => {
  const context = rebuildContext(job, corner);
  const asked = rebuildSteps(job, corner).flatMap(({ looks }) => looks);
  return context ? lookItems(PROCEDURE, context).filter(({ code }) => asked.includes(code)) : [];
};

/** The steps of an opened system; a hose that was off anywhere counts. */
export function hydraulicSteps(job: Job): PlannedStep[] {
  const contexts = job.corners.flatMap((corner) => rebuildContext(job, corner) ?? []);
  const [first] = contexts;
  if (!first) return [];
  const traits = new Set(contexts.flatMap((context) => [...context.traits]));
  return planSteps(PROCEDURE, { ...first, traits }, 'hydraulics');
}

/** A correction that was decided and is not ticked as done yet. */
export interface OpenCorrection {
  readonly words: string;
  /** Figures or cautions of its own page come first: the tick alone does not end it. */
  readonly asksMore: boolean;
}

/** What was decided for a corner and waits for its tick; null where nothing does. */
export function openCorrection(job: Job, corner: Corner): OpenCorrection | null {
  const decision = job.decisions.find((each) => each.corner === corner);
  if (!decision || decision.correction === 'leave' || correctedAt(job, corner)) return null;
  return { words: decision.words, asksMore: notDoneYet(job, corner) !== null };
}
