import type { GaugeListener, GaugePort } from '../gauges';
import { seededRandom } from '../numeric';
import type { Gauge } from '../readings';
import { toMicrometres, type Degrees, type LengthUnit, type Micrometres } from '../units';
import { dialShows, micrometerShows, type DialSight, type VirtualBench } from './virtualBench';

/** What a virtual gauge stands at. */
export interface VirtualSight extends Omit<DialSight, 'turn'> {
  readonly kind: 'dial' | 'micrometer';
  readonly gauge: Gauge;
  /** Unit in which it shows. */
  readonly unit: LengthUnit;
}

const DECIMALS: Readonly<Record<LengthUnit, number>> = { um: 1, mm: 3, thou: 2, in: 5 };

/** A length as a gauge shows it in a unit. */
export const shownText = (value: Micrometres, unit: LengthUnit): string =>
  (value / toMicrometres(1, unit)).toFixed(DECIMALS[unit]).replace(/^-(0(\.0*)?)$/, '$1');

/**
 * A virtual dial indicator or micrometer behind the same port as a real gauge: turning the
 * wheel makes it show, and it never sends by itself.
 */
export class VirtualPort implements GaugePort {
  private listener: GaugeListener | null = null;
  private readonly random;

  constructor(
    private readonly bench: VirtualBench,
    private readonly sight: VirtualSight,
    seed: number,
  ) {
    this.random = seededRandom(seed);
  }

  open(listener: GaugeListener): Promise<void> {
    this.listener = listener;
    return Promise.resolve();
  }

  close(): Promise<void> {
    this.listener = null;
    return Promise.resolve();
  }

  /** Turns the wheel so far from the chalk mark, in the theta sense; the gauge shows anew. */
  turnTo(turn: Degrees): void {
    const { kind, unit } = this.sight;
    const sight = { ...this.sight, turn };
    const value =
      kind === 'dial'
        ? dialShows(this.bench, sight, this.random)
        : micrometerShows(this.bench, sight, this.random);
    const text = shownText(value, unit);
    this.listener?.({ type: 'shows', reading: { text, unit, value, held: false } });
  }
}
