import {
  isPedalDone,
  needsPedal,
  signOffBlockers,
  WHEEL_ON,
  type JobReadiness,
} from '../procedure';
import { CORNER_NAME } from '../readings';
import { isWritten } from './checks';
import type { NextThing } from './places';
import { rulesOf } from './procedure';
import { readinessOf } from './readiness';
import type { Job } from './types';

/** Whether brakes that were worked on are still to be bedded in here. */
export const isBeddingOwed = (job: Job): boolean =>
  readinessOf(job).pistonsMoved.length > 0 && !isWritten(job, 'bedding', '', 'driven');

/** The corner that is not together yet, with its next step. */
function nextStep(state: JobReadiness): NextThing | null {
  for (const { corner, wheelOff, open } of state.corners) {
    const next = open.find(({ code }) => code !== WHEEL_ON);
    if (!wheelOff || !next) continue;
    return {
      todo: `Put ${corner} together: ${next.title.toLowerCase()}.`,
      why: `${open.length} ${open.length === 1 ? 'step is' : 'steps are'} left at the ${CORNER_NAME[corner]}.`,
      place: { page: 'rebuild-corner', corner },
      label: `${corner}, step by step`,
    };
  }
  return null;
}

function nextWheel(state: JobReadiness): NextThing | null {
  const corner = state.corners.find(
    ({ wheelOff, starDone, vehicleDown, torque }) =>
      wheelOff && !(starDone && vehicleDown && torque.every((each) => each.isPulled)),
  )?.corner;
  if (!corner) return null;
  return {
    todo: `Draw up ${corner} to its figures, the wheel in the star.`,
    why: 'Uneven torque is itself a cause.',
    place: { page: 'torque', corner },
    label: `Torque list of ${corner}`,
  };
}

function nextPedal(state: JobReadiness): NextThing | null {
  if (!needsPedal(state) || isPedalDone(state)) return null;
  return {
    todo: 'Stop: pump the pedal until it is firm.',
    why: 'Before the vehicle is moved or put in gear: the first presses meet nothing.',
    place: { page: 'pedal' },
    label: 'The pedal stop',
  };
}

function nextHydraulics(state: JobReadiness): NextThing | null {
  const { opened, saidClosed, hydraulicsOpen } = state;
  const place = { page: 'hydraulics' } as const;
  const label = 'Hydraulics';
  if (opened.length > 0 && hydraulicsOpen.length > 0) {
    return { todo: 'Bleed the hydraulics.', why: hydraulicsOpen[0] ?? '', place, label };
  }
  return opened.length === 0 && !saidClosed
    ? { todo: 'Say whether the hydraulics were opened.', why: 'A bleeder counts.', place, label }
    : null;
}

/** What comes next as a job goes together: the pedal before or after the wheels by house rule. */
export function rebuildNext(job: Job): NextThing {
  if (job.closedAt !== null) {
    return {
      todo: 'Signed off: the record is closed.',
      why: 'What comes later is added on its report.',
      place: { page: 'report' },
      label: 'Report',
    };
  }
  const state = readinessOf(job);
  const pumping = rulesOf(job).find(({ rule }) => rule.code === 'pumping')?.school.code;
  const wheels = nextWheel(state);
  const pedal = nextPedal(state);
  const late = pumping === 'wheels-off' ? (pedal ?? wheels) : (wheels ?? pedal);
  const early = nextStep(state) ?? nextHydraulics(state) ?? late;
  if (early) return early;
  const [block] = signOffBlockers(state);
  if (block) {
    return {
      todo: block.say,
      why: 'It stands between the vehicle and the road.',
      place: { page: block.place, corner: block.corner },
      label: 'Go there',
    };
  }
  const turn = state.corners.find(({ wheelOff, turns }) => wheelOff && turns === null);
  if (turn) {
    return {
      todo: `Turn the wheel of ${turn.corner} by hand, pedal released.`,
      why: 'A wheel that drags goes hot on the first kilometre.',
      place: { page: 'wheel-turns' },
      label: 'Turns free?',
    };
  }
  if (!isWritten(job, 'pedal', '', 'first-stop')) {
    return {
      todo: 'First stop at walking pace, in the yard.',
      why: 'The brake is tried where nothing can be hit.',
      place: { page: 'first-stop' },
      label: 'First stop',
    };
  }
  if (isBeddingOwed(job)) {
    return {
      todo: 'Bed the brakes in.',
      why: 'The friction faces find each other before the owner drives.',
      place: { page: 'bedding' },
      label: 'Bedding-in planner',
    };
  }
  return {
    todo: 'Prove it: the same road, the same speeds.',
    why: 'Together, and the pedal is firm.',
    place: { page: 'prove' },
    label: 'Prove',
  };
}
