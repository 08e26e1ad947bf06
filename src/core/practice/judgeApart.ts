import { assessRunout, type MeasuredSet } from '../assessment';
import { comesBack, type BenchFaults, type ComesBack, type VirtualCorner } from '../bench';
import type { Micrometres } from '../units';
import type { VerdictState } from '../verdict';
import {
  DIAL_LAP,
  faultsLeft,
  leastAtBench,
  minutesOf,
  missedOf,
  READING_MINUTES,
  sayPace,
  workOf,
  type BenchAction,
  type BenchFault,
} from './benchWork';
import { errorOf, type PlaceBeside } from './judgeRead';
import type { Source } from './apartCase';
import type { PracticeCase } from './case';
import { faceOf, runoutByShift, swingOf } from './truth';

/** What came of a case of level “apart”. */
export interface ApartResult {
  /** The source is named, and it stays as well as it can. */
  readonly isRight: boolean;
  /** It goes back on the road beyond, called within. */
  readonly isHarm: boolean;
  readonly said: Source | null;
  readonly source: Source;
  /** Stud spacings at which it stays, what was found there and what is true; null where nothing was read. */
  readonly stays: {
    readonly shift: number;
    readonly found: Micrometres;
    readonly state: VerdictState;
    readonly truth: Micrometres;
    /** When and why it comes back, driven on as it stays. */
    readonly comesBack: ComesBack | null;
  } | null;
  /** The best that can be had by cleaning and moving, and where. */
  readonly possible: { readonly shift: number; readonly truth: Micrometres };
  readonly limit: Micrometres;
  readonly missed: readonly BenchFault[];
  readonly mountings: number;
  readonly minutes: number;
  readonly best: number;
  readonly sentence: string;
  readonly places: readonly PlaceBeside[];
  /** Root mean square of the last mounting’s errors in µm; null where nothing was read. */
  readonly errorUm: Micrometres | null;
}

/** Minutes of moving the rotor on. */
export const MOVE = 8;

/** How often the rotor was mounted for sets of runout, in their order. */
export const mountingsOf = (runouts: readonly MeasuredSet[]): number =>
  runouts.filter(({ shift }, i) => i === 0 || shift !== runouts[i - 1]!.shift).length;
/** How much worse than the best place is as good. */
const AS_GOOD: Micrometres = 8;

/** Where runout comes from, and how that shows. */
export const SOURCE_SAY: Readonly<Record<Source, string>> = {
  hub: 'the hub: it follows no move of the rotor',
  rotor: 'the rotor: it goes round with it',
  both: 'hub and rotor together: moved against each other they cancel',
  dirt: 'dirt under the hat: cleaned, it is gone',
  nuts: 'uneven nuts: drawn up in the star, it is gone',
};

/** The least minutes: both looks, what is found put right, one mounting, a second where it tells, and the best. */
function bestMinutes(own: PracticeCase): number {
  const moves = { hub: 1, rotor: 1, both: 2, dirt: 0, nuts: 0 }[own.source!];
  return leastAtBench(own) + READING_MINUTES * DIAL_LAP * (moves + 1) + MOVE * moves;
}

function sentenceOf(result: Omit<ApartResult, 'sentence'>): string {
  const { stays, missed, said, source, possible, limit, isRight, minutes, best } = result;
  if (!stays) return 'Runout was not measured: read it before you say where it comes from.';
  if (missed[0]) return workOf(missed[0]).lesson;
  if (stays.truth > possible.truth + AS_GOOD && possible.truth <= limit) {
    return 'A better place was there: read a second mounting, and move to where both cancel.';
  }
  if (said !== source) return `It comes from ${SOURCE_SAY[source]}.`;
  if (!isRight) return 'The place was settled by chance: read on until the verdict stands.';
  return sayPace(minutes, best);
}

/** A corner with what still tilts its rotor at a shift: it stands still with the hub, like the hub’s own runout. */
function asItStays(corner: VirtualCorner, { dirt, nuts }: BenchFaults, shift: number) {
  const tilts = [dirt?.shift === shift ? dirt : null, nuts ?? null].flatMap((tilt) =>
    tilt ? [{ order: 1, amplitude: tilt.amplitude, highSpotDeg: tilt.at }] : [],
  );
  return { ...corner, hub: [...corner.hub, ...tilts] };
}

/**
 * What came of telling apart where runout comes from: the source that was named, where the rotor stays
 * (its last mounting) and how good that is beside the best that cleaning and moving can do.
 */
export function judgeApart(
  own: PracticeCase,
  sets: readonly MeasuredSet[],
  actions: readonly BenchAction[],
  readings: number,
  said: Source | null,
): ApartResult {
  const { virtual, limits, studs, faults } = own;
  const limit = limits.runout!.value;
  const left = faultsLeft(faults, actions);
  const runouts = sets.filter((each) => each.kind === 'runout');
  const last = runouts.at(-1);
  const result = last && assessRunout(last, studs, limits);
  const at = last && faceOf(virtual, left, last.shift);
  const stays =
    last && result && at
      ? {
          shift: last.shift,
          found: result.verdict.value ?? result.tirFitted,
          state: result.verdict.state,
          truth: swingOf(at),
          comesBack: comesBack(asItStays(virtual, left, last.shift), last.shift, {
            variation: limits.dtv!.value,
            discard: limits.discard!.value,
          }),
        }
      : null;
  const all = runoutByShift(virtual);
  const least = Math.min(...all);
  const possible = { shift: all.indexOf(least), truth: least };
  const mountings = mountingsOf(runouts);
  const zero = result?.averaged[0] ?? 0;
  // Where no place cures it, it is cut or renewed: where it sits meanwhile is all the same.
  const isGood = stays !== null && (stays.truth <= limit || least > limit);
  const places = (result?.angles ?? []).map((angleDeg, i) => ({
    angleDeg,
    read: result!.averaged[i]! - zero,
    truth: at!(angleDeg) - at!(0),
  }));
  const common = {
    isRight: isGood && said === own.source,
    isHarm: stays !== null && stays.state === 'within' && stays.truth > limit,
    ...{ said, source: own.source!, stays, possible, limit, mountings },
    missed: missedOf(own, actions),
    minutes: minutesOf(actions) + READING_MINUTES * readings + MOVE * Math.max(0, mountings - 1),
    best: bestMinutes(own),
    places,
    errorUm: errorOf(places),
  };
  return { ...common, sentence: sentenceOf(common) };
}
