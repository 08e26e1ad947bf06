import type { Micrometres } from '../units';

/** What a dial indicator or micrometer can tell, in micrometres. */
export interface Gauge {
  /** Smallest step it shows. */
  readonly resolution: Micrometres;
  /** Standard deviation of repeated readings of one place. */
  readonly repeatability: Micrometres;
  /** Maximum permissible error, common to all readings of a set. */
  readonly mpe?: Micrometres;
}

/** What a gauge leaves undecided at its best. */
export interface GaugeReach {
  /** What lies this near to its limit stays too close to call. */
  readonly band: Micrometres;
  /** The slow turns, or readings, that it takes. */
  readonly readings: number;
}

/** Of a limit so much may be left undecided by a gauge that is fit for it. */
const FIT_SHARE = 0.2;

/** The smallest limit that a gauge of such a reach is fit for, to the whole micrometre. */
export const fitFrom = ({ band }: GaugeReach): Micrometres => Math.ceil(band / FIT_SHARE);

/** What the rounding of one reading adds to its variance, res²/12, in µm². */
export const roundingVariance = (gauge: Gauge): number => gauge.resolution ** 2 / 12;

/** The larger of the laps' own scatter and what the gauge states. Source: handbook 3. */
export const spreadOf = (gauge: Gauge, repeatability: Micrometres | null): Micrometres =>
  Math.max(repeatability ?? 0, gauge.repeatability);

/**
 * Variance that push and pull felt at the wheel add to every reading, p²/12, in µm²; nothing
 * where the gauge explains it or the wheel was pressed inboard at each reading. Source: handbook 3.
 */
export function playVariance(
  gauge: Gauge,
  endPlay: Micrometres | undefined,
  isPressed: boolean,
): number {
  return !isPressed && isPlay(gauge, endPlay) ? endPlay! ** 2 / 12 : 0;
}

/** Whether push and pull at the wheel is more than the gauge explains. Source: handbook 3. */
export const isPlay = (gauge: Gauge, endPlay: Micrometres | undefined): boolean =>
  endPlay !== undefined && endPlay > Math.max(4 * gauge.repeatability, 1.5 * gauge.resolution);

/**
 * Standard uncertainty of one position's average over `laps` laps:
 * sigma² = s²/L + res²/12 + what play adds, s the larger of the pooled repeatability and the
 * gauge's own. Source: handbook 3.
 */
export function readingUncertainty(
  gauge: Gauge,
  laps: number,
  repeatability: Micrometres | null,
  play = 0,
): Micrometres {
  return Math.sqrt(spreadOf(gauge, repeatability) ** 2 / laps + roundingVariance(gauge) + play);
}
