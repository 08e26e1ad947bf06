import {
  assessHubFace,
  assessRunout,
  assessThickness,
  dtvLimit,
  hubFaceLimit,
  lapsOf,
  measuredSet,
  runoutLimit,
  sayAdvice,
  type Advice,
  type AdviceWords,
  type CornerRecord,
  type RawSet,
} from '@/core/assessment';
import type { RunoutResult } from '@/core/runout';
import type { ThicknessFigures, ThicknessResult } from '@/core/thickness';
import type { Micrometres } from '@/core/units';
import { WORKSHOP_DEFAULTS } from '@/core/verdict';
import type { BenchCorner, BenchSet } from './model';

export type SetResult =
  | { readonly kind: 'runout'; readonly runout: RunoutResult; readonly isHub: boolean }
  | {
      readonly kind: 'thickness';
      readonly figures: ThicknessFigures;
      readonly verdicts: ThicknessResult | null;
    };

/** What the solvers say of one set; null while no lap is whole. */
export function solveSet(set: BenchSet, corner: BenchCorner): SetResult | null {
  const measured = measuredSet(set);
  if (!measured) return null;
  if (measured.kind === 'runout') {
    const runout = assessRunout(measured, corner.studs, corner.limits);
    return { kind: 'runout', runout, isHub: false };
  }
  if (measured.kind === 'hub') {
    return { kind: 'runout', runout: assessHubFace(measured, corner.studs), isHub: true };
  }
  return { kind: 'thickness', ...assessThickness(measured, corner.limits) };
}

/** The limit that a set is read against: of the hub face, the rotor's runout, or its variation. */
export function limitOf(
  set: Pick<RawSet, 'kind' | 'radiusUm'> | undefined,
  { limits }: Pick<BenchCorner, 'limits'>,
): Micrometres {
  if (set?.kind === 'thickness') return dtvLimit(limits).value;
  if (set?.kind !== 'hub') return runoutLimit(limits).value;
  return hubFaceLimit(set.radiusUm ?? WORKSHOP_DEFAULTS.hubFaceRadius);
}

/** What the rotor shows: the averages when they exist, else the lap as far as it is read. */
export function drawnValues(
  set: BenchSet,
  result: SetResult | null,
  lap: number,
): (number | null)[] {
  if (result?.kind === 'runout') return [...result.runout.averaged];
  if (result?.kind === 'thickness') return [...result.figures.averaged];
  const sign = set.kind === 'runout' && set.face === 'inboard' ? -1 : 1;
  return (lapsOf(set)[lap] ?? []).map((value) => (value === null ? null : sign * value));
}

/** The complete sets that count, each with what the solvers take of it. */
export const measuredOf = (sets: readonly BenchSet[]) =>
  sets.flatMap((set) => {
    const measured = set.isAside ? null : measuredSet(set);
    return measured ? [{ set, measured }] : [];
  });

/** The corner as the solvers take it: the complete sets that count. */
export const recordOf = (sets: readonly BenchSet[], corner: BenchCorner): CornerRecord => ({
  ...corner,
  sets: measuredOf(sets).map(({ measured }) => measured),
});

/** More laps than this nobody takes: a finer gauge or another way is needed. */
const MOST_LAPS_ADVISED = 10;

/** What follows a set that was read, from its own result and the corner's advice. */
export function advisedStep(
  result: SetResult | null,
  advice: Advice | null,
): 'again' | 'mounting' | 'lap' | 'next' {
  if (result?.kind === 'runout' && result.runout.verdict.state === 'not-valid') return 'again';
  if (advice?.kind === 'second-mounting') return 'mounting';
  const isOfThisSet =
    advice?.kind === 'too-close' && (advice.what === 'runout') === (result?.kind === 'runout');
  return isOfThisSet && advice.laps !== null && advice.laps <= MOST_LAPS_ADVISED ? 'lap' : 'next';
}

/** A move that is this likely to end within is said on the bench: hardly anything costs less. */
const SURE = 0.95;

/**
 * An advice in the words of the bench. Which correction is taken depends on prices too: that is
 * said where the options stand side by side, unless a move surely does or the rotor is scrap.
 */
export function sayOnBench(advice: Advice, corner: BenchCorner): AdviceWords {
  const isPriced =
    (advice.kind === 'index' && advice.probability < SURE) ||
    advice.kind === 'hub' ||
    advice.kind === 'machine' ||
    (advice.kind === 'replace' && advice.why !== 'below-discard' && advice.why !== 'condemned');
  return isPriced
    ? {
        todo: 'Everything is read here: decide.',
        why: 'Runout or thickness variation is beyond its limit. What cures it, and what each way costs, stands side by side on Decide.',
      }
    : sayAdvice(advice, corner);
}
