import type { PreparationId } from '../quality';
import { WHEEL_NUTS } from '../procedure';
import { axleOf, type Corner } from '../readings';
import { findCheck, isDone, lengthAt } from './checks';
import { stepsDone } from './rebuildSteps';
import type { Check, Job, Phase, ReadingSet } from './types';

/** A figure that a new set begins with, and where it comes from. */
export interface CarriedFigure {
  readonly value: number;
  readonly source: string;
}

/** What is known of how a corner is prepared before its next set is read. */
export interface Carried {
  readonly torqueNm: CarriedFigure | null;
  readonly endPlayUm: CarriedFigure | null;
  /** What an earlier step has proved already. */
  readonly proved: readonly { readonly id: PreparationId; readonly source: string }[];
}

const SET_OF: Readonly<Record<Phase, string>> = {
  'as-found': 'noted as found',
  before: 'noted with a set before',
  after: 'noted with a set after the work',
};

const byWhom = ({ by }: Check): string => (by ? ` by ${by}` : '');

/** The newest set of a corner that a figure was noted with. */
function noted(job: Job, corner: Corner, figure: 'torqueNm' | 'endPlayUm'): CarriedFigure | null {
  // What only travels along with a set of another kind was noted by nobody.
  const isNotedOf = ({ kind }: ReadingSet): boolean =>
    figure === 'torqueNm' ? kind === 'runout' : kind !== 'thickness';
  const has = (set: ReadingSet): boolean =>
    set.corner === corner && set.setAsideAt === null && set[figure] !== null && isNotedOf(set);
  const set = job.sets.findLast(has);
  const value = set?.[figure] ?? null;
  return set && value !== null ? { value, source: SET_OF[set.phase] } : null;
}

/** The torque that was noted with a set as found. */
function notedAs(job: Job, corner: Corner): CarriedFigure | null {
  const sets = job.sets.filter(({ phase }) => phase === 'as-found');
  return noted({ ...job, sets }, corner, 'torqueNm');
}

function torqueOf(job: Job, corner: Corner): CarriedFigure | null {
  const axle = axleOf(corner);
  const own = noted(job, corner, 'torqueNm');
  if (own) return own;
  const onFile = job.torque.find((each) => each.axle === axle && each.fastener === WHEEL_NUTS);
  return onFile ? { value: onFile.valueNm, source: 'the figure on file' } : null;
}

function endPlayOf(job: Job, corner: Corner): CarriedFigure | null {
  const measured = findCheck(job, 'figure', corner, 'end-play');
  const value = lengthAt(job, corner, 'end-play');
  return measured && value !== null
    ? { value, source: `measured at the strip-down${byWhom(measured)}` }
    : noted(job, corner, 'endPlayUm');
}

/** The tick that hub face and hat are clean: the step alone is of the hub, the look is of both. */
function cleanSeat(job: Job, corner: Corner): Check | undefined {
  const seat = findCheck(job, 'rebuild', corner, 'seat-clean');
  if (isDone(seat)) return seat;
  const isSeen = findCheck(job, 'look', corner, 'seat')?.value.length === 0;
  return isSeen ? stepsDone(job, corner, ['hub-face']).at(-1) : undefined;
}

/**
 * What is carried to the next set of a corner: figures with their source, and what earlier steps
 * have proved. Nothing else is taken as so, and as found only what was noted as found. Source:
 * handbook 1, 3.
 */
export function carriedTo(job: Job, corner: Corner, phase: Phase): Carried {
  const endPlayUm = endPlayOf(job, corner);
  const clean = cleanSeat(job, corner);
  const bearing = findCheck(job, 'look', corner, 'bearing');
  const felt =
    endPlayUm?.source ??
    (bearing?.value.length === 0 ? `felt at the strip-down${byWhom(bearing)}` : null);
  return {
    // As found the nuts are what they are: what a file says of them, or what came later, is not that.
    torqueNm: phase === 'as-found' ? notedAs(job, corner) : torqueOf(job, corner),
    endPlayUm,
    proved: [
      ...(clean ? [{ id: 'clean' as const, source: `ticked${byWhom(clean)}` }] : []),
      ...(felt !== null ? [{ id: 'end-play' as const, source: felt }] : []),
    ],
  };
}
