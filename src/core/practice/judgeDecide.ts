import { type MeasuredSet } from '../assessment';
import { DEMO_SHOP } from '../bench';
import { actionRecord, sayMoney } from '../options';
import {
  minutesOf,
  READING_MINUTES,
  sayPace,
  type BenchAction,
  type BenchFault,
} from './benchWork';
import type { PracticeCase } from './case';
import { bestOf, plateFor } from './decideCase';
import { mountingsOf, MOVE } from './judgeApart';
import { judgeRead, type FigureBeside } from './judgeRead';
import { priceOf, wayOutcome, type Way, type WayOutcome } from './ways';

/** What came of a case of level “decide”. */
export interface DecideResult {
  /** Cured without harm, at no more than what the best way takes and a little. */
  readonly isRight: boolean;
  readonly isHarm: boolean;
  readonly figures: readonly FigureBeside[];
  /** What was decided, with what truly comes of it; null before. */
  readonly chosen: WayOutcome | null;
  /** What every way comes to from where the rotor was marked, its best one among them. */
  readonly ways: readonly WayOutcome[];
  readonly bestWay: WayOutcome;
  /** Parts and work that were spent, moves of the rotor among them, and a comeback. */
  readonly spent: number;
  readonly missed: readonly BenchFault[];
  readonly minutes: number;
  readonly best: number;
  readonly sentence: string;
  readonly errorUm: number | null;
}

/** How much dearer than the best way is as good. */
const AS_CHEAP = { factor: 1.3, more: 20 };
const DRAWS = 200;
/** Readings of a lap of runout that is closed, and of thickness. */
const LEAST_READINGS = 13 + 8;

/** Money of a case in words. */
export const sayCrowns = (amount: number): string => sayMoney(amount, DEMO_SHOP.prices.currency);

/** Why a vehicle comes back, by what is true after the work. */
function sayComeback({ runout, variation, least }: WayOutcome, own: PracticeCase): string {
  const { limits } = own;
  if (runout > limits.runout!.value) return 'runout is still beyond its limit';
  if (variation > limits.dtv!.value) return 'thickness variation is still beyond its limit';
  return least < limits.discard!.value ? 'it is below discard' : 'it is not within';
}

function sentenceOf(own: PracticeCase, result: Omit<DecideResult, 'sentence'>): string {
  const { figures, chosen, bestWay, isRight, minutes, best, spent } = result;
  if (!figures.some(({ found }) => found !== null)) {
    return 'Nothing was measured: read runout and thickness before you decide.';
  }
  if (!chosen) return 'Nothing was decided yet.';
  const bestName = actionRecord(bestWay.way).name.toLowerCase();
  if (chosen.harm === 'below-machine-to') {
    return `A cut ends below machine-to here: reckon what is left before the lathe is set up (best: ${bestName}).`;
  }
  if (chosen.harm === 'below-discard') {
    return 'It is below discard where it is thinnest: renew it, whatever else reads well.';
  }
  if (!chosen.isCured) return `It comes back: ${sayComeback(chosen, own)} (best: ${bestName}).`;
  if (!isRight) {
    return `Cured, but dear: ${sayCrowns(spent)} where ${bestName} takes ${sayCrowns(bestWay.cost)}.`;
  }
  return sayPace(minutes, best);
}

/**
 * What came of deciding about a rotor: the way that was chosen is done on the truth, from where the rotor
 * was last read; a plate is the one that the readings ask for.
 */
export function judgeDecide(
  own: PracticeCase,
  sets: readonly MeasuredSet[],
  actions: readonly BenchAction[],
  readings: number,
  way: Way | null,
): DecideResult {
  const { ways, luck } = own.decision!;
  const { figures, errorUm, missed } = judgeRead(own, sets, actions, readings);
  const runouts = sets.filter(({ kind }) => kind === 'runout');
  const shift = runouts.at(-1)?.shift ?? 0;
  const plate = way === 'plate' && runouts.length > 0 ? plateFor(own, sets, DRAWS) : null;
  const chosen = way && wayOutcome(own.virtual, shift, way, plate, luck);
  const moves = Math.max(0, mountingsOf(runouts) - 1);
  const spent = (chosen?.cost ?? 0) + moves * priceOf(['index']).cost;
  const bestWay = bestOf(ways);
  // A plate asks for a second mounting.
  const leastMoves = bestWay.way === 'plate' ? 1 : 0;
  const isCheap =
    spent <=
    AS_CHEAP.factor * (bestWay.cost + leastMoves * priceOf(['index']).cost) + AS_CHEAP.more;
  const result = {
    isRight: chosen !== null && chosen.isCured && chosen.harm === null && isCheap,
    isHarm: chosen !== null && chosen.harm !== null,
    ...{ figures, chosen, ways, bestWay, spent, missed, errorUm },
    minutes:
      minutesOf(actions) + READING_MINUTES * readings + MOVE * moves + (chosen?.minutes ?? 0),
    best:
      READING_MINUTES * (LEAST_READINGS + 13 * leastMoves) + MOVE * leastMoves + bestWay.minutes,
  };
  return { ...result, sentence: sentenceOf(own, result) };
}

/** What a way costs in parts and work, as it is asked. */
export const sayWay = (way: Way): string => {
  const { cost, minutes } = priceOf(actionRecord(way).items);
  return minutes === 0 ? 'costs nothing' : `${sayCrowns(cost)}, ${minutes} min`;
};
