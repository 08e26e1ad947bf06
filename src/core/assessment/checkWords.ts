import { formatIn, type Micrometres, type UnitSystem } from '../units';
import { describeReason } from '../verdict';
import type { CornerAssessment } from './assess';

/** Hub and rotor told apart, in a few words; null before two mountings were read that agree. */
export function sayShares({ index }: CornerAssessment, units: UnitSystem): string | null {
  const first = index?.separation.find(({ order, separable }) => order === 1 && separable);
  if (!first || index?.consistent === false) return null;
  const say = (um: Micrometres): string => formatIn(units, 'deviation', 2 * um);
  return `hub ${say(first.hub.amplitude)}, rotor ${say(first.rotor.amplitude)}`;
}

/** What a cut on the bench lathe would take and leave, in a line; null while none can be planned. */
export function sayBenchCut({ machining }: CornerAssessment, units: UnitSystem): string | null {
  if (!machining) return null;
  const { bench } = machining;
  const say = (um: Micrometres): string => formatIn(units, 'deviation', um);
  if (bench.verdict.state !== 'within') {
    return bench.verdict.reasons.map((reason) => describeReason(reason, say)).join(' ');
  }
  return `outboard ${say(bench.depthOutboard)}, inboard ${say(bench.depthInboard)} from first contact; finished ${formatIn(units, 'size', bench.finishedThickness)}, ${say(bench.finishedThickness - bench.machineTo)} left above machine-to`;
}
