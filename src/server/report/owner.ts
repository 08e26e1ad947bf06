import 'server-only';
import { formatDate } from '../../core/calendar';
import { runoutLimit, type OutcomeState } from '../../core/assessment';
import { ITEM_NAME } from '../../core/options';
import { CORNER_NAME, type Corner } from '../../core/readings';
import { formatIn, type UnitSystem } from '../../core/units';
import type { Verdict } from '../../core/verdict';
import {
  checksOfKind,
  choiceAt,
  type CornerJudgement,
  drumFigures,
  drumsFound,
  drumsWorked,
  findCheck,
  fixedWith,
  type Job,
  judgeCorner,
  offTheRoad,
  outcomeOf,
  rotorCorners,
  rulesApplied,
  standingOf,
  type Correction,
  sayAgreed,
  sayPromise,
  sourceRepairs,
  asFirstRead,
  confirmedCauses,
  vehicleName,
  tellInvented,
} from '../../core/job';
import {
  drumFigure,
  figuresOf,
  plotOf,
  type OwnerFigure,
  type OwnerPlot,
  type Say,
  type SayAs,
  type Told,
} from './ownerFigures';
import { sayDue } from './words';

export type { OwnerFigure, OwnerPlot, PlotWave } from './ownerFigures';

/** What the owner of a vehicle is told, in plain words: one page. */
export interface OwnerReport {
  readonly head: {
    readonly job: number;
    readonly date: string;
    readonly plate: string;
    readonly vehicle: string;
    readonly odometer: string | null;
    readonly complaint: string;
  };
  /** Why the vehicle must not be driven, before anything else; empty where it may. */
  readonly mustNotMove: readonly string[];
  /** Whose figures were invented for practice; null where all was read on the vehicle. */
  readonly invented: string | null;
  /** What else stands between an open job and its sign-off; null once it is signed. */
  readonly notSigned: readonly string[] | null;
  readonly verdict: { readonly state: OutcomeState; readonly say: string } | null;
  readonly found: readonly string[];
  /** What was agreed, against what was decided; empty where nobody asked. */
  readonly agreed: readonly string[];
  readonly done: readonly string[];
  readonly figures: readonly OwnerFigure[];
  readonly plots: readonly OwnerPlot[];
  readonly due: readonly string[];
  readonly cautions: readonly string[];
  readonly rules: readonly string[];
  readonly signed: string | null;
}

const VERDICT_SAYS: Readonly<Record<OutcomeState, string>> = {
  cured: 'The complaint is cured: measured again and driven again.',
  better: 'It is better, and something is left: see below.',
  'not-cured': 'It is not cured yet.',
  referred: 'The cause was found. It is put right elsewhere: see below.',
  'not-proven': 'The work is done; it was not proven by measuring and driving again.',
};

/** What a verdict says to somebody who does not measure brakes. */
function plainly(name: string, what: string, verdict: Verdict | undefined, say: Say): string[] {
  if (verdict?.value === undefined || verdict.value === null) return [];
  const figure = `${say(verdict.value)} (allowed: ${say(verdict.limit)})`;
  if (verdict.state === 'beyond') return [`${name}: ${what} was ${figure}: too much.`];
  if (verdict.state === 'too-close') return [`${name}: ${what} was ${figure}: at its limit.`];
  return [];
}

const sideways = 'the brake disc moved sideways by a turn of the wheel; it';
const uneven = 'the thickness of the brake disc varied; it';

function foundAt({ record, assessment }: CornerJudgement, say: Say): string[] {
  const name = capital(CORNER_NAME[record.corner]);
  const discard = assessment.thicknessVerdicts?.verdicts.discard;
  const isThin = discard?.state === 'beyond' || discard?.state === 'too-close';
  return [
    ...(record.foundBeyond === undefined
      ? []
      : [
          `${name}: ${sideways} was ${say(record.foundBeyond)} (allowed: ${say(runoutLimit(record.limits).value)}) before its seat was cleaned: too much.`,
        ]),
    ...plainly(name, sideways, assessment.firstRunout?.verdict, say),
    ...plainly(name, uneven, assessment.thickness?.dtvVerdict, say),
    ...(isThin
      ? [
          `${name}: the brake disc is worn ${discard.state === 'beyond' ? 'below' : 'down to'} the thickness at which it must be replaced.`,
        ]
      : []),
  ];
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Sources beside the discs that were decided and are not among the confirmed causes. */
const sourcesFound = (job: Job): string[] =>
  sourceRepairs(job)
    .filter(({ cause }) => !confirmedCauses(job).some((each) => each.cause.code === cause.code))
    .map(
      ({ cause, place }) =>
        `${place === '' ? '' : `${capital(CORNER_NAME[place])}: `}${cause.owner}`,
    );

/** What became of them: put right here, or told and referred. */
const sourcesDone = (job: Job): string[] =>
  sourceRepairs(job).flatMap(({ cause, place, how, did, toWhom, proof }) => {
    const name = `${place === '' ? '' : `${capital(CORNER_NAME[place])}, `}${cause.name.toLowerCase()}`;
    if (how === 'referred') return [`${capital(name)}: referred. ${toWhom ?? ''}`];
    if (did === null) return [];
    const checked = proof?.isShown ? ` Checked after it: ${proof.say}.` : '';
    return [`${capital(name)}: ${did}.${checked}`];
  });

/** What was found: the cause that was confirmed, what measured too much, what was seen. */
function foundOf(job: Job, judged: readonly CornerJudgement[], say: Say, sayAs: SayAs): string[] {
  const isRepaired = checksOfKind(job, 'fixed').length > 0;
  const { isWithin } = standingOf(job);
  const found = [
    ...confirmedCauses(job).map(
      ({ corner, cause }) =>
        `Cause${corner ? `, ${CORNER_NAME[corner]}` : ''}: ${cause.name.toLowerCase()}. ${cause.owner ?? cause.means}`,
    ),
    ...sourcesFound(job),
    ...judged.flatMap((each) => foundAt(each, say)),
    ...drumsFound(job, sayAs),
    ...offTheRoad(job).map((each) => `${each}.`),
  ];
  if (found.length > 0 || isRepaired) return found;
  return isWithin
    ? ['Everything was measured and is within its limits.']
    : ['Not everything is measured and judged yet: nothing can be said about its limits.'];
}

/** What a correction is to somebody who does not work on brakes. */
const CORRECTED: Readonly<Record<Correction, string>> = {
  leave: 'left as it was',
  index: 'the brake disc was turned on its hub to the place where the two cancel out',
  clean: 'the seat between hub and brake disc was cleaned to bright metal',
  plate: 'a tapered plate was fitted between hub and brake disc',
  'machine-on-vehicle': 'the brake disc was machined true on the vehicle',
  'machine-bench': 'the brake disc was machined true on the lathe',
  replace: 'a new brake disc was fitted',
  hub: 'hub or wheel bearing was renewed',
  'hub-replace': 'hub or wheel bearing and brake disc were renewed',
};

/** What was done: corrections, repairs, parts, hydraulics, bedding-in. */
function doneOf(job: Job): string[] {
  const corners = job.corners.flatMap((corner) => {
    const decision = job.decisions.find((each) => each.corner === corner);
    const isDone = findCheck(job, 'correct', corner, 'done') !== undefined;
    const { extras, isChosen } = choiceAt(job, corner);
    const name = capital(CORNER_NAME[corner]);
    return [
      ...(decision && decision.correction !== 'leave' && isDone
        ? [`${name}: ${CORRECTED[decision.correction]}.`]
        : []),
      ...(isChosen && extras.length > 0
        ? [`${name}: ${extras.map((extra) => ITEM_NAME[extra].toLowerCase()).join('; ')}.`]
        : []),
    ];
  });
  // What was put right with a source is told with that source.
  const told = sourceRepairs(job).flatMap((repair) => fixedWith(job, repair));
  const fixed = checksOfKind(job, 'fixed')
    .filter((each) => !told.includes(each))
    .map(
      ({ place, note }) =>
        `${capital(CORNER_NAME[place as Corner] ?? place)}: ${note ?? 'put right'}.`,
    );
  const bled = checksOfKind(job, 'hydraulics').filter(
    ({ item, value }) => item === 'bled' && value === 'done',
  );
  return [
    ...corners,
    ...drumsWorked(job),
    ...sourcesDone(job),
    ...fixed,
    ...(bled.length > 0
      ? [`Brake fluid bled at ${bled.map(({ place }) => place).join(', ')}.`]
      : []),
    ...(findCheck(job, 'bedding', '', 'driven') ? ['Brakes bedded in.'] : []),
  ];
}

/** What new or worked faces do at first. */
const AT_FIRST = 'The first stops may smell a little, sound a little and bite softly; that passes.';

const CAUTIONS = [
  'A soft or sinking pedal, a pull to one side or a grinding noise: stop, and call us.',
];

/** Reasons told before the rest is only counted: the page has one side. */
const MOST_REASONS = 5;

const shortened = (list: readonly { readonly say: string }[]): string[] =>
  list.length <= MOST_REASONS
    ? list.map(({ say }) => say)
    : [
        ...list.slice(0, MOST_REASONS - 1).map(({ say }) => say),
        `And ${list.length - MOST_REASONS + 1} more.`,
      ];

/** Everything that the owner is told of a job. */
export function ownerReport(job: Job, units: UnitSystem): OwnerReport {
  const { vehicle } = job;
  const say: Say = (um) => formatIn(units, 'deviation', um);
  const sayAs: SayAs = (um, role) => formatIn(units, role, um);
  const before = rotorCorners(job).map((corner) => judgeCorner(job, corner, 'before'));
  const outcome = outcomeOf(job);
  const { mustNotMove, notDone, isSigned, isSignedElsewhere } = standingOf(job);
  const isWorked = before.some(({ recorded }) => recorded !== null) || drumsWorked(job).length > 0;
  const told = before.map((each): Told => ({
    first: asFirstRead(job, each.corner),
    before: each,
    after: judgeCorner(job, each.corner, 'after'),
  }));
  return {
    head: {
      job: job.number,
      date: formatDate(job.closedAt ?? new Date(), 'D MMMM YYYY'),
      plate: vehicle.plate,
      vehicle: vehicleName(vehicle),
      odometer: job.odometerKm === null ? null : `${job.odometerKm} km`,
      complaint: job.complaint,
    },
    mustNotMove: shortened(mustNotMove),
    invented: tellInvented(job),
    notSigned: isSigned ? null : shortened(notDone),
    // Nothing reassures while the vehicle must not be driven, or where nobody here has signed.
    verdict:
      outcome && mustNotMove.length === 0 && !isSignedElsewhere
        ? { state: outcome.state, say: VERDICT_SAYS[outcome.state] }
        : null,
    found: foundOf(job, before, say, sayAs),
    agreed: sayAgreed(job),
    done: doneOf(job),
    figures: [
      ...told.flatMap((each) => figuresOf(each, say)),
      ...drumFigures(job).flatMap((row) => drumFigure(row, sayAs)),
    ],
    plots: told.flatMap(plotOf),
    due: [
      ...job.rechecks.filter(({ doneAt }) => doneAt === null).map((each) => `${sayDue(each)}.`),
      ...[sayPromise(job)].filter((line) => line !== null),
    ],
    // Where nothing was done at a brake none of that is to be expected.
    cautions: isWorked ? [AT_FIRST, ...CAUTIONS] : CAUTIONS,
    rules: rulesApplied(job).map(({ school }) => school.say),
    signed:
      isSigned && job.signedBy && job.closedAt
        ? `${job.signedBy}, ${formatDate(job.closedAt, 'D MMMM YYYY')}`
        : null,
  };
}
