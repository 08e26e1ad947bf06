import { practiceCorner, type BenchFaults, type VirtualCorner } from '../bench';
import type { RandomSource } from '../numeric';
import { WORKSHOP_DEFAULTS } from '../verdict';
import { worksOf, type BenchFault } from './benchWork';
import type { Subject } from './code';
import { between, DISCARD, NOMINAL, SIZE } from './draw';
import { truthOf, type CornerTruth } from './truth';

/** How far the truth stands from its limit at least, so that a good bench settles it. */
const CLEAR = { runout: 12, variation: 6, least: 40 } as const;
const isClear = ({ runout, variation, least }: CornerTruth): boolean =>
  Math.abs(runout - WORKSHOP_DEFAULTS.runout) >= CLEAR.runout &&
  // A high spot that can be told.
  runout >= 20 &&
  Math.abs(variation - WORKSHOP_DEFAULTS.thicknessVariation) >= CLEAR.variation &&
  Math.abs(least - DISCARD) >= CLEAR.least;

/** A corner of plausible size whose truth is clear of every limit. */
export function clearCorner(random: RandomSource, studs: number): VirtualCorner {
  for (;;) {
    const drawn = practiceCorner(Math.floor(random.uniform() * 2 ** 31), studs, NOMINAL);
    // Half of them near their end: what reads too thick is then let out.
    const isWorn = random.uniform() < 0.5;
    const corner = {
      ...drawn,
      meanThickness: DISCARD + (isWorn ? between(random, -260, 60) : between(random, 200, 1500)),
    };
    if (isClear(truthOf(corner))) return corner;
  }
}

/** None, one or two faults of the gauges of a subject. */
export function drawFaults(
  random: RandomSource,
  subject: Subject,
): Partial<Record<BenchFault, BenchFaults>> {
  const open = worksOf({ level: 'read', subject }).map(({ fault }) => fault);
  const chance = random.uniform();
  const count = chance < 0.15 ? 0 : chance < 0.6 ? 1 : 2;
  const drawn: Partial<Record<BenchFault, BenchFaults>> = {};
  for (let i = 0; i < count; i += 1) {
    const [fault] = open.splice(Math.floor(open.length * random.uniform()), 1);
    if (fault) drawn[fault] = SIZE[fault](random);
  }
  return drawn;
}
