import { PROCEDURE } from '../contracts';
import { calledFor, drawnCorner, type CornerPart } from '../corner';
import { lookItems } from '../procedure';
import type { Corner } from '../readings';
import { rebuildContext } from './rebuildSteps';
import type { Job } from './types';

/** The parts of a corner of the job as they are drawn; none where the vehicle lacks its axle. */
export function cornerParts(job: Job, corner: Corner): CornerPart[] {
  const context = rebuildContext(job, corner);
  if (!context) return [];
  const looks = lookItems(PROCEDURE, context).map(({ code }) => code);
  return drawnCorner(context, calledFor(PROCEDURE, context, looks));
}
