import { PROCEDURE, type Waiting } from '../contracts';
import type { RuledOut } from '../assessment';
import type { RecordedFinding } from '../diagnosis';
import {
  bansOf,
  contextOf,
  findingsOfLooks,
  lookAt,
  lookItems,
  lookOfFinding,
  machiningAllowed,
  padMeanings,
  planSteps,
  rulesInForce,
  type Ban,
  type Context,
  type Look,
  type PadFigures,
  type RuleInForce,
  type StoredFigure,
} from '../procedure';
import { axleOf, CORNERS, type AxlePosition, type Corner, otherSide } from '../readings';
import { checksOfKind, findCheck, isWritten, lengthAt } from './checks';
import { oncePer } from '../remember';
import type { Check, CheckOfKind, Job, TrayPart } from './types';

/** The house rules as this job follows them. */
export const rulesOf = oncePer((job: Job): RuleInForce[] =>
  rulesInForce(
    PROCEDURE,
    job.shopRules,
    checksOfKind(job, 'rule').map(({ item, value, note }) => ({
      rule: item,
      school: value,
      reason: note ?? '',
    })),
  ),
);

/** What decides steps and items at an axle of the job; null where the vehicle lacks it. */
export function contextAt(job: Job, position: AxlePosition): Context | null {
  const axle = job.vehicle.axles.find((each) => each.position === position);
  if (!axle) return null;
  return contextOf({ ...axle, isBrakeByWire: job.vehicle.brakeByWire }, rulesOf(job));
}

const asCorner = (place: string): Corner | undefined => CORNERS.find((each) => each === place);

/** The looks that were written down at corners. */
const writtenLooks = (job: Job): Look[] =>
  checksOfKind(job, 'look').map(({ place, item, value }) => ({
    corner: place,
    item,
    found: value,
  }));

/** What was seen at the corners: written here, or answered before there was a place for it. */
export const looksOf = oncePer((job: Job): Look[] => {
  const looks = writtenLooks(job);
  const answered = job.findings.flatMap(({ code, value, corner: place }) => {
    const corner = asCorner(place);
    const look = corner && lookOfFinding(PROCEDURE, { code, value });
    return look && !lookAt(looks, corner, look.item) ? [{ ...look, corner }] : [];
  });
  return [...looks, ...answered];
});

/** Whether an answer of the nose is a look by another name. */
export const isLook = (code: string, value: string, corner: string): boolean =>
  asCorner(corner) !== undefined && lookOfFinding(PROCEDURE, { code, value }) !== null;

/** Pad thickness at a corner as measured. */
export function padsAt(job: Job, corner: Corner): PadFigures {
  const um = (item: string): number | null => lengthAt(job, corner, item);
  return {
    innerLeading: um('inner-leading'),
    innerTrailing: um('inner-trailing'),
    outerLeading: um('outer-leading'),
    outerTrailing: um('outer-trailing'),
  };
}

/** Whether the wheel of a corner is braked by a drum. */
export const isDrumAt = (job: Pick<Job, 'vehicle'>, corner: Corner): boolean =>
  job.vehicle.axles.some(
    ({ position, caliper }) => position === axleOf(corner) && caliper === 'drum',
  );

/** What the pads of a corner say, along, across, and against the other side. */
export const padsSay = (job: Job, corner: Corner): ReturnType<typeof padMeanings> =>
  padMeanings(padsAt(job, corner), padsAt(job, otherSide(corner)));

/** A part of an axle that was held against the record and is not the right one. */
function partsFinding(job: Job, position: AxlePosition): RecordedFinding[] {
  const values = checksOfKind(job, 'parts')
    .filter(({ place, item }) => place === position && item !== 'none')
    .map(({ value }) => value);
  if (!values.includes('wrong')) return [];
  return [{ code: 'part-check', value: 'wrong' }];
}

/** Everything that the inspection tells the diagnosis. */
export function inspectionFindings(job: Job): RecordedFinding[] {
  const uneven = job.corners
    .filter((corner) => padsSay(job, corner).length > 0)
    .map((corner) => ({ code: 'pads-check', value: 'uneven', corner }));
  const looks = looksOf(job).filter(({ corner }) => job.corners.includes(corner));
  const parts = axlesOfJob(job).flatMap((position) => partsFinding(job, position));
  return [...findingsOfLooks(PROCEDURE, looks), ...uneven, ...parts];
}

/** What is at the end of its life where a finding keeps it off the road for good. */
const ENDED: readonly (string | undefined)[] = ['Rotor', 'Drum'];

const RENEWED = ['replace', 'hub-replace'];

/**
 * Where in the order of writing the rotor of a corner was renewed last, for the decision that
 * stands or for one before it in this job; null where it was not.
 */
function renewedAt(job: Job, corner: Corner): number | null {
  const done = findCheck(job, 'correct', corner, 'done');
  const now = job.decisions.find((each) => each.corner === corner)?.correction ?? '';
  const earlier = findCheck(job, 'decide', corner, 'earlier')?.value ?? [];
  const all = [...earlier, ...(done ? [{ correction: now, seq: done.seq }] : [])];
  const last = all.findLast(({ correction = '' }) => RENEWED.includes(correction));
  return last ? (last.seq ?? 0) : drumRenewedAt(job, corner);
}

/** Where in the order of writing the drum of a corner was renewed; null where it was not. */
function drumRenewedAt(job: Job, corner: Corner): number | null {
  const isNew = findCheck(job, 'drum', corner, 'decided')?.value.work === 'renew';
  return isNew ? (findCheck(job, 'drum', corner, 'done')?.seq ?? null) : null;
}

/** Whether the rotor of a corner, or its drum, is a new one by now. */
export const isRotorRenewed = (job: Job, corner: Corner): boolean =>
  renewedAt(job, corner) !== null;

/** Whether a look was of a rotor that was renewed since: what it found went with the rotor. */
export function isOfOldRotor(job: Job, { corner, item }: Pick<Look, 'corner' | 'item'>): boolean {
  const seen = findCheck(job, 'look', corner, item)?.seq ?? 0;
  return seen < (renewedAt(job, corner) ?? 0);
}

/** Whether a look says that the rotor is at the end of its life. */
export const endsRotor = ({ item, found }: Pick<Look, 'item' | 'found'>): boolean =>
  (PROCEDURE.items.find(({ code }) => code === item)?.conditions ?? []).some(
    ({ code, renew, forbids }) =>
      found.includes(code) && ENDED.includes(renew) && forbids.some(({ what }) => what === 'road'),
  );

/**
 * Whether what was found wrong with an item was put right since: somebody said so, and what must
 * show it does. A rotor at the end of its life is put right by a new one only.
 */
export function isPutRight(job: Job, corner: Corner, item: string): boolean {
  if (findCheck(job, 'fixed', corner, item) === undefined) return false;
  const look = lookAt(looksOf(job), corner, item);
  return !(look && endsRotor(look)) || isOfOldRotor(job, look);
}

/** All that the findings forbid now; what was put right keeps no vehicle off the road. */
export function bansOfJob(job: Job): Ban[] {
  const all = looksOf(job);
  const looks = all.filter(({ corner }) => job.corners.includes(corner));
  // A leak keeps the vehicle where it is, whichever corners the job is about.
  const open = all.filter(
    (look) =>
      !isPutRight(job, look.corner, look.item) && !(endsRotor(look) && isOfOldRotor(job, look)),
  );
  const onRoad = bansOf(PROCEDURE, open).filter(({ what }) => what === 'road');
  return [...bansOf(PROCEDURE, looks).filter(({ what }) => what !== 'road'), ...onRoad];
}

/** Why the vehicle stays off the road, with the corners; empty where it need not. */
export const offTheRoad = (job: Job): string[] =>
  bansOfJob(job)
    .filter(({ what }) => what === 'road')
    .map(({ why, corner }) => `${corner}: ${why}`);

/** What findings and house rules rule out at a corner. */
export function ruledOutAt(job: Job, corner: Corner): RuledOut[] {
  const allowed = machiningAllowed(rulesOf(job));
  const isComposite = job.vehicle.axles.some(
    ({ position, traits }) => position === axleOf(corner) && traits.includes('composite'),
  );
  const found = bansOfJob(job)
    .filter((ban) => ban.corner === corner)
    .flatMap(({ what, why }): RuledOut[] => {
      if (what === 'second-cut') return allowed === 'once' ? [{ what: 'machining', why }] : [];
      return what === 'road' ? [] : [{ what, why }];
    });
  return [
    ...found,
    ...(allowed === 'never'
      ? [{ what: 'machining' as const, why: 'house rule: rotors are replaced in pairs' }]
      : []),
    ...(isComposite
      ? [{ what: 'machining' as const, why: 'a composite rotor is never machined here' }]
      : []),
  ];
}

/** What a job waits for, with who wrote it and when. */
export type WaitingFor = Waiting & Pick<Check, 'by' | 'at' | 'stamp'>;

/** The job waiting for parts: what is missing, what is off and where it is; or null. */
export function waitingOf(job: Job): WaitingFor | null {
  const row = findCheck(job, 'waiting', '', 'waiting');
  return row ? { ...row.value, by: row.by, at: row.at, stamp: row.stamp } : null;
}

/** Rotors that are at another shop's lathe and not back yet, in the words of a wait. */
export const sentOut = (job: Job): WaitingFor[] =>
  job.corners.flatMap((corner) => {
    const row = findCheck(job, 'correct', corner, 'sent');
    const isBack =
      findCheck(job, 'correct', corner, 'identity') &&
      findCheck(job, 'correct', corner, 'returned');
    if (!row || isBack) return [];
    const { value: sent, by, at, stamp } = row;
    return [
      {
        missing: `the rotor of ${corner} is at another shop\u2019s lathe (${sent.to})`,
        off: `rotor ${corner}`,
        tagged: `job ${job.number}, ${corner}, ${sent.mark}`,
        by,
        at,
        stamp,
      },
    ];
  });

/** What keeps a correction from being done, in words; null where nothing does. */
export function notDoneYet(job: Job, corner: Corner): string | null {
  const has = (item: string): boolean => isWritten(job, 'correct', corner, item);
  const correction = job.decisions.find((each) => each.corner === corner)?.correction;
  if (correction === undefined) return 'Decide first what is done at this corner.';
  if (sentOut(job).some(({ off }) => off === `rotor ${corner}`)) {
    return 'The rotor is not back yet: confirm its mark and its thickness on return.';
  }
  if (correction === 'plate' && !(has('maker-allows') && has('threads'))) {
    return 'Confirm that the vehicle maker allows a plate, and that thread engagement was checked.';
  }
  const isCut = correction === 'machine-bench' || correction === 'machine-on-vehicle';
  if (isCut && !(has('finished') || has('returned'))) {
    return 'Write down the thickness that was measured after the cut first.';
  }
  return null;
}

/** No cut misses its plan by more: the figure or its unit is a slip of the hand. In µm. */
const FAR_OFF = 2000;

/** Why a thickness after a cut cannot be what was measured, in words; null where it can. */
export function slipOfCut(job: Job, corner: Corner, figure: StoredFigure): string | null {
  const expected = job.decisions.find((each) => each.corner === corner)?.detail?.finished ?? null;
  if (expected === null) return null;
  return Math.abs(figure.um - expected) > FAR_OFF
    ? `${figure.text} ${figure.unit} is far from the ${(expected / 1000).toFixed(3)} mm that the cut was to leave. Check the figure and its unit.`
    : null;
}

/** Everything that the job waits for; the vehicle is blocked from moving until it is there. */
export const waits = (job: Job): WaitingFor[] => {
  const parts = waitingOf(job);
  return parts ? [parts, ...sentOut(job)] : sentOut(job);
};

/** Right parts that came out wrong or missing, by axle. */
export const partsTrouble = (job: Job): readonly CheckOfKind<'parts'>[] =>
  checksOfKind(job, 'parts').filter(({ value }) => value === 'wrong' || value === 'missing');

/** The axles that the job's corners are on, front first. */
export const axlesOfJob = (job: Job): AxlePosition[] =>
  (['front', 'rear'] as const).filter((position) =>
    job.corners.some((corner) => axleOf(corner) === position),
  );

/** What applies at a corner of a job, or null where the vehicle lacks the axle. */
export function cornerPlan(job: Job, corner: Corner) {
  const context = contextAt(job, axleOf(corner));
  if (!context || !job.corners.includes(corner)) return null;
  return { context, steps: planSteps(PROCEDURE, context), items: lookItems(PROCEDURE, context) };
}

/** The tray of a corner as the rebuild asks for it: what is still in it. */
export const partsStillOff = (job: Job, corner?: Corner): TrayPart[] =>
  job.tray.filter(
    (part) => part.backAt === null && (corner === undefined || part.corner === corner),
  );

/** Steps, safety items and looks of a job by how far each is. */
export function progressAt(job: Job, corner: Corner) {
  const plan = cornerPlan(job, corner);
  if (!plan) return { steps: 0, stepsDone: 0, items: 0, looked: 0, wrong: 0 };
  const looks = looksOf(job).filter(
    (look) => look.corner === corner && plan.items.some(({ code }) => code === look.item),
  );
  const steps = checksOfKind(job, 'step').filter(
    ({ place, item }) => place === corner && plan.steps.some(({ code }) => code === item),
  );
  return {
    steps: plan.steps.length,
    stepsDone: steps.length,
    items: plan.items.length,
    looked: looks.length,
    wrong: looks.filter(({ found }) => found.length > 0).length,
  };
}
