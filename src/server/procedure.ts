import { PROCEDURE, readChoices, readSent, waitingSchema, type Waiting } from '../core/contracts';
import type { RuledOut } from '../core/assessment';
import type { RecordedFinding } from '../core/diagnosis';
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
  readFigure,
  rulesInForce,
  type Ban,
  type Context,
  type Look,
  type PadFigures,
  type RuleInForce,
} from '../core/procedure';
import { axleOf, CORNERS, type AxlePosition, type Corner } from '../core/readings';
import type { CheckRow, JobFile, TrayPartRow } from '../db/repositories';

/** What was written down of one kind. */
export const checksOfKind = (file: JobFile, kind: CheckRow['kind']): readonly CheckRow[] =>
  file.checks.filter((check) => check.kind === kind);

export const findCheck = (
  file: JobFile,
  kind: CheckRow['kind'],
  place: string,
  item: string,
): CheckRow | undefined =>
  file.checks.find((check) => check.kind === kind && check.place === place && check.item === item);

/** The house rules as this job follows them. */
export const rulesOf = (file: JobFile): RuleInForce[] =>
  rulesInForce(
    PROCEDURE,
    readChoices(file.shopRules),
    checksOfKind(file, 'rule').map(({ item, value, note }) => ({
      rule: item,
      school: String(value),
      reason: note ?? '',
    })),
  );

/** What decides steps and items at an axle of the job; null where the vehicle lacks it. */
export function contextAt(file: JobFile, position: AxlePosition): Context | null {
  const axle = file.vehicle.axles.find((each) => each.position === position);
  if (!axle) return null;
  return contextOf({ ...axle, isBrakeByWire: file.vehicle.brakeByWire }, rulesOf(file));
}

const asCorner = (place: string): Corner | undefined => CORNERS.find((each) => each === place);

/** The looks that were written down at corners. */
const writtenLooks = (file: JobFile): Look[] =>
  checksOfKind(file, 'look').flatMap(({ place, item, value }) => {
    const corner = asCorner(place);
    return corner && Array.isArray(value) ? [{ corner, item, found: value.map(String) }] : [];
  });

/** What was seen at the corners: written here, or answered before there was a place for it. */
export function looksOf(file: JobFile): Look[] {
  const looks = writtenLooks(file);
  const answered = file.findings.flatMap(({ code, value, corner: place }) => {
    const corner = asCorner(place);
    const look = corner && lookOfFinding(PROCEDURE, { code, value });
    return look && !lookAt(looks, corner, look.item) ? [{ ...look, corner }] : [];
  });
  return [...looks, ...answered];
}

/** Whether an answer of the nose is a look by another name. */
export const isLook = (code: string, value: string, corner: string): boolean =>
  asCorner(corner) !== undefined && lookOfFinding(PROCEDURE, { code, value }) !== null;

/** Pad thickness at a corner as measured. */
export function padsAt(file: JobFile, corner: Corner): PadFigures {
  const um = (item: string): number | null =>
    readFigure(findCheck(file, 'figure', corner, item)?.value)?.um ?? null;
  return {
    innerLeading: um('inner-leading'),
    innerTrailing: um('inner-trailing'),
    outerLeading: um('outer-leading'),
    outerTrailing: um('outer-trailing'),
  };
}

/** The corner on the other side of the axle. */
export const otherSide = (corner: Corner): Corner =>
  (({ FL: 'FR', FR: 'FL', RL: 'RR', RR: 'RL' }) as const)[corner];

/** What the pads of a corner say, along, across, and against the other side. */
export const padsSay = (file: JobFile, corner: Corner): ReturnType<typeof padMeanings> =>
  padMeanings(padsAt(file, corner), padsAt(file, otherSide(corner)));

/** A part of an axle that was held against the record and is not the right one. */
function partsFinding(file: JobFile, position: AxlePosition): RecordedFinding[] {
  const values = checksOfKind(file, 'parts')
    .filter(({ place, item }) => place === position && item !== 'none')
    .map(({ value }) => value);
  if (!values.includes('wrong')) return [];
  return [{ code: 'part-check', value: 'wrong' }];
}

/** Everything that the inspection tells the diagnosis. */
export function inspectionFindings(file: JobFile): RecordedFinding[] {
  const uneven = file.corners
    .filter((corner) => padsSay(file, corner).length > 0)
    .map((corner) => ({ code: 'pads-check', value: 'uneven', corner }));
  const looks = looksOf(file).filter(({ corner }) => file.corners.includes(corner));
  const parts = axlesOfJob(file).flatMap((position) => partsFinding(file, position));
  return [...findingsOfLooks(PROCEDURE, looks), ...uneven, ...parts];
}

/** Whether what was found wrong with an item was put right since. */
export const isPutRight = (file: JobFile, corner: Corner, item: string): boolean =>
  findCheck(file, 'fixed', corner, item) !== undefined;

/** All that the findings forbid now; what was put right keeps no vehicle off the road. */
export function bansOfJob(file: JobFile): Ban[] {
  const looks = looksOf(file).filter(({ corner }) => file.corners.includes(corner));
  const open = looks.filter(({ corner, item }) => !isPutRight(file, corner, item));
  const onRoad = bansOf(PROCEDURE, open).filter(({ what }) => what === 'road');
  return [...bansOf(PROCEDURE, looks).filter(({ what }) => what !== 'road'), ...onRoad];
}

/** Why the vehicle stays off the road, with the corners; empty where it need not. */
export const offTheRoad = (file: JobFile): string[] =>
  bansOfJob(file)
    .filter(({ what }) => what === 'road')
    .map(({ why, corner }) => `${corner}: ${why}`);

/** What findings and house rules rule out at a corner. */
export function ruledOutAt(file: JobFile, corner: Corner): RuledOut[] {
  const allowed = machiningAllowed(rulesOf(file));
  const found = bansOfJob(file)
    .filter((ban) => ban.corner === corner)
    .flatMap(({ what, why }): RuledOut[] => {
      if (what === 'second-cut') return allowed === 'once' ? [{ what: 'machining', why }] : [];
      return what === 'road' ? [] : [{ what, why }];
    });
  return allowed === 'never'
    ? [...found, { what: 'machining', why: 'house rule: rotors are replaced in pairs' }]
    : found;
}

/** What a job waits for, with who wrote it and when. */
export type WaitingFor = Waiting & Pick<CheckRow, 'by' | 'at' | 'stamp'>;

/** The job waiting for parts: what is missing, what is off and where it is; or null. */
export function waitingOf(file: JobFile): WaitingFor | null {
  const row = findCheck(file, 'waiting', '', 'waiting');
  const parsed = waitingSchema.safeParse(row?.value);
  return row && parsed.success
    ? { ...parsed.data, by: row.by, at: row.at, stamp: row.stamp }
    : null;
}

/** Rotors that are at another shop's lathe and not back yet, in the words of a wait. */
export const sentOut = (file: JobFile): WaitingFor[] =>
  file.corners.flatMap((corner) => {
    const row = findCheck(file, 'correct', corner, 'sent');
    const sent = readSent(row?.value);
    const isBack =
      findCheck(file, 'correct', corner, 'identity') &&
      findCheck(file, 'correct', corner, 'returned');
    if (!row || !sent || isBack) return [];
    const { by, at, stamp } = row;
    return [
      {
        missing: `the rotor of ${corner} is at another shop\u2019s lathe (${sent.to})`,
        off: `rotor ${corner}`,
        tagged: `job ${file.job.number}, ${corner}, ${sent.mark}`,
        by,
        at,
        stamp,
      },
    ];
  });

/** What keeps a correction from being done, in words; null where nothing does. */
export function notDoneYet(file: JobFile, corner: Corner): string | null {
  const has = (item: string): boolean => findCheck(file, 'correct', corner, item) !== undefined;
  const correction = file.decisions.find((each) => each.corner === corner)?.correction;
  if (correction === undefined) return 'Decide first what is done at this corner.';
  if (sentOut(file).some(({ off }) => off === `rotor ${corner}`)) {
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
export function slipOfCut(file: JobFile, corner: Corner, value: unknown): string | null {
  const figure = readFigure(value);
  const expected = file.decisions.find((each) => each.corner === corner)?.detail?.finished ?? null;
  if (figure === null || expected === null) return null;
  return Math.abs(figure.um - expected) > FAR_OFF
    ? `${figure.text} ${figure.unit} is far from the ${(expected / 1000).toFixed(3)} mm that the cut was to leave. Check the figure and its unit.`
    : null;
}

/** Everything that the job waits for; the vehicle is blocked from moving until it is there. */
export const waits = (file: JobFile): WaitingFor[] => {
  const parts = waitingOf(file);
  return parts ? [parts, ...sentOut(file)] : sentOut(file);
};

/** Right parts that came out wrong or missing, by axle. */
export const partsTrouble = (file: JobFile): readonly CheckRow[] =>
  checksOfKind(file, 'parts').filter(({ value }) => value === 'wrong' || value === 'missing');

/** The axles that the job's corners are on, front first. */
export const axlesOfJob = (file: JobFile): AxlePosition[] =>
  (['front', 'rear'] as const).filter((position) =>
    file.corners.some((corner) => axleOf(corner) === position),
  );

/** What applies at a corner of a job, or null where the vehicle lacks the axle. */
export function cornerPlan(file: JobFile, corner: Corner) {
  const context = contextAt(file, axleOf(corner));
  if (!context || !file.corners.includes(corner)) return null;
  return { context, steps: planSteps(PROCEDURE, context), items: lookItems(PROCEDURE, context) };
}

/** The tray of a corner as the rebuild asks for it: what is still in it. */
export const partsStillOff = (file: JobFile, corner?: Corner): TrayPartRow[] =>
  file.tray.filter(
    (part) => part.backAt === null && (corner === undefined || part.corner === corner),
  );

/** Steps, safety items and looks of a job by how far each is. */
export function progressAt(file: JobFile, corner: Corner) {
  const plan = cornerPlan(file, corner);
  if (!plan) return { steps: 0, stepsDone: 0, items: 0, looked: 0, wrong: 0 };
  const looks = looksOf(file).filter(
    (look) => look.corner === corner && plan.items.some(({ code }) => code === look.item),
  );
  const steps = checksOfKind(file, 'step').filter(
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
