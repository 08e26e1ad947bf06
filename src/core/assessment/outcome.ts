import type { Corner } from '../readings';
import type { VerdictState } from '../verdict';

/** How strongly a shake is felt, on the one scale that is used before and after. */
export const FEEL_WORDS = ['nothing', 'a hint', 'clear', 'strong', 'violent'] as const;

/** Where it is felt: 0 to 4 each, as in FEEL_WORDS. */
export interface Feel {
  readonly wheel: number;
  readonly pedal: number;
  readonly seat: number;
}

/** A corner that was corrected, as it was measured again. */
export interface ProvenCorner {
  readonly corner: Corner;
  readonly runout: VerdictState;
  readonly dtv: VerdictState;
}

/** What speaks for and against a cure. */
export interface ProofInput {
  readonly corners: readonly ProvenCorner[];
  /** Drums that were cut or renewed: against size and roundness together. */
  readonly drums?: readonly { readonly corner: Corner; readonly state: VerdictState }[];
  readonly feel: { readonly before: Feel | null; readonly after: Feel | null };
  /** Amplitude after over before while braking, at orders 1 and 2; null where not recorded twice. */
  readonly ratios: readonly { readonly order: number; readonly ratio: number }[] | null;
  /** What else keeps it from being called cured, in words. */
  readonly doubts?: readonly string[];
  /** What was found and goes on elsewhere, in words. */
  readonly referred?: readonly string[];
  /** Nothing was put right here: only found, told and referred. */
  readonly isOnlyReferred?: boolean;
}

export type OutcomeState = 'cured' | 'better' | 'not-cured' | 'not-proven' | 'referred';
export const OUTCOME_NAME: Readonly<Record<OutcomeState, string>> = {
  cured: 'Cured',
  better: 'Better',
  'not-cured': 'Not cured',
  'not-proven': 'Not proven',
  referred: 'Found and referred',
};

/** The verdict on a job, with what it rests on and what is left. */
export interface Outcome {
  readonly state: OutcomeState;
  readonly reasons: readonly string[];
  readonly left: readonly string[];
}

/** A recording counts as quiet below this share of what it was, and as unchanged above that. */
const QUIET = 0.35;
const UNCHANGED = 0.75;

const strongest = ({ wheel, pedal, seat }: Feel): number => Math.max(wheel, pedal, seat);

type Word = 'gone' | 'less' | 'there';

function feltWord({ before, after }: ProofInput['feel']): Word | null {
  if (!after) return null;
  const now = strongest(after);
  if (now === 0) return 'gone';
  return before && now < strongest(before) ? 'less' : 'there';
}

function recordedWord(ratios: ProofInput['ratios']): Word | null {
  if (!ratios || ratios.length === 0) return null;
  const most = Math.max(...ratios.map(({ ratio }) => ratio));
  if (most <= QUIET) return 'gone';
  return most < UNCHANGED ? 'less' : 'there';
}

const WORDS: Readonly<Record<Word, string>> = {
  gone: 'is gone',
  less: 'is less',
  there: 'is still there',
};

/** What is wrong with a corner, in words. */
function cornerReasons({ corner, runout, dtv }: ProvenCorner): string[] {
  const say = (what: string, state: VerdictState): string[] =>
    state === 'beyond' ? [`${corner}: ${what} is beyond its limit.`] : [];
  return [...say('runout', runout), ...say('thickness variation', dtv)];
}

/** What of a corner is not known for sure, in words. */
function cornerLeft({ corner, runout, dtv }: ProvenCorner): string[] {
  const say = (what: string, state: VerdictState): string[] => {
    if (state === 'too-close') return [`${corner}: ${what} is too close to its limit to call.`];
    if (state === 'not-measured') return [`${corner}: ${what} was not measured again.`];
    return state === 'not-valid' ? [`${corner}: ${what} was read again, but not validly.`] : [];
  };
  return [...say('runout', runout), ...say('thickness variation', dtv)];
}

/** What of a drum is not known for sure, in words. */
function drumLeft({
  say,
  state,
}: {
  readonly say: string;
  readonly state: VerdictState;
}): string[] {
  if (state === 'too-close') return [`${say} is too close to its limit to call.`];
  return state === 'not-measured'
    ? [`${say} was not judged again: its wear limit is not on file.`]
    : [];
}

/**
 * The verdict on a job after its corrections: cured where everything measured again is within
 * and the drive is quiet, not cured where something is beyond or the shake is as it was. What
 * was not driven or not measured is not proven. What was only found, told and referred is that,
 * and no cure. Source: handbook 16.
 */
export function judgeOutcome(input: ProofInput): Outcome {
  const felt = feltWord(input.feel);
  const recorded = recordedWord(input.ratios);
  const drums = (input.drums ?? []).map(({ corner, state }) => ({
    say: `${corner}: the drum`,
    state,
  }));
  const beyond = [
    ...input.corners.flatMap(cornerReasons),
    ...drums
      .filter(({ state }) => state === 'beyond')
      .map(({ say }) => `${say} is beyond its limit.`),
  ];
  const referred = input.referred ?? [];
  if (input.isOnlyReferred) return { state: 'referred', reasons: referred, left: [] };
  const left = [
    ...input.corners.flatMap(cornerLeft),
    ...drums.flatMap(drumLeft),
    ...(input.doubts ?? []),
    ...referred,
  ];
  const drive = [
    ...(felt ? [`Felt on the road: it ${WORDS[felt]}.`] : []),
    ...(recorded ? [`Recorded on the road: it ${WORDS[recorded]}.`] : []),
  ];
  const words = [felt, recorded].filter((word) => word !== null);
  const reasons = [...beyond, ...drive];
  if (beyond.length > 0 || words.includes('there')) {
    return { state: 'not-cured', reasons, left };
  }
  const undriven = words.length === 0 ? ['It was not driven again.'] : [];
  const unmeasured =
    input.corners.some(({ runout }) => ['not-measured', 'not-valid'].includes(runout)) ||
    drums.some(({ state }) => state === 'not-measured');
  if (undriven.length > 0 || unmeasured) {
    return { state: 'not-proven', reasons, left: [...undriven, ...left] };
  }
  const isClean = left.length === 0 && words.every((word) => word === 'gone');
  return { state: isClean ? 'cured' : 'better', reasons, left };
}

/** The largest amplitude of an order over the axes of a recording, while braking; null where none. */
function amplitudeOf(axes: RecordedAxes, order: number): number | null {
  const found = axes.flatMap(({ orders }) =>
    orders.flatMap((each) => (each.order === order && each.braking !== null ? [each.braking] : [])),
  );
  return found.length === 0 ? null : Math.max(...found);
}

type RecordedAxes = readonly {
  readonly orders: readonly { readonly order: number; readonly braking: number | null }[];
}[];

/**
 * Amplitude after over before at orders 1 and 2, braking, the strongest axis of each; null
 * where an order is missing in either. Source: handbook 16.
 */
export function amplitudeRatios(
  before: RecordedAxes,
  after: RecordedAxes,
): {
  readonly order: number;
  readonly before: number;
  readonly after: number;
  readonly ratio: number;
}[] {
  return [1, 2].flatMap((order) => {
    const was = amplitudeOf(before, order);
    const is = amplitudeOf(after, order);
    if (was === null || is === null || was === 0) return [];
    return [{ order, before: was, after: is, ratio: is / was }];
  });
}
