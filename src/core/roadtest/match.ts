import { wheelFrequency } from './tyre';

/** How far from an order a felt rate may lie and still be matched to it, as a share. */
const MATCHES_WITHIN = 0.12;
/** Taps without which no rate can be told. */
const FEWEST_TAPS = 4;
/** A pause longer than this many usual steps begins a new row of taps. */
const PAUSE_STEPS = 3;

/** A rate matched to what turns at it. */
export interface MatchedOrder {
  /** The answer of the finding "felt-order". */
  readonly match: '1' | '2' | '3' | 'propshaft' | 'none';
  /** Rate over wheel frequency. */
  readonly order: number;
}

/**
 * What turns at a felt rate: an order of the wheel, the propshaft, or nothing known. Rate in
 * Hz, speed in m/s, diameter in metres. Source: handbook 13.
 */
export function matchOrder(
  rate: number,
  speed: number,
  diameter: number,
  finalDrive: number | null,
): MatchedOrder {
  const order = rate / wheelFrequency(speed, diameter);
  const candidates: { match: MatchedOrder['match']; at: number }[] = [
    { match: '1', at: 1 },
    { match: '2', at: 2 },
    { match: '3', at: 3 },
    ...(finalDrive === null ? [] : [{ match: 'propshaft' as const, at: finalDrive }]),
  ];
  const off = (at: number): number => Math.abs(order - at) / at;
  const nearest = candidates.reduce((p, q) => (off(q.at) < off(p.at) ? q : p));
  return { match: off(nearest.at) <= MATCHES_WITHIN ? nearest.match : 'none', order };
}

/** The rate in Hz of taps at these times (ms): the latest unbroken row; null if too few. */
export function rateOfTaps(times: readonly number[]): number | null {
  const steps = times.slice(1).map((time, i) => time - times[i]!);
  const sorted = steps.toSorted((p, q) => p - q);
  const usual = sorted[sorted.length >> 1];
  if (usual === undefined) return null;
  const broken = steps.findLastIndex((step) => step > PAUSE_STEPS * usual);
  const row = times.slice(broken + 1);
  if (row.length < FEWEST_TAPS) return null;
  const span = row.at(-1)! - row[0]!;
  return span > 0 ? (1000 * (row.length - 1)) / span : null;
}
