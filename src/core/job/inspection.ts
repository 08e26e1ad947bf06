import { condemnedParts, seenItems, type Condition } from '../procedure';
import { PROCEDURE } from '../contracts';
import type { SeenLook } from '../corner';
import type { Corner } from '../readings';
import { checksOfKind, findCheck } from './checks';
import { cornerPlan, isDrumAt, isOfOldRotor, looksOf, padsSay, partsStillOff } from './procedure';
import { correctedAt, correctionAt, CUT, rebuildItems } from './rebuildSteps';
import { rulesApplied } from './rulesApplied';
import type { Job } from './types';

/** What was seen at a corner, as the report tells it. */
export interface CornerInspection {
  readonly corner: Corner;
  /** Every item that is looked at, for the drawing of the corner. */
  readonly seen: readonly SeenLook[];
  /** What was found wrong, with its conditions in words and what was done about it. */
  readonly wrong: readonly {
    readonly name: string;
    readonly conditions: string;
    readonly putRight: string | null;
    /** Whether the vehicle stays where it is while it stands. */
    readonly isOffRoad: boolean;
  }[];
  readonly sound: readonly string[];
  readonly notLooked: readonly string[];
  readonly pads: readonly string[];
  /** Parts that the findings condemn. */
  readonly renew: readonly string[];
  /** Steps that were left out on purpose, with their reasons. */
  readonly leftOut: readonly string[];
  readonly inTray: readonly string[];
}

/**
 * How work on a rotor or drum that was done since took away what was seen of it, in words; null where
 * something of it stays: what is on the pads, or makes a pad idle, is cut away by nothing.
 */
function takenAway(
  job: Job,
  corner: Corner,
  item: string,
  found: readonly Condition[],
): string | null {
  const seen = findCheck(job, 'look', corner, item)?.seq ?? 0;
  const isDrum = isDrumAt(job, corner);
  if (
    found.every(({ goesWith }) => goesWith !== undefined) &&
    isOfOldRotor(job, { corner, item })
  ) {
    return `the ${isDrum ? 'drum' : 'rotor'} is a new one`;
  }
  const isCut = isDrum
    ? findCheck(job, 'drum', corner, 'decided')?.value.work === 'cut'
    : CUT.includes(correctionAt(job, corner) ?? '');
  const done = isDrum ? findCheck(job, 'drum', corner, 'done') : correctedAt(job, corner);
  const isGone = isCut && done !== undefined && done.seq > seen;
  return isGone && found.every(({ goesWith }) => goesWith === 'cut') ? 'cut away' : null;
}

/** What was found wrong at a corner, is not put right, and keeps no vehicle off the road: that blocks by itself. */
export const wrongLeft = (job: Job, corner: Corner): { say: string; isOfRebuild: boolean }[] => {
  const ofStrip = (cornerPlan(job, corner)?.items ?? []).map(({ name }) => name);
  return inspectionAt(job, corner)
    .wrong.filter(({ putRight, isOffRoad }) => putRight === null && !isOffRoad)
    .map(({ name, conditions }) => ({
      say: `${name.toLowerCase()} (${conditions})`,
      isOfRebuild: !ofStrip.includes(name),
    }));
};

/** What was seen at a corner: found wrong, sound, and not looked at, each by itself. */
export function inspectionAt(job: Job, corner: Corner): CornerInspection {
  const plan = cornerPlan(job, corner);
  const looks = looksOf(job).filter((look) => look.corner === corner);
  const items = [...(plan?.items ?? []), ...rebuildItems(job, corner)];
  const seen = seenItems(items, looks, corner);
  const named = (state: (typeof seen)[number]['state']): string[] =>
    seen.filter((each) => each.state === state).map(({ item }) => item.name);
  const all = seen.map(({ item, state, conditions }) => ({
    ...{ item: item.code, name: item.name, state, conditions },
    putRight:
      state === 'wrong'
        ? (findCheck(job, 'fixed', corner, item.code)?.note ??
          takenAway(job, corner, item.code, conditions))
        : null,
  }));
  return {
    corner,
    seen: all,
    wrong: all
      .filter(({ state }) => state === 'wrong')
      .map(({ name, conditions, putRight }) => ({
        name,
        conditions: conditions.map((each) => each.name.toLowerCase()).join(', '),
        putRight,
        isOffRoad: conditions.some(({ forbids }) => forbids.some(({ what }) => what === 'road')),
      })),
    sound: named('sound'),
    notLooked: named('not-looked'),
    pads: padsSay(job, corner).map(({ say }) => say),
    renew: condemnedParts(PROCEDURE, looks),
    leftOut: checksOfKind(job, 'step')
      .filter(({ place, value }) => place === corner && value === 'left-out')
      .map(({ item, note }) => {
        const title = plan?.steps.find(({ code }) => code === item)?.title ?? item;
        return `${title} (${note ?? ''})`;
      }),
    inTray: partsStillOff(job, corner).map(({ name }) => name),
  };
}

/** The list before lifting and the house rules as the report tells them. */
export interface JobProcedure {
  readonly lifting: { readonly done: number; readonly skipped: readonly string[] };
  readonly rules: readonly { readonly say: string; readonly reason: string | null }[];
}

/** How the job was gone about: what was left out before lifting, and the rules followed. */
export function procedureOf(job: Job): JobProcedure {
  const lifting = checksOfKind(job, 'lifting');
  return {
    lifting: {
      done: lifting.filter(({ value }) => value === 'done').length,
      skipped: lifting
        .filter(({ value }) => value === 'skipped')
        .map(({ item, note }) => {
          const say = PROCEDURE.lifting.find(({ code }) => code === item)?.say ?? item;
          return `${say} (${note ?? ''})`;
        }),
    },
    rules: rulesApplied(job).map(({ school, reason }) => ({ say: school.say, reason })),
  };
}

/** What was done at a corner before it was decided otherwise, in words. */
export function earlierAt(job: Job, corner: Corner): string[] {
  return (findCheck(job, 'decide', corner, 'earlier')?.value ?? []).map(({ words }) => words);
}
