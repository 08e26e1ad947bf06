import { CORNER_NAME, type Corner } from '../readings';
import type { Blocker } from '../procedure';
import type { Job } from './types';

const isInvented = ({ isVirtual, setAsideAt }: Job['sets'][number]): boolean =>
  isVirtual && setAsideAt === null;

/**
 * That readings of a virtual gauge count at a corner, which are practice and no measurement of the
 * vehicle: one line a corner, leading to where they are put aside.
 */
export const sayInvented = (job: Job): Blocker[] =>
  job.corners.flatMap((corner) => {
    const sets = job.sets.filter((set) => set.corner === corner && isInvented(set));
    if (sets.length === 0) return [];
    return {
      say: `${corner}: readings of a virtual gauge count, which are practice. Put them aside and measure the vehicle.`,
      place: sets.some(({ phase }) => phase === 'before') ? 'measure' : 'prove-corner',
      corner,
    };
  });

/** The same, to somebody who does not measure brakes; null where all was read on the vehicle. */
export function tellInvented(job: Job): string | null {
  const names = job.corners
    .filter((corner: Corner) => job.sets.some((set) => set.corner === corner && isInvented(set)))
    .map((corner) => CORNER_NAME[corner]);
  return names.length === 0
    ? null
    : `Figures of ${names.join(' and ')} were invented for practice and not read on this vehicle.`;
}
