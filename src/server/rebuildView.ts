import 'server-only';
import { format, isToday } from 'date-fns';
import { PROCEDURE } from '../core/contracts';
import {
  contactsBy,
  isPedalDone,
  needsPedal,
  signOffBlocks,
  type ClosingPlace,
  type Hindrance,
  type JobClosing,
} from '../core/procedure';
import { CORNER_NAME, type Corner } from '../core/readings';
import type { CheckRow, JobFile } from '../db/repositories';
import { findCheck, rulesOf } from './procedure';
import { closingOf, fastenersAt, starAt } from './rebuild';
import { rebuildContext, rebuildSteps } from './rebuildSteps';

/** A time in words: of the day where it is today. */
export const sayTime = (at: Date): string => format(at, isToday(at) ? 'HH:mm' : 'd MMM, HH:mm');

/** A written step as the screens have it, or null. */
export const stepView = (row: CheckRow | undefined) =>
  row === undefined
    ? null
    : { value: row.value, note: row.note, by: row.by, at: sayTime(row.at), stamp: row.stamp };

/** Where something that stands in the way is put right. */
export function placeOf(
  jobId: string,
  { place, corner }: Pick<Hindrance, 'place' | 'corner'>,
): string {
  const base = `/jobs/${jobId}`;
  const pages: Readonly<Record<ClosingPlace, string>> = {
    strip: `${base}/strip`,
    correct: `${base}/correct/${corner ?? ''}`,
    corner: `${base}/rebuild/${corner ?? ''}`,
    hydraulics: `${base}/rebuild/hydraulics`,
    pedal: `${base}/rebuild/pedal`,
    prove: `${base}/prove`,
  };
  return pages[place];
}

/** The one next thing of the rebuild. */
export interface RebuildNext {
  readonly todo: string;
  readonly why: string;
  readonly href: string;
  readonly label: string;
}

/** The corner that is not together yet, with its next step. */
function nextStep(file: JobFile, state: JobClosing): RebuildNext | null {
  for (const { corner, wheelOff, open } of state.corners) {
    const next = open.find(({ title }) => title !== 'Wheel on');
    if (!wheelOff || !next) continue;
    return {
      todo: `Put ${corner} together: ${next.title.toLowerCase()}.`,
      why: `${open.length} ${open.length === 1 ? 'step is' : 'steps are'} left at the ${CORNER_NAME[corner]}.`,
      href: `/jobs/${file.job.id}/rebuild/${corner}`,
      label: `${corner}, step by step`,
    };
  }
  return null;
}

function nextWheel(file: JobFile, state: JobClosing): RebuildNext | null {
  const corner = state.corners.find(
    ({ wheelOff, starDone, vehicleDown, torque }) =>
      wheelOff && !(starDone && vehicleDown && torque.every((each) => each.isPulled)),
  )?.corner;
  if (!corner) return null;
  return {
    todo: `Draw up ${corner} to its figures, the wheel in the star.`,
    why: 'Uneven torque is itself a cause.',
    href: `/jobs/${file.job.id}/rebuild/${corner}/torque`,
    label: `Torque list of ${corner}`,
  };
}

function nextPedal(file: JobFile, state: JobClosing): RebuildNext | null {
  if (!needsPedal(state) || isPedalDone(state)) return null;
  return {
    todo: 'Stop: pump the pedal until it is firm.',
    why: 'Before the vehicle is moved or put in gear: the first presses meet nothing.',
    href: `/jobs/${file.job.id}/rebuild/pedal`,
    label: 'The pedal stop',
  };
}

function nextHydraulics(file: JobFile, state: JobClosing): RebuildNext | null {
  const { opened, saidClosed, hydraulicsOpen } = state;
  const href = `/jobs/${file.job.id}/rebuild/hydraulics`;
  const label = 'Hydraulics';
  if (opened.length > 0 && hydraulicsOpen.length > 0) {
    return { todo: 'Bleed the hydraulics.', why: hydraulicsOpen[0] ?? '', href, label };
  }
  return opened.length === 0 && !saidClosed
    ? { todo: 'Say whether the hydraulics were opened.', why: 'A bleeder counts.', href, label }
    : null;
}

/** What comes next as a job goes together: the pedal before or after the wheels by house rule. */
export function rebuildNext(file: JobFile): RebuildNext {
  if (file.job.closedAt !== null) {
    return {
      todo: 'Signed off: the record is closed.',
      why: 'What comes later is added on its report.',
      href: `/jobs/${file.job.id}/report`,
      label: 'Report',
    };
  }
  const state = closingOf(file);
  const pumping = rulesOf(file).find(({ rule }) => rule.code === 'pumping')?.school.code;
  const wheels = nextWheel(file, state);
  const pedal = nextPedal(file, state);
  const late = pumping === 'wheels-off' ? (pedal ?? wheels) : (wheels ?? pedal);
  const early = nextStep(file, state) ?? nextHydraulics(file, state) ?? late;
  if (early) return early;
  const [block] = signOffBlocks(state);
  if (block) {
    return {
      todo: block.say,
      why: 'It stands between the vehicle and the road.',
      href: placeOf(file.job.id, block),
      label: 'Go there',
    };
  }
  const turn = state.corners.find(({ wheelOff, turns }) => wheelOff && turns === null);
  if (turn) {
    return {
      todo: `Turn the wheel of ${turn.corner} by hand, pedal released.`,
      why: 'A wheel that drags goes hot on the first kilometre.',
      href: '#turns',
      label: 'Turns free?',
    };
  }
  if (!findCheck(file, 'pedal', '', 'first-stop')) {
    return {
      todo: 'First stop at walking pace, in the yard.',
      why: 'The brake is tried where nothing can be hit.',
      href: '#first-stop',
      label: 'First stop',
    };
  }
  if (!findCheck(file, 'bedding', '', 'driven')) {
    return {
      todo: 'Bed the brakes in.',
      why: 'Pads and rotors find each other before the owner drives.',
      href: `/jobs/${file.job.id}/rebuild/bedding`,
      label: 'Bedding-in planner',
    };
  }
  return {
    todo: 'Prove it: the same road, the same speeds.',
    why: 'Together, pumped, bedded.',
    href: `/jobs/${file.job.id}/prove`,
    label: 'Prove',
  };
}

/** A corner of the rebuild in figures. */
export function cornerProgress(file: JobFile, corner: Corner) {
  const steps = rebuildSteps(file, corner);
  const fasteners = fastenersAt(file, corner);
  const star = starAt(file, corner);
  const state = closingOf(file).corners.find((each) => each.corner === corner);
  return {
    corner,
    name: CORNER_NAME[corner],
    wheelOff: state?.wheelOff ?? false,
    steps: steps.length,
    stepsDone: steps.filter(({ code }) => findCheck(file, 'rebuild', corner, code)).length,
    inTray: state?.inTray.length ?? 0,
    fasteners: fasteners.length,
    pulled: fasteners.filter(({ pulled }) => pulled !== null).length,
    noFigure: fasteners.filter(({ figure }) => figure === null).length,
    star: star.pulls.length,
    starOf: star.of,
  };
}

/** The fasteners of a corner as its torque list shows them. */
export function fastenerViews(file: JobFile, corner: Corner) {
  const context = rebuildContext(file, corner);
  const contacts = context ? contactsBy(PROCEDURE, context) : [];
  return fastenersAt(file, corner).map(({ fastener, name, figure, pulled, stamp }) => ({
    stamp,
    code: fastener.code,
    name,
    say: fastener.say,
    stages: figure?.stages ?? fastener.stages,
    product: contacts.find(({ code }) => code === fastener.contact)?.product ?? '',
    figure: figure && {
      nm: figure.valueNm,
      source: figure.source,
      angle: figure.angle,
      treatment: figure.treatment,
      oneUse: figure.oneUse,
      by: figure.by,
    },
    pulled: pulled && {
      value: pulled.row.value,
      note: pulled.row.note,
      by: pulled.row.by,
      at: sayTime(pulled.row.at),
      stamp: pulled.row.stamp,
      nm: pulled.torque.nm,
    },
  }));
}
