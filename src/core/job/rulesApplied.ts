import type { RuleInForce } from '../procedure';
import type { Corner } from '../readings';
import { checksOfKind, findCheck, isDone, isWritten } from './checks';
import { rulesOf } from './procedure';
import { correctedAt, correctionAt, openedBy, stepsDone, WHEEL_OFF } from './rebuildSteps';
import { axleAt, limitsOf } from './record';
import { oncePer } from '../remember';
import type { Correction, Job } from './types';

const isStripped = (job: Job, steps: readonly string[]): boolean =>
  job.corners.some((corner) => stepsDone(job, corner, steps).length > 0);

const isRebuilt = (job: Job, steps: readonly string[]): boolean =>
  job.corners.some((corner) =>
    steps.some((step) => isDone(findCheck(job, 'rebuild', corner, step))),
  );

/** Whether a correction of these kinds was decided and done somewhere. */
const isCorrected = (job: Job, kinds: readonly Correction[]): boolean =>
  job.corners.some((corner) => {
    const correction = correctionAt(job, corner);
    return correction !== null && kinds.includes(correction) && correctedAt(job, corner);
  });

const MACHINED: readonly Correction[] = ['machine-bench', 'machine-on-vehicle'];
const isMachined = (job: Job): boolean => isCorrected(job, MACHINED);
const isRenewed = (job: Job): boolean => isCorrected(job, ['replace']);

/** Whether runout that was read is judged by no figure that has a source. */
function isJudgedByRule(job: Job, corner: Corner): boolean {
  const axle = axleAt(job, corner);
  const isRead = job.sets.some((set) => set.corner === corner && set.kind === 'runout');
  return axle !== undefined && isRead && limitsOf(axle).runout === undefined;
}

/** Where each house rule comes to be followed: by what was done, and by nothing else. */
const APPLIES: Readonly<Record<string, (job: Job) => boolean>> = {
  'hub-face': (job) => isStripped(job, ['hub-face', 'drum-seat']) || isRebuilt(job, ['seat-clean']),
  'push-back': (job) => isStripped(job, ['push-back', 'wind-back']),
  'worn-rotor': (job) => isMachined(job) || isRenewed(job),
  'runout-limit': (job) => job.corners.some((corner) => isJudgedByRule(job, corner)),
  bolts: (job) =>
    isRebuilt(job, ['bracket-on', 'caliper-on', 'caliper-on-fixed', 'caliper-on-pivot']),
  hardware: (job) => isRebuilt(job, ['pads-in', 'pads-in-fixed', 'shoes-on']),
  pads: isMachined,
  corners: (job) => isStripped(job, WHEEL_OFF),
  bedding: (job) => checksOfKind(job, 'bedding').length > 0,
  bleeding: (job) => openedBy(job).length > 0 || checksOfKind(job, 'hydraulics').length > 0,
  'new-rotor': isRenewed,
  'heavy-use': isRenewed,
  'pad-backs': (job) => isRebuilt(job, ['pads-in', 'pads-in-fixed']),
  'pin-grease': (job) => isRebuilt(job, ['pins-in']),
  'pin-boots': (job) => isRebuilt(job, ['pins-in']),
  'rotor-screw': (job) => isStripped(job, ['rotor-screw']),
  'retaining-pins': (job) => isRebuilt(job, ['pads-in-fixed']),
  pumping: (job) => isWritten(job, 'pedal', '', 'firm'),
  cuts: isMachined,
};

/**
 * The house rules that this job came to follow, and those that it chose for itself: what was not
 * done has followed no rule. A rule that nothing is known of here counts as followed.
 */
export const rulesApplied = oncePer((job: Job): RuleInForce[] =>
  rulesOf(job).filter(({ rule, by }) => by === 'job' || (APPLIES[rule.code]?.(job) ?? true)),
);

/** The rules of which it is known where they apply. */
export const PLACED_RULES = Object.keys(APPLIES);
