import { isThinnerThan, thinnestReading, withoutZero } from '../assessment';
import { advisesNoDrive } from '../diagnosis';
import { isPedalDone, type PedalState } from '../procedure';
import type { Corner } from '../readings';
import { PROCEDURE } from '../contracts';
import { findCheck } from './checks';
import {
  droppedParts,
  goneTicks,
  readingsGone,
  seenTakenBack,
  setsPutAside,
  taken,
  type TakenBack,
} from './past';
import { choiceAt } from './choice';
import { drumReadingsGone } from './drums';
import { isLook, isPutRight, isRotorRenewed, looksOf } from './procedure';
import { axleAt, limitsOf } from './record';
import {
  BLEEDER,
  CALIPER_OFF,
  caliperWasOff,
  CUT,
  correctedAt,
  correctionAt,
  openedBy,
  PISTONS,
  pistonsMovedBy,
  UNDER_CALIPER,
  WHEEL_OFF,
  wheelWasOff,
} from './rebuildSteps';
import { oncePer } from '../remember';
import type { Job, Phase, ReadingSet } from './types';

/**
 * What must not be driven, as the record and its past say: the one judge that the pages, the
 * reports and every write ask. Source: handbook 15, 17.
 */

/** The thinnest place of a set in µm, its zero error taken out; null without any reading of thickness. */
function thinnestOf(set: ReadingSet): number | null {
  const thinnest = thinnestReading(set);
  return thinnest && withoutZero(thinnest.valueUm, set);
}

const least = (values: readonly (number | null | undefined)[]): number | null => {
  const known = values.filter((value) => typeof value === 'number');
  return known.length === 0 ? null : Math.min(...known);
};

/** The thinnest place that was read at a corner in some phases, whole sets and begun ones alike. */
const thinnestRead = (job: Job, corner: Corner, phases: readonly Phase[]): number | null =>
  least(
    job.sets
      .filter((set) => set.corner === corner && phases.includes(set.phase) && !set.setAsideAt)
      .map(thinnestOf),
  );

/** Discard thickness of a corner in µm, by the stricter figure; null where it is not on file. */
const discardAt = (job: Job, corner: Corner): number | null =>
  limitsOf(axleAt(job, corner)).discard?.value ?? null;

/**
 * The thinnest place of the rotor that is on a corner now, in µm: of everything that was read of
 * it, and of what a cut left. No rotor grows: what was read after the work counts alone only where
 * it is a new one. Null where nothing says how thick it is.
 */
export function thinnestNow(job: Job, corner: Corner): number | null {
  const isCut = CUT.includes(correctionAt(job, corner) ?? '') && correctedAt(job, corner);
  const finished = isCut
    ? (findCheck(job, 'correct', corner, 'finished') ??
      findCheck(job, 'correct', corner, 'returned'))
    : undefined;
  const phases = isRotorRenewed(job, corner)
    ? (['after'] as const)
    : (['as-found', 'before', 'after'] as const);
  return least([thinnestRead(job, corner, phases), finished?.value.um]);
}

/** Why the rotor of a corner may not go on the road as it is, or null. */
export function belowDiscardAt(job: Job, corner: Corner): string | null {
  const [now, discard] = [thinnestNow(job, corner), discardAt(job, corner)];
  return now !== null && discard !== null && now < discard
    ? `The rotor of ${corner} is below discard thickness: it is replaced.`
    : null;
}

/** Readings below discard that were put aside or read otherwise since. */
function thinReadingsGone(job: Job): TakenBack[] {
  const isBelow = (corner: Corner, um: number | null): boolean => {
    const discard = discardAt(job, corner);
    if (um === null || discard === null || isRotorRenewed(job, corner)) return false;
    return isThinnerThan(discard, um);
  };
  const putAside = setsPutAside(job);
  const aside = job.sets.flatMap((set): TakenBack[] => {
    const entry = putAside.get(set.id);
    if (!entry || !set.setAsideAt || !isBelow(set.corner, thinnestOf(set))) return [];
    return [taken(entry, `${set.corner}: a thickness below discard was put aside`, set.corner)];
  });
  const gone = readingsGone(job).flatMap(({ entry, setId, valueUm }): TakenBack[] => {
    const set = job.sets.find(({ id }) => id === setId);
    if (!set || !isBelow(set.corner, withoutZero(valueUm, set))) return [];
    const say = `${set.corner}: a reading below discard was changed (${(valueUm / 1000).toFixed(3)} mm)`;
    return [taken(entry, say, set.corner)];
  });
  return [...aside, ...gone];
}

/** Ticks and parts that said how far a corner was apart, where nothing else says it now. */
function workTakenBack(job: Job): TakenBack[] {
  const isToldAnyway = (corner: Corner | null, item: string): boolean => {
    if (!corner) return true;
    if (WHEEL_OFF.includes(item)) return wheelWasOff(job, corner);
    if (BLEEDER.includes(item)) return openedBy(job).length > 0;
    if (CALIPER_OFF.includes(item)) return caliperWasOff(job, corner);
    return PISTONS.includes(item) ? pistonsMovedBy(job).length > 0 : true;
  };
  const steps = goneTicks(job, 'step').flatMap(({ entry, place, item, value }): TakenBack[] => {
    const tick = taken(
      entry,
      `${place}: “${item.replace(/-/g, ' ')}” was ticked and taken back`,
      place,
    );
    return value !== 'done' || isToldAnyway(tick.corner, item) ? [] : [tick];
  });
  const methods = goneTicks(job, 'method').flatMap(({ entry, place }): TakenBack[] =>
    pistonsMovedBy(job).length > 0
      ? []
      : [taken(entry, `${place}: how the pistons were pushed back was taken back`, place)],
  );
  const opened = goneTicks(job, 'hydraulics').flatMap(({ entry, item }): TakenBack[] =>
    openedBy(job).length > 0 || !['opened', 'hose-off'].includes(item)
      ? []
      : [taken(entry, 'that the hydraulics were opened was taken back', '')],
  );
  const parts = droppedParts(job).flatMap(({ entry, corner, kind }): TakenBack[] =>
    !UNDER_CALIPER.includes(kind) || caliperWasOff(job, corner)
      ? []
      : [taken(entry, `${corner}: a part that was off was dropped from the tray`, corner)],
  );
  return [...steps, ...methods, ...opened, ...parts];
}

/** A pedal that sank and was taken back, unless it was pumped firm and held anew since. */
const sinkTakenBack = (job: Job, pedal: PedalState): TakenBack[] =>
  pedal.firm && pedal.held === 'held'
    ? []
    : goneTicks(job, 'pedal').flatMap(({ entry, value }) =>
        value === 'sank' ? [taken(entry, 'that the pedal sank was taken back', '')] : [],
      );

/** What kept the vehicle off the road, was taken back, and no lead has answered yet. */
export const takenBackOf = (job: Job, pedal: PedalState): TakenBack[] => [
  ...seenTakenBack(job),
  ...thinReadingsGone(job),
  ...drumReadingsGone(job),
  ...workTakenBack(job),
  ...sinkTakenBack(job, pedal),
];

/** Answers about the pedal that pumping it firm and holding it settles. */
const PEDAL_ANSWERS = ['pedal-feel', 'pump-test'];

/** What was answered, not looked at, and keeps the vehicle where it is. */
export const answeredDangers = oncePer((job: Job): readonly { code: string; say: string }[] =>
  job.findings.flatMap((finding) => {
    const { code, value, corner } = finding;
    const why = advisesNoDrive([{ code, value }]);
    if (why === null || isLook(code, value, corner)) return [];
    return [{ code, say: corner ? `${corner}: ${why}` : why }];
  }),
);

/** Groups of looks at whose parts metal can be on metal. */
const GRINDS: readonly string[] = ['pads', 'rotor', 'caliper', 'drum'];

/** Whether pads or metal were seen to since metal was on metal: nothing else ends it. */
const isGrindingSettled = (job: Job): boolean =>
  job.corners.some((corner) => {
    const action = correctionAt(job, corner);
    const isMetal = action !== null && (action.startsWith('machine') || action.endsWith('replace'));
    const isDone = correctedAt(job, corner) !== undefined;
    return isDone && (isMetal || choiceAt(job, corner).extras.includes('pads'));
  }) ||
  looksOf(job).some(
    ({ corner, item, found }) =>
      found.length > 0 &&
      GRINDS.includes(PROCEDURE.items.find(({ code }) => code === item)?.group ?? '') &&
      isPutRight(job, corner, item),
  );

/** Answers that keep the vehicle where it is as the work stands now. */
export function dangersLeft(job: Job, pedal: PedalState): string[] {
  const isWorkedOn = isGrindingSettled(job);
  return answeredDangers(job).flatMap(({ code, say }) => {
    if (PEDAL_ANSWERS.includes(code)) {
      return isPedalDone({ pedal })
        ? []
        : [`${say}: pump it firm, hold it for a minute, set the level`];
    }
    if (code !== 'noise') return [say];
    return isWorkedOn ? [] : [`${say}: say what was put right at its pads or its rotor`];
  });
}
