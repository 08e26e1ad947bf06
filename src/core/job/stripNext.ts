import { PROCEDURE } from '../contracts';
import { fits, stateOfLook, type Context, type RightPart, type SafetyItem } from '../procedure';
import { CORNER_NAME, type AxlePosition } from '../readings';
import { checksOfKind } from './checks';
import { axlesOfJob, contextAt, looksOf, partsTrouble, progressAt, waitingOf } from './procedure';
import type { NextThing } from './places';
import type { Job } from './types';

/** The list before lifting as this job\u2019s axles ask for it. */
export function liftingItems(job: Job): SafetyItem[] {
  const contexts = axlesOfJob(job)
    .map((position) => contextAt(job, position))
    .filter((context): context is Context => context !== null);
  return PROCEDURE.lifting.filter(({ when }) => contexts.some((context) => fits(context, when)));
}

/** What new parts of an axle are held against the record for. */
export function rightPartsOf(job: Job, position: AxlePosition): RightPart[] {
  const context = contextAt(job, position);
  return PROCEDURE.rightParts.filter(({ when }) => context !== null && fits(context, when));
}

/** Whether the parts of an axle are all held against the record, or none are new. */
export function partsHeld(job: Job, position: AxlePosition): boolean {
  const held = checksOfKind(job, 'parts').filter(({ place }) => place === position);
  return (
    held.some(({ item }) => item === 'none') ||
    rightPartsOf(job, position).every(({ code }) => held.some(({ item }) => item === code))
  );
}

/** Whether every item of the list before lifting is done or left out with a reason. */
export function isLiftingDone(job: Job): boolean {
  const written = checksOfKind(job, 'lifting').map(({ item }) => item);
  return liftingItems(job).every(({ code }) => written.includes(code));
}

/** Whether the parts of every axle are held against the record, right, and nothing waits. */
export const arePartsDone = (job: Job): boolean =>
  axlesOfJob(job).every((position) => partsHeld(job, position)) &&
  partsTrouble(job).length === 0 &&
  waitingOf(job) === null;

/** What comes next on the Strip stage of a job. */
export function stripNext(job: Job): NextThing {
  const waiting = waitingOf(job);
  if (waiting) {
    return {
      todo: `Wait: ${waiting.missing}.`,
      why: 'The vehicle stays where it is until the parts are here.',
      place: null,
      label: '',
    };
  }
  if (partsTrouble(job).length > 0) {
    return {
      todo: 'Stop: a part is wrong or missing.',
      why: 'Leave the vehicle drivable, or let it wait for parts, blocked from moving.',
      place: { page: 'strip-parts' },
      label: 'Right parts',
    };
  }
  const lifted = checksOfKind(job, 'lifting').map(({ item }) => item);
  const open = liftingItems(job).filter(({ code }) => !lifted.includes(code));
  if (open.length > 0) {
    return {
      todo: 'Go through the list before you lift it.',
      why: `${open.length} left: next, ${open[0]?.say.toLowerCase() ?? ''}.`,
      place: { page: 'strip-lifting' },
      label: 'Before lifting',
    };
  }
  const axle = axlesOfJob(job).find((position) => !partsHeld(job, position));
  if (axle) {
    return {
      todo: `Hold the new parts of the ${axle} axle against the record.`,
      why: 'A wrong part is found now, while everything still goes back together.',
      place: { page: 'strip-parts' },
      label: 'Right parts',
    };
  }
  const corner = job.corners.find((each) => {
    const { items, looked } = progressAt(job, each);
    return looked < items;
  });
  if (corner) {
    const { items, looked } = progressAt(job, corner);
    return {
      todo: `Work through the ${CORNER_NAME[corner]} corner.`,
      why: `${looked} of ${items} things are looked at.`,
      place: { page: 'strip-corner', corner },
      label: `${corner}, step by step`,
    };
  }
  const wrong = looksOf(job).filter((look) => stateOfLook(look) === 'wrong').length;
  return {
    todo: 'Measure with clean faces.',
    why:
      wrong === 0 ? 'Everything was looked at and is sound.' : `${wrong} found wrong, on record.`,
    place: { page: 'measure', corner: job.corners[0] ?? 'FL' },
    label: 'Measure',
  };
}
