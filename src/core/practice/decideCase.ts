import { assessCorner, type CornerRecord, type MeasuredSet } from '../assessment';
import { trueRunout, trueThicknessAt, type VirtualCorner } from '../bench';
import { waveAt } from '../harmonics';
import type { RandomSource } from '../numeric';
import { compareOptions, type Option } from '../options';
import { evenAngles } from '../readings';
import { toRadians } from '../units';
import { wearByDefault } from '../wear';
import { between, DISCARD, NOMINAL } from './draw';
import { MACHINE_TO, setupOf, WAYS, wayOutcome, type Way, type WayOutcome } from './ways';

/** What a case is drawn for: the way that does it at the least cost. */
const TARGETS = ['leave', 'plate', 'cut', 'worn', 'no-metal'] as const;
type Target = (typeof TARGETS)[number];

type Range = readonly [number, number];

/** First orders as highest less lowest, thickness variation likewise, and the mean thickness: from, to. */
const DRAWN: Readonly<Record<Target, { hub: Range; rotor: Range; variation: Range; mean: Range }>> =
  {
    leave: {
      hub: [4, 12],
      rotor: [8, 16],
      variation: [1, 5],
      mean: [DISCARD + 800, NOMINAL - 200],
    },
    plate: {
      ...{ hub: [60, 75], rotor: [2, 6], variation: [1, 5] },
      mean: [DISCARD + 200, MACHINE_TO + 40],
    },
    cut: {
      ...{ hub: [4, 10], rotor: [6, 16], variation: [20, 32] },
      mean: [MACHINE_TO + 700, NOMINAL - 300],
    },
    worn: { hub: [4, 8], rotor: [6, 14], variation: [1, 5], mean: [DISCARD - 200, DISCARD - 60] },
    'no-metal': {
      ...{ hub: [4, 8], rotor: [6, 14], variation: [20, 32] },
      mean: [DISCARD + 120, MACHINE_TO + 20],
    },
  };

const WAY_OF: Readonly<Record<Target, readonly Way[]>> = {
  leave: ['leave'],
  plate: ['plate'],
  cut: ['on-vehicle', 'bench'],
  worn: ['new'],
  'no-metal': ['new'],
};

/** The plate that is right for what sets say; null where they do not tell, or none at hand does. */
export function plateFor(
  { corner, limits, studs }: Pick<CornerRecord, 'corner' | 'limits' | 'studs'>,
  sets: readonly MeasuredSet[],
  draws: number,
): Option['plate'] {
  const record: CornerRecord = {
    ...{ corner, limits, studs, sets, fastening: 'studs', allowedShifts: null },
  };
  const options = compareOptions({
    ...{ record, assessment: assessCorner(record, draws), shop: setupOf(studs).shop },
    ...{ extras: [], wear: wearByDefault('semi-metallic'), draws },
  });
  return options.find(({ action }) => action === 'plate')?.plate ?? null;
}

/** Readings without any error of two mountings, as nobody could take them. */
function perfectSets(truth: VirtualCorner): MeasuredSet[] {
  const gauge = { resolution: 0.1, repeatability: 0.1 };
  const runout = [0, 1].map((shift): MeasuredSet => {
    const wave = trueRunout(truth, shift);
    const lap = evenAngles(12).map((angle) => waveAt(wave, toRadians(angle)));
    return {
      ...{ kind: 'runout', face: 'outboard', shift, gauge, isSeatSaid: true, laps: [lap] },
    };
  });
  const lap = evenAngles(24).map((angle) => trueThicknessAt(truth, 0, toRadians(angle)));
  return [...runout, { kind: 'thickness', shift: 0, gauge, laps: [lap] }];
}

/** What every way truly comes to from where the rotor was marked, by who knows the truth. */
export function waysOf(
  truth: VirtualCorner,
  record: Pick<CornerRecord, 'corner' | 'limits'>,
  luck: number,
): WayOutcome[] {
  const plate = plateFor({ ...record, studs: truth.studs }, perfectSets(truth), 60);
  return WAYS.map((way) => wayOutcome(truth, 0, way, way === 'plate' ? plate : null, luck));
}

/** The way that cures at the least cost and does no harm. */
export const bestOf = (ways: readonly WayOutcome[]): WayOutcome =>
  ways.filter(({ harm }) => harm === null).reduce((p, q) => (q.cost < p.cost ? q : p));

/** A corner about which one kind of way is clearly the best, with what every way comes to. */
export function decideCorner(
  random: RandomSource,
  studs: number,
  record: Pick<CornerRecord, 'corner' | 'limits'>,
): {
  readonly virtual: VirtualCorner;
  readonly ways: readonly WayOutcome[];
  readonly luck: number;
} {
  const target = TARGETS[Math.floor(TARGETS.length * random.uniform())]!;
  const { hub, rotor, variation, mean } = DRAWN[target];
  const order = (k: number, [low, high]: Range) => ({
    ...{ order: k, amplitude: between(random, low, high) / 2 },
    highSpotDeg: between(random, 0, 360 / k),
  });
  for (;;) {
    const virtual: VirtualCorner = {
      ...{ studs, hub: [order(1, hub)], rotor: [order(1, rotor), order(2, [0.6, 2])] },
      ...{ meanThickness: between(random, ...mean), thickness: [order(1, variation)] },
    };
    const luck = Math.floor(2 ** 31 * random.uniform());
    const ways = waysOf(virtual, record, luck);
    const best = bestOf(ways);
    if (best.isCured && WAY_OF[target].includes(best.way)) return { virtual, ways, luck };
  }
}
