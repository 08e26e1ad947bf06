import { undecidedCorners } from './decided';
import { refuseDriven } from './guards';
import { judgeCorner } from './judge';
import type { NextThing } from './places';
import { cornersToProve, feelOf, outcomeOf } from './proof';
import { proofsToShow, sayRepair } from './repairs';
import type { Job } from './types';

/** A record that is closed asks for nothing more. */
const SIGNED_OFF: NextThing = {
  todo: 'Signed off: the record is closed.',
  why: 'What comes later is added on its report.',
  place: { page: 'report' },
  label: 'Report',
};

/** What has to be measured or shown before anything is driven; null where nothing has. */
function toShowFirst(job: Job): NextThing | null {
  const unmeasured = cornersToProve(job).find(
    (corner) => judgeCorner(job, corner, 'after').assessment.runout === null,
  );
  if (unmeasured) {
    return {
      todo: `Measure ${unmeasured} again, nuts or bolts at final torque.`,
      why: 'Nothing is cured until it measures so.',
      place: { page: 'prove-corner', corner: unmeasured },
      label: `Measure ${unmeasured}`,
    };
  }
  const [shown] = proofsToShow(job);
  if (shown) {
    return {
      todo: `Show it: ${sayRepair(shown)}.`,
      why: shown.cause.proof,
      place: { page: 'prove' },
      label: 'What shows it',
    };
  }
  return null;
}

/** The one next thing of the proof. */
export function proveNext(job: Job): NextThing {
  if (job.closedAt !== null) return SIGNED_OFF;
  const first = toShowFirst(job);
  if (first) return first;
  const outcome = outcomeOf(job);
  if (outcome === null && undecidedCorners(job).length > 0) {
    return {
      todo: 'Nothing is decided yet: decide first.',
      why: 'What was done is proven here.',
      place: { page: 'decide' },
      label: 'Decide',
    };
  }
  if (refuseDriven(job) !== null) {
    return {
      todo: 'Finish the rebuild before it is driven.',
      why: 'What stands in the way is listed below.',
      place: { page: 'rebuild' },
      label: 'Rebuild',
    };
  }
  if (outcome?.state === 'not-cured') {
    return {
      todo: 'Not cured: decide again with what is known now.',
      why: 'The nose weighs what was measured and driven after the work.',
      place: { page: 'decide' },
      label: 'Decide again',
    };
  }
  // Where nothing was done here there is nothing to drive again.
  const isWork = outcome !== null && outcome.state !== 'referred';
  if (isWork && !feelOf(job).after) {
    return {
      todo: 'Drive it again: the same road, the same speeds.',
      why: 'Then say how it felt, or record it.',
      place: { page: 'prove-road-test' },
      label: 'Record the drive again',
    };
  }
  return {
    todo: outcome === null ? 'Nothing was corrected: sign it off.' : 'Sign it off.',
    why: 'What is open is listed there.',
    place: { page: 'report' },
    label: 'Report and sign-off',
  };
}
