import { PROCEDURE } from '../core/contracts';
import { fits, stateOfLook, type Context, type SafetyItem } from '../core/procedure';
import { CORNER_NAME, type AxlePosition } from '../core/readings';
import type { JobFile } from '../db/repositories';
import {
  axlesOfJob,
  checksOfKind,
  contextAt,
  looksOf,
  partsTrouble,
  progressAt,
  waitingOf,
} from './procedure';

/** The list before lifting as this job\u2019s axles ask for it. */
export function liftingItems(file: JobFile): SafetyItem[] {
  const contexts = axlesOfJob(file)
    .map((position) => contextAt(file, position))
    .filter((context): context is Context => context !== null);
  return PROCEDURE.lifting.filter(({ when }) => contexts.some((context) => fits(context, when)));
}

/** Whether the parts of an axle are all held against the record, or none are new. */
export function partsHeld(file: JobFile, position: AxlePosition): boolean {
  const held = checksOfKind(file, 'parts').filter(({ place }) => place === position);
  return (
    held.some(({ item }) => item === 'none') ||
    PROCEDURE.rightParts.every(({ code }) => held.some(({ item }) => item === code))
  );
}

/** Whether every item of the list before lifting is done or left out with a reason. */
export function isLiftingDone(file: JobFile): boolean {
  const written = checksOfKind(file, 'lifting').map(({ item }) => item);
  return liftingItems(file).every(({ code }) => written.includes(code));
}

/** Whether the parts of every axle are held against the record, right, and nothing waits. */
export const arePartsDone = (file: JobFile): boolean =>
  axlesOfJob(file).every((position) => partsHeld(file, position)) &&
  partsTrouble(file).length === 0 &&
  waitingOf(file) === null;

/** The one next thing to do on the Strip stage, where it is, and why. */
export interface StripNext {
  readonly todo: string;
  readonly why: string;
  readonly href: string | null;
  readonly label: string;
}

/** What comes next on the Strip stage of a job. */
export function stripNext(file: JobFile): StripNext {
  const base = `/jobs/${file.job.id}`;
  const waiting = waitingOf(file);
  if (waiting) {
    return {
      todo: `Wait: ${waiting.missing}.`,
      why: 'The vehicle stays where it is until the parts are here.',
      href: null,
      label: '',
    };
  }
  if (partsTrouble(file).length > 0) {
    return {
      todo: 'Stop: a part is wrong or missing.',
      why: 'Leave the vehicle drivable, or let it wait for parts, blocked from moving.',
      href: '#parts',
      label: 'Right parts',
    };
  }
  const lifted = checksOfKind(file, 'lifting').map(({ item }) => item);
  const open = liftingItems(file).filter(({ code }) => !lifted.includes(code));
  if (open.length > 0) {
    return {
      todo: 'Go through the list before you lift it.',
      why: `${open.length} left: next, ${open[0]?.say.toLowerCase() ?? ''}.`,
      href: '#lifting',
      label: 'Before lifting',
    };
  }
  const axle = axlesOfJob(file).find((position) => !partsHeld(file, position));
  if (axle) {
    return {
      todo: `Hold the new parts of the ${axle} axle against the record.`,
      why: 'A wrong part is found now, while everything still goes back together.',
      href: '#parts',
      label: 'Right parts',
    };
  }
  const corner = file.corners.find((each) => {
    const { items, looked } = progressAt(file, each);
    return looked < items;
  });
  if (corner) {
    const { items, looked } = progressAt(file, corner);
    return {
      todo: `Work through the ${CORNER_NAME[corner]} corner.`,
      why: `${looked} of ${items} things are looked at.`,
      href: `${base}/strip/${corner}`,
      label: `${corner}, step by step`,
    };
  }
  const wrong = looksOf(file).filter((look) => stateOfLook(look) === 'wrong').length;
  return {
    todo: 'Measure with clean faces.',
    why:
      wrong === 0 ? 'Everything was looked at and is sound.' : `${wrong} found wrong, on record.`,
    href: `${base}/measure/${file.corners[0] ?? 'FL'}`,
    label: 'Measure',
  };
}
