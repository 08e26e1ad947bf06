import 'server-only';
import type { CheckFormData } from '../../core/contracts';
import {
  faultsGone,
  findCheck,
  isPutRight,
  refuseRole,
  sayFaults,
  takesBackDanger,
  type Job,
} from '../../core/job';
import { CORNERS } from '../../core/readings';
import type { Who } from '../../db/repositories';
import { refuse, type Answer } from '../answer';
import { isSlip } from './freshLooks';

type Take = Pick<CheckFormData, 'kind' | 'place' | 'item' | 'value'>;

/**
 * What a look takes back that was found there and is more than a slip of the finger, in words; null where nothing.
 * What was put right meanwhile may be looked at again.
 */
function faultsBack(job: Job, { place, item, value }: Take, by: string | null): string | null {
  const stands = findCheck(job, 'look', place, item);
  const corner = CORNERS.find((each) => each === place);
  if (!stands || !corner || isPutRight(job, corner, item)) return null;
  const now = Array.isArray(value) ? value.map(String) : [];
  const gone = faultsGone(item, stands.value, now);
  return gone.length === 0 || isSlip(stands.stamp, gone, by) ? null : sayFaults(item, gone);
}

/** What is asked of somebody who takes something back so; null where nothing is. */
function whyTakenBack(job: Job, take: Take, by: string | null): string | null {
  const { kind, place, item, value } = take;
  const asked = 'Say in a few words why this is taken back: ';
  if (takesBackDanger(findCheck(job, kind, place, item), value)) {
    const what = `${place} ${item.replace(/-/g, ' ')}`.trim();
    return `${asked}it keeps the vehicle off the road (${what}).`;
  }
  const gone = kind === 'look' ? faultsBack(job, take, by) : null;
  return gone && `${asked}${gone} was found at ${place}.`;
}

/** Why something that was found may not be taken back so; null where it may. */
export function refuseTakingBack(
  job: Job,
  form: CheckFormData,
  who: Who | null,
): Answer<never> | null {
  const asked = whyTakenBack(job, form, who?.name ?? null);
  if (asked === null) return null;
  const why = refuseRole(who, 'technician');
  if (why !== null) return refuse(why);
  return form.note === null ? refuse(asked, { note: asked }) : null;
}

/** Why an answer to the nose, which asks no reason, may not change a look; null where it may. */
export function refuseByNose(job: Job, take: Omit<Take, 'kind'>): string | null {
  const { place } = take;
  const where = 'take it back where it was seen, on Strip, with a reason.';
  if (takesBackDanger(findCheck(job, 'look', place, take.item), take.value)) {
    return `This was seen at ${place} and keeps the vehicle off the road: ${where}`;
  }
  const gone = faultsBack(job, { kind: 'look', ...take }, null);
  return gone && `${gone} was found at ${place}: ${where}`;
}
