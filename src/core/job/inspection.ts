import { condemnedParts, seenItems } from '../procedure';
import { PROCEDURE } from '../contracts';
import type { Corner } from '../readings';
import { checksOfKind, findCheck } from './checks';
import { cornerPlan, isDrumAt, isOfOldRotor, looksOf, padsSay, partsStillOff } from './procedure';
import { correctedAt, correctionAt, CUT, rebuildItems } from './rebuildSteps';
import { rulesApplied } from './rulesApplied';
import type { Job } from './types';

/** What was seen at a corner, as the report tells it. */
export interface CornerInspection {
  readonly corner: Corner;
  /** What was found wrong, with its conditions in words and what was done about it. */
  readonly wrong: readonly {
    readonly name: string;
    readonly conditions: string;
    readonly putRight: string | null;
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

/** What is seen on a face and goes with the metal of it. */
const ON_FACE: readonly string[] = ['faces', 'wear', 'drum-face'];

/** How work that was done since took away what was seen on a face, in words; null where none did. */
function takenAway(job: Job, corner: Corner, item: string): string | null {
  if (!ON_FACE.includes(item)) return null;
  if (isOfOldRotor(job, { corner, item })) {
    return isDrumAt(job, corner) ? 'the drum is a new one' : 'the rotor is a new one';
  }
  const isCut = CUT.includes(correctionAt(job, corner) ?? '');
  const isDrumCut = findCheck(job, 'drum', corner, 'decided')?.value.work === 'cut';
  const done = isDrumAt(job, corner)
    ? isDrumCut && findCheck(job, 'drum', corner, 'done')
    : isCut && correctedAt(job, corner);
  const seen = findCheck(job, 'look', corner, item)?.seq ?? 0;
  return done && done.seq > seen ? 'cut away' : null;
}

/** What was seen at a corner: found wrong, sound, and not looked at, each by itself. */
export function inspectionAt(job: Job, corner: Corner): CornerInspection {
  const plan = cornerPlan(job, corner);
  const looks = looksOf(job).filter((look) => look.corner === corner);
  const items = [...(plan?.items ?? []), ...rebuildItems(job, corner)];
  const seen = seenItems(items, looks, corner);
  const named = (state: (typeof seen)[number]['state']): string[] =>
    seen.filter((each) => each.state === state).map(({ item }) => item.name);
  return {
    corner,
    wrong: seen
      .filter(({ state }) => state === 'wrong')
      .map(({ item, conditions }) => ({
        name: item.name,
        conditions: conditions.map(({ name }) => name.toLowerCase()).join(', '),
        putRight:
          findCheck(job, 'fixed', corner, item.code)?.note ?? takenAway(job, corner, item.code),
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
