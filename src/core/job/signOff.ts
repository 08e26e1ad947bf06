import { openItems, signOffBlockers, type Blocker } from '../procedure';
import { drumAlone, drumsNearLimit, drumsToDo } from './drums';
import { takenBackOf } from './danger';
import { wrongLeft } from './inspection';
import { sayInvented } from './invented';
import { judgeCorner } from './judge';
import { changedFigures, faultsTakenBack, type ChangedFigure, type TakenBack } from './past';
import { outcomeOf } from './proof';
import { readinessOf } from './readiness';
import { isBeddingOwed } from './rebuildNext';
import { axleAt } from './record';
import { oncePer } from '../remember';
import { proofsToShow, repairsToDo, sayRepair } from './repairs';
import { sayBroughtIn } from './standing';
import { axleOf, type Corner } from '../readings';
import type { Correction, Job } from './types';

/** What stands between a job and its sign-off. */
export interface SignOffView {
  /** What never passes. */
  readonly blocks: readonly Blocker[];
  /** What the lead may sign with, in writing. */
  readonly open: readonly Blocker[];
}

/** Rotors whose thinnest place is too close to discard thickness to call, as they stand now. */
const nearDiscard = (job: Job): Blocker[] =>
  job.corners
    .filter((corner) => axleAt(job, corner))
    .filter((corner) => {
      const [after, before] = (['after', 'before'] as const).map(
        (phase) => judgeCorner(job, corner, phase).assessment.thicknessVerdicts,
      );
      return (after ?? before)?.verdicts.discard.state === 'too-close';
    })
    .map((corner) => ({
      say: `${corner}: the thinnest place is too close to discard thickness to call.`,
      place: 'prove',
      corner,
    }));

const nearWearLimit = (job: Job): Blocker[] =>
  drumsNearLimit(job).map((corner) => ({
    say: `${corner}: the drum is too close to its wear limit to call.`,
    place: 'prove',
    corner,
  }));

/** Cuts that only one rotor of an axle got: it takes a reason. Source: handbook 9. */
const cutAlone = (job: Job): Blocker[] =>
  job.decisions
    .filter(({ corner, correction }) => isCut(correction) && !isOtherCut(job, corner))
    .map(({ corner }) => ({
      say: `${corner}: its rotor was cut alone; both of an axle are cut, or a pair is fitted.`,
      place: 'decide',
      corner,
    }));

const isCut = (correction: Correction): boolean => correction.startsWith('machine');

const isOtherCut = (job: Job, corner: Corner): boolean =>
  job.decisions.some(
    (each) =>
      each.corner !== corner &&
      axleOf(each.corner) === axleOf(corner) &&
      (isCut(each.correction) || ['replace', 'hub-replace'].includes(each.correction)),
  );

/** Drums of which only one of an axle is cut or renewed: it takes a reason. */
const drumsAlone = (job: Job): Blocker[] =>
  drumAlone(job).map((corner) => ({
    say: `${corner}: its drum was worked on alone; both of an axle are cut or renewed alike.`,
    place: 'decide',
    corner,
  }));

/** Drums whose work was decided and is not ticked as done. */
const drumsOpen = (job: Job): Blocker[] =>
  drumsToDo(job).map((corner) => ({
    say: `${corner}: the work on its drum was decided and is not ticked as done.`,
    place: 'correct',
    corner,
  }));

/** A quick check is nobody’s vehicle yet. */
const noVehicle = (job: Job): Blocker[] =>
  job.vehicle.isCheck
    ? [{ say: 'It is a quick check: type its plate, then it is a job.', place: 'report' }]
    : [];

/**
 * Sources beside the rotors whose repair was decided here and is not ticked as done: one of the
 * brakes is done, or its decision taken back; one outside them may be signed for.
 */
const notRepaired = (job: Job, isOutside: boolean): Blocker[] =>
  repairsToDo(job)
    .filter(({ cause }) => cause.isOutside === isOutside)
    .map((repair) => ({
      say: `${sayRepair(repair)}: its repair was decided and is not ticked as done.`,
      place: 'correct',
      ...(repair.place === '' ? {} : { corner: repair.place }),
    }));

/** Sources that were put right and are not shown to be. */
const notProven = (job: Job): Blocker[] =>
  proofsToShow(job).map((repair) => ({
    say: `${sayRepair(repair)}: what shows it is not written down. ${repair.cause.proof}`,
    place: 'prove',
    ...(repair.place === '' ? {} : { corner: repair.place }),
  }));

/** A job in which nothing was looked at, measured or done says so where it is signed. */
const untouched = (job: Job): Blocker[] =>
  job.sets.some(({ setAsideAt }) => !setAsideAt) ||
  job.checks.length > 0 ||
  job.decisions.length > 0
    ? []
    : [{ say: 'Nothing was looked at, measured or done in this job.', place: 'strip' }];

/** Parts that were found to need renewing, were taken back, and no lead has answered for yet. */
const foundAndGone = (job: Job): Blocker[] =>
  faultsTakenBack(job).map(({ say, who, reason, corner }) => ({
    say: `${say}: found, and taken back by ${who ?? 'nobody named'} (${reason ?? ''}).`,
    place: 'report',
    ...(corner && { corner }),
  }));

/** What was looked at, found wrong and left as it was, a corner in one line: the report tells it too. */
const foundAndLeft = (job: Job): Blocker[] =>
  job.corners.flatMap((corner) => {
    const left = wrongLeft(job, corner);
    return (['strip', 'rebuild-corner'] as const).flatMap((place): Blocker[] => {
      const own = left.filter(({ isOfRebuild }) => isOfRebuild === (place !== 'strip'));
      const what = own.map(({ say }) => say).join(', ');
      return what === ''
        ? []
        : [{ say: `${corner}: found wrong, and not put right: ${what}.`, place, corner }];
    });
  });

/** What blocks the sign-off of a job, and what is open without blocking. */
export const signOffOf = oncePer((job: Job): SignOffView => {
  const state = readinessOf(job);
  const outcome = outcomeOf(job);
  const invented = sayInvented(job);
  const proof: Blocker[] =
    outcome === null || ['cured', 'referred'].includes(outcome.state)
      ? []
      : [
          ...[{ say: `The job is ${outcome.state.replace('-', ' ')}.`, place: 'prove' as const }],
          ...[...outcome.reasons, ...outcome.left]
            .filter((say) => !invented.some((each) => each.say === say))
            .map((say) => ({ say, place: 'prove' as const })),
        ];
  const wasApart = state.corners.some(({ wheelOff }) => wheelOff);
  const bedding: Blocker[] = isBeddingOwed(job)
    ? [{ say: 'It was not bedded in here.', place: 'prove' }]
    : [];
  const recheck: Blocker[] =
    wasApart && !job.rechecks.some(({ what }) => what === 'wheel-nuts')
      ? [{ say: 'No recheck of the wheel nuts is set.', place: 'prove' }]
      : [];
  return {
    blocks: [
      ...noVehicle(job),
      ...notRepaired(job, false),
      ...drumsOpen(job),
      ...signOffBlockers(state),
    ],
    open: [
      ...sayBroughtIn(job),
      ...invented,
      ...untouched(job),
      ...foundAndLeft(job),
      ...foundAndGone(job),
      ...openItems(state),
      ...nearDiscard(job),
      ...nearWearLimit(job),
      ...cutAlone(job),
      ...drumsAlone(job),
      ...notRepaired(job, true),
      ...notProven(job),
      ...proof,
      ...bedding,
      ...recheck,
    ],
  };
});

/** What was found, stands no more, and no lead has answered yet. */
export const takenBackToAnswer = (job: Job): readonly TakenBack[] => [
  ...takenBackOf(job, readinessOf(job).pedal),
  ...faultsTakenBack(job),
];

/** Figures that were changed and that no lead has agreed to yet. */
export const changesToAnswer = (job: Job): readonly ChangedFigure[] =>
  changedFigures(job).filter(({ isAgreed }) => !isAgreed);

/** Lines of the ledger that a lead has to answer. */
export const linesToAnswer = (job: Job): readonly { readonly seq: number }[] => [
  ...takenBackToAnswer(job),
  ...changesToAnswer(job),
];
