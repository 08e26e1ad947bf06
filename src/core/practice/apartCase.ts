import type { BenchFaults, VirtualCorner } from '../bench';
import type { RandomSource } from '../numeric';
import { faultsLeft } from './benchWork';
import { between, NOMINAL, SIZE } from './draw';
import { faceOf, runoutByShift, swingOf } from './truth';

/** Where runout comes from. */
export const SOURCES = ['hub', 'rotor', 'both', 'dirt', 'nuts'] as const;
export type Source = (typeof SOURCES)[number];

/** First orders of hub and rotor by where the runout comes from: from, to. */
const SHARES: Readonly<
  Record<
    Source,
    { readonly hub: readonly [number, number]; readonly rotor: readonly [number, number] }
  >
> = {
  hub: { hub: [33, 45], rotor: [2, 5] },
  rotor: { hub: [2, 5], rotor: [33, 45] },
  both: { hub: [16, 26], rotor: [16, 26] },
  dirt: { hub: [3, 6], rotor: [3, 6] },
  nuts: { hub: [3, 6], rotor: [3, 6] },
};

/** Whether it is clearly beyond as first marked, and clearly curable by moving or cleaning, or clearly not. */
function isTold(source: Source, corner: VirtualCorner, faults: BenchFaults): boolean {
  const first = swingOf(faceOf(corner, faults, 0));
  const best = Math.min(...runoutByShift(corner));
  return first >= 62 && (source === 'hub' || source === 'rotor' ? best >= 56 : best <= 36);
}

/** A corner that is beyond as first marked, for one reason. */
export function apartCorner(random: RandomSource, studs: number) {
  const source = SOURCES[Math.floor(SOURCES.length * random.uniform())]!;
  const order = (k: number, [low, high]: readonly [number, number]) => ({
    ...{ order: k, amplitude: between(random, low, high) },
    highSpotDeg: between(random, 0, 360 / k),
  });
  for (;;) {
    const { hub, rotor } = SHARES[source];
    const virtual: VirtualCorner = {
      ...{ studs, hub: [order(1, hub)], rotor: [order(1, rotor), order(2, [0.3, 1.5])] },
      ...{ meanThickness: NOMINAL - 600, thickness: [order(1, [1, 3])] },
    };
    const isFault = source === 'dirt' || source === 'nuts';
    const faults = isFault ? { [source]: SIZE[source](random) } : {};
    if (isTold(source, virtual, faultsLeft(faults, []))) return { source, virtual, faults };
  }
}
