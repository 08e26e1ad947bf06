import { isPedalDone, moveBlockers, needsPedal, pedalBlockers } from '../procedure';
import type { CheckEntry } from '../contracts';
import { CORNERS, type Corner } from '../readings';
import { pulledAmiss } from '../torque';
import { findCheck } from './checks';
import { drumsToDo } from './drums';
import { partsStillOff } from './procedure';
import { isFasteningSaid, SAY_FASTENING } from './record';
import { readinessOf, fastenersAt, HOLD_SECONDS, starAt } from './readiness';
import { CALIPER_ON, correctedAt, correctionAt, openedBy, rebuildSteps } from './rebuildSteps';
import type { Job } from './types';

const saysOf = (list: readonly { readonly say: string }[]): string | null =>
  list.length === 0 ? null : list.map(({ say }) => say).join(' ');

/** Why a step of the pedal stop is refused now, in words; null where it is not. */
function refuseAtPedal(job: Job, { item, value }: CheckEntry, held: number | null): string | null {
  const state = readinessOf(job);
  if (item === 'none-moved') {
    return state.pistonsMoved.length > 0
      ? `Pistons moved in this job: ${state.pistonsMoved.join('; ')}. The pedal stop stays.`
      : null;
  }
  if (['moved', 'first-stop'].includes(item)) return saysOf(moveBlockers(state));
  const loose = saysOf(pedalBlockers(state));
  if (loose) return `Do not touch the pedal. ${loose}`;
  if (item === 'turns') {
    return needsPedal(state) && !isPedalDone(state)
      ? 'Finish the pedal stop first: firm, held for a minute, level set.'
      : null;
  }
  if (item === 'firm') return null;
  if (!state.pedal.firm) return 'Pump the pedal until it is firm first.';
  if (item === 'level' && state.pedal.held !== 'held') {
    return 'Hold the pedal for a minute first.';
  }
  if (item !== 'held' || value === 'sank') return null;
  const before = findCheck(job, 'pedal', '', 'held');
  const firm = findCheck(job, 'pedal', '', 'firm');
  if (before?.value === 'sank' && (firm?.seq ?? 0) < before.seq) {
    return 'It sank: find out why, take that back with a reason, pump it firm and hold it anew.';
  }
  if (held === null) return 'Start the minute when your foot is on the pedal.';
  const left = HOLD_SECONDS - held;
  return left > 0 ? `Hold it for the whole minute: ${Math.ceil(left)} s are left.` : null;
}

/** What says that the vehicle was driven after the work. */
const saysDriven = ({ kind, item }: CheckEntry): boolean =>
  (kind === 'bedding' && item === 'driven') || (kind === 'prove' && item === 'feel-after');

/** What stands in the way of driving after the work, in whole sentences; null where nothing does. */
export const beforeDriven = (job: Job): string | null => saysOf(moveBlockers(readinessOf(job)));

/** Why the vehicle cannot have been driven after the work, in words; null where it can. */
export const refuseDriven = (job: Job): string | null => {
  const why = beforeDriven(job);
  return why && `The vehicle must not be driven yet. ${why}`;
};

/**
 * Why a step of the rebuild is refused now, in words; null where it is not. `held` is for how
 * many seconds the pedal has been held by a clock that nobody sets; null where it knows of none.
 */
export function refuseInRebuild(job: Job, write: CheckEntry, held: number | null): string | null {
  const { kind, place, item, value } = write;
  if (kind === 'pedal') return refuseAtPedal(job, write, held);
  if (saysDriven(write)) return refuseDriven(job);
  if (kind === 'hydraulics' && item === 'none-opened') {
    const opened = openedBy(job);
    return opened.length > 0
      ? `The hydraulics were opened: ${opened.join('; ')}. They are bled.`
      : null;
  }
  const corner = CORNERS.find((each) => each === place);
  if (!corner) return null;
  const isCaliper = kind === 'rebuild' && CALIPER_ON.includes(item) && value === 'done';
  if (isCaliper && drumsToDo(job).includes(corner)) {
    return `First tick what was decided for the drum of ${corner} as done, on its Correct page.`;
  }
  if (isCaliper && correctionAt(job, corner) !== null && !correctedAt(job, corner)) {
    return `First tick what was decided for ${corner} as done, on its Correct page.`;
  }
  if (kind === 'rebuild' && value === 'left-out') {
    const step = rebuildSteps(job, corner).find(({ code }) => code === item);
    return step?.required ? `“${step.title}” cannot be left out.` : null;
  }
  if (kind === 'rebuild' && item === 'tray' && value === 'done') {
    const still = partsStillOff(job, corner);
    return still.length > 0
      ? `Still in the tray: ${still.map(({ name }) => name.toLowerCase()).join(', ')}.`
      : null;
  }
  return write.kind === 'torque' ? refuseTorque(job, corner, write) : null;
}

/** Why a torque that was pulled is refused, in words; null where it is not. */
function refuseTorque(
  job: Job,
  corner: Corner,
  write: Extract<CheckEntry, { kind: 'torque' }>,
): string | null {
  const { item, value } = write;
  // A star of the wrong count would leave nuts out.
  if (!isFasteningSaid(job, corner)) return SAY_FASTENING;
  const star = starAt(job, corner);
  if (write.item === 'star') {
    return write.value.pulls.length > star.of ? 'The star has no more nuts than that.' : null;
  }
  if (item === 'vehicle-down') {
    return star.pulls.length < star.of ? 'Draw the wheel up in the star first.' : null;
  }
  const state = fastenersAt(job, corner).find(({ fastener }) => fastener.code === item);
  if (!state) return 'This corner has no such fastener.';
  if (!state.figure)
    return `Enter the figure for ${state.name.toLowerCase()} with its source first.`;
  if (item === 'wheel-nuts' && star.pulls.length < star.of) {
    return 'Draw the wheel up in the star first, nut by nut.';
  }
  const torque = typeof value === 'object' && 'nm' in value ? value : null;
  const amiss = torque && pulledAmiss(torque.nm, state.figure.valueNm);
  if (amiss && !torque.confirmed) return `What was pulled is ${amiss} Say it twice if it is so.`;
  return null;
}
