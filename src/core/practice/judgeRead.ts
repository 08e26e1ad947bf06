import { assessRunout, assessThickness, type MeasuredSet } from '../assessment';
import { waveAt } from '../harmonics';
import { meanOf } from '../numeric';
import { apartDeg } from '../quality';
import type { VerdictState } from '../verdict';
import { comesBack, trueRunout, trueThicknessAt, type ComesBack } from '../bench';
import { toRadians, type Degrees, type Micrometres } from '../units';
import {
  DIAL_LAP,
  GAUGES_OF,
  leastAtBench,
  minutesOf,
  missedOf,
  READING_MINUTES,
  sayPace,
  workOf,
  type BenchAction,
  type BenchFault,
} from './benchWork';
import type { PracticeCase } from './case';

/** A figure that was found beside the true one. */
export interface FigureBeside {
  readonly what: 'runout' | 'variation' | 'least';
  readonly found: Micrometres | null;
  readonly truth: Micrometres;
  readonly limit: Micrometres;
  readonly state: VerdictState;
  readonly trueState: 'within' | 'beyond';
  readonly isRight: boolean;
}

/** One place with what was read there and what is true. */
export interface PlaceBeside {
  readonly angleDeg: Degrees;
  readonly read: Micrometres;
  readonly truth: Micrometres;
}

export interface ReadResult {
  /** Every figure is right, and where the rotor stands out. */
  readonly isRight: boolean;
  /** A rotor that is beyond goes back on the road as one that is within. */
  readonly harm: FigureBeside | null;
  readonly figures: readonly FigureBeside[];
  /** How far the high spot was found from the true one; null where runout was not read. */
  readonly highOff: Degrees | null;
  readonly missed: readonly BenchFault[];
  readonly minutes: number;
  readonly best: number;
  /** One sentence: what to do better, or that nothing was to be done better. */
  readonly sentence: string;
  /** Root mean square of the readings’ errors in µm; null where nothing was read. */
  readonly errorUm: Micrometres | null;
  /** When and why it comes back, left as it truly is and driven on. */
  readonly comesBack: ComesBack | null;
  readonly places: {
    readonly runout: readonly PlaceBeside[];
    readonly thickness: readonly PlaceBeside[];
  };
}

/** How near a figure is right: what the best way keeps with a margin. */
const NEAR = { runout: 8, variation: 5, least: 15, highDeg: 25 } as const;
const MICROMETER_PLACES = 8;

const stateOf = (isWithin: boolean): 'within' | 'beyond' => (isWithin ? 'within' : 'beyond');

/** The least minutes in which a case is read right: every look, what is found put right, and the readings. */
export function bestMinutes(own: PracticeCase): number {
  const readings = { dial: DIAL_LAP, micrometer: MICROMETER_PLACES };
  return GAUGES_OF[own.subject].reduce(
    (sum, gauge) => sum + READING_MINUTES * readings[gauge],
    leastAtBench(own),
  );
}

interface Read {
  readonly figures: FigureBeside[];
  readonly highOff: Degrees | null;
  readonly places: PlaceBeside[];
}

function readRunout(own: PracticeCase, sets: readonly MeasuredSet[]): Read {
  const { limits, studs, truth, virtual } = own;
  const set = sets.findLast((each) => each.kind === 'runout');
  const limit = limits.runout!.value;
  const figure = {
    ...{ what: 'runout' as const, truth: truth.runout, limit },
    trueState: stateOf(truth.runout <= limit),
  };
  if (!set) {
    const none = { ...figure, found: null, state: 'not-measured' as const, isRight: false };
    return { figures: [none], highOff: null, places: [] };
  }
  const result = assessRunout(set, studs, limits);
  const { value, state } = result.verdict;
  const found = value ?? result.tirFitted;
  const wave = trueRunout(virtual, 0);
  const at = (angle: Degrees): Micrometres => waveAt(wave, toRadians(angle)) - waveAt(wave, 0);
  const zero = result.averaged[0] ?? 0;
  const first = result.orders.find(({ order }) => order === 1);
  return {
    figures: [
      {
        ...{ ...figure, found, state },
        isRight: Math.abs(found - truth.runout) <= NEAR.runout && state === figure.trueState,
      },
    ],
    highOff: first ? apartDeg(first.highSpotDeg, truth.highDeg) : null,
    places: result.angles.map((angleDeg, i) => ({
      angleDeg,
      read: result.averaged[i]! - zero,
      truth: at(angleDeg),
    })),
  };
}

function readThickness(own: PracticeCase, sets: readonly MeasuredSet[]): Read {
  const { limits, truth, virtual } = own;
  const set = sets.findLast((each) => each.kind === 'thickness');
  const [dtv, discard] = [limits.dtv!.value, limits.discard!.value];
  const variation = {
    ...{ what: 'variation' as const, truth: truth.variation, limit: dtv },
    trueState: stateOf(truth.variation <= dtv),
  };
  const least = {
    ...{ what: 'least' as const, truth: truth.least, limit: discard },
    trueState: stateOf(truth.least >= discard),
  };
  if (!set) {
    const none = { found: null, state: 'not-measured' as const, isRight: false };
    return {
      figures: [
        { ...variation, ...none },
        { ...least, ...none },
      ],
      highOff: null,
      places: [],
    };
  }
  const { figures, verdicts } = assessThickness(set, limits);
  const leastState = verdicts?.verdicts.discard.state ?? 'not-measured';
  return {
    figures: [
      {
        ...{ ...variation, found: figures.dtv, state: figures.dtvVerdict.state },
        isRight:
          Math.abs(figures.dtv - truth.variation) <= NEAR.variation &&
          figures.dtvVerdict.state === variation.trueState,
      },
      {
        ...{ ...least, found: figures.min, state: leastState },
        isRight:
          Math.abs(figures.min - truth.least) <= NEAR.least && leastState === least.trueState,
      },
    ],
    highOff: null,
    places: figures.angles.map((angleDeg, i) => ({
      angleDeg,
      read: figures.averaged[i]!,
      truth: trueThicknessAt(virtual, 0, toRadians(angleDeg)),
    })),
  };
}

const FIGURE_WORD = {
  runout: 'runout',
  variation: 'thickness variation',
  least: 'least thickness',
};

/** What to do better, in one sentence; the worst first. */
function sentenceOf(
  result: Omit<ReadResult, 'sentence'>,
  unsettled: FigureBeside | undefined,
): string {
  const { harm, missed, isRight, minutes, best, figures } = result;
  const [first] = missed;
  if (first && !isRight) return workOf(first).lesson;
  const unread = figures.find(({ state }) => state === 'not-measured');
  if (unread)
    return `The ${FIGURE_WORD[unread.what]} was not measured: read it before you say you are done.`;
  if (unsettled) {
    return `The ${FIGURE_WORD[unsettled.what]} was not settled: read on until the verdict stands.`;
  }
  if (harm)
    return `A rotor that is beyond was called within: read the ${FIGURE_WORD[harm.what]} again.`;
  if (!isRight) return 'The bench is in order, the figures are not: take the readings again.';
  if (first) return `The figures are right by luck: ${workOf(first).lesson}`;
  return sayPace(minutes, best);
}

/** Root mean square of how far readings are from the truth. */
export const errorOf = (places: readonly PlaceBeside[]): Micrometres | null =>
  places.length === 0
    ? null
    : Math.sqrt(meanOf(places.map(({ read, truth }) => (read - truth) ** 2)));

/**
 * What came of a case of level “read”: figures beside the truth, harm, minutes, and what to do better.
 * Sets are those that count, in the order in which they were begun; `readings` counts every reading taken.
 */
export function judgeRead(
  own: PracticeCase,
  sets: readonly MeasuredSet[],
  actions: readonly BenchAction[],
  readings: number,
): ReadResult {
  const gauges = GAUGES_OF[own.subject];
  // The corner is asked for as it is marked: what was read of another seat answers something else.
  const asMarked = sets.filter(({ shift }) => shift === 0);
  const dial = gauges.includes('dial') ? readRunout(own, asMarked) : null;
  const micrometer = gauges.includes('micrometer') ? readThickness(own, asMarked) : null;
  const figures = [...(dial?.figures ?? []), ...(micrometer?.figures ?? [])];
  const highOff = dial?.highOff ?? null;
  const places = { runout: dial?.places ?? [], thickness: micrometer?.places ?? [] };
  const isPlaced = highOff === null || highOff <= NEAR.highDeg;
  const result = {
    isRight: figures.every(({ isRight }) => isRight) && isPlaced,
    harm: figures.find((each) => each.trueState === 'beyond' && each.state === 'within') ?? null,
    ...{ figures, highOff, missed: missedOf(own, actions) },
    minutes: minutesOf(actions) + READING_MINUTES * readings,
    best: bestMinutes(own),
    places,
    comesBack: comesBack(own.virtual, 0, {
      variation: own.limits.dtv!.value,
      discard: own.limits.discard!.value,
    }),
    errorUm: errorOf([...places.runout, ...places.thickness]),
  };
  const unsettled = figures.find(({ state }) => state === 'too-close' || state === 'not-valid');
  return { ...result, sentence: sentenceOf(result, unsettled) };
}
