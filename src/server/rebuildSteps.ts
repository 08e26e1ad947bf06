import { BLEED_METHODS, PROCEDURE, type BleedMethod } from '../core/contracts';
import { planSteps, type Context, type PlannedStep } from '../core/procedure';
import { axleOf, type Corner } from '../core/readings';
import type { CheckRow, JobFile } from '../db/repositories';
import { checksOfKind, contextAt, findCheck, looksOf, rulesOf } from './procedure';
import { readChoice } from './decideInputs';
import { setsOfCorner, shopOfJob } from './record';

export const has = (file: JobFile, kind: CheckRow['kind'], place: string, item: string): boolean =>
  findCheck(file, kind, place, item) !== undefined;

export const isDone = (row: CheckRow | undefined): boolean => row?.value === 'done';

/** Steps of the strip-down in which a caliper comes off, and those in which pistons move. */
const CALIPER_OFF = ['caliper-off', 'caliper-off-fixed'];
export const PISTONS = ['push-back', 'wind-back', ...CALIPER_OFF];
export const CALIPER_ON = ['caliper-on', 'caliper-on-fixed'];

export const stepsDone = (file: JobFile, corner: Corner, codes: readonly string[]): CheckRow[] =>
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
export const wheelWasOff = (file: JobFile, corner: Corner): boolean =>
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
export const caliperWasOff = (file: JobFile, corner: Corner): boolean =>
  stepsDone(file, corner, CALIPER_OFF).length > 0 ||
  correctionAt(file, corner) !== null ||
  // A decision that was taken back does not put a caliper on again.
  correctedAt(file, corner) !== undefined ||
  has(file, 'decide', corner, 'earlier') ||
  setsOfCorner(file, corner, 'after').length > 0 ||
  file.tray.some((part) => part.corner === corner && UNDER_CALIPER.includes(part.kind ?? ''));

export const latest = (rows: readonly (CheckRow | undefined)[]): number =>
  Math.max(0, ...rows.map((row) => row?.at.getTime() ?? 0));

/** The tick that the caliper of a corner is on, unless it came off again since. */
export function caliperOn(file: JobFile, corner: Corner): CheckRow | undefined {
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
