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

/**
 * Standard uncertainty of one position's average over `laps` laps:
 * sigma² = s²/L + res²/12, s the larger of the pooled repeatability and the gauge's own.
 * Source: handbook 3.
 */
export function readingUncertainty(
  gauge: Gauge,
  laps: number,
  repeatability: Micrometres | null,
): Micrometres {
  const s = Math.max(repeatability ?? 0, gauge.repeatability);
  return Math.sqrt((s * s) / laps + (gauge.resolution * gauge.resolution) / 12);
}
