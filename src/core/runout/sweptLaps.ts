import type { Drift, HarmonicFit } from '../harmonics';
import { meanOf } from '../numeric';
import { EDGE_EVEN, roundingVariance, type Closure, type Gauge, type Laps } from '../readings';
import type { Degrees, Micrometres } from '../units';
import { judgeSettled, WORKSHOP_DEFAULTS, type Reason, type Verdict } from '../verdict';
import { sweptSpots, type SweptRunout } from './swept';

/** Laps that were swept, or read place by place where nothing is said of a sweep. */
interface SweptLaps {
  readonly gauge: Gauge;
  readonly laps: Laps;
  readonly sweep?: { readonly readings: number } | undefined;
}

/** The wave through their places. */
interface SweptCurve {
  readonly angles: readonly Degrees[];
  readonly fit: HarmonicFit;
}

/** A hand marks where the wheel is to so many degrees, one standard deviation: some 40 ms of a turn of 15 s, and more. */
const MARKED_WITHIN: Degrees = 1.5;

/** How much the face rises at its chalk mark, in micrometres a degree. */
export const slopeAtMark = ({ orders }: HarmonicFit): number =>
  (Math.PI / 180) * orders.reduce((sum, { order, b }) => sum + order * b, 0);

/** What two marks that a hand sets add to a closing error, in µm². */
export const markVariance = (slope: number): number => 2 * (slope * MARKED_WITHIN) ** 2;

/**
 * Drift of sweeps whose laps all closed: what they closed by, as far as it is more than scatter. The
 * curve is no judge of it as with single places: a rough face stands off the wave at its mark.
 */
export function sweptDrift(
  closure: Closure | null,
  { gauge, laps, sweep }: SweptLaps,
  slope: number,
): Drift | null {
  if (!closure?.ok || !sweep) return null;
  const expected = WORKSHOP_DEFAULTS.drift ** 2;
  // An end of a turn is the end of a line through the readings beside it: four variances shared among them.
  const beside = (sweep.readings / laps.length) * (EDGE_EVEN / 360);
  const ofOne = gauge.repeatability ** 2 * Math.min(1, 4 / beside) + roundingVariance(gauge);
  const variance = (2 * ofOne + markVariance(slope)) / laps.length;
  const share = expected / (expected + variance);
  return { perLap: share * meanOf(closure.errors), uncertainty: Math.sqrt(share * variance) };
}

/**
 * A fit with what the drift that was taken out before leaves unknown: a drift d over a turn is d/2 less
 * the sum of d/(πk)·sin kθ.
 */
export function withSweptDrift(fit: HarmonicFit, drift: Drift | null): HarmonicFit {
  if (!drift) return fit;
  const orders = fit.orders.map((each) => {
    const bb = each.covariance.bb + (drift.uncertainty / (Math.PI * each.order)) ** 2;
    return { ...each, covariance: { ...each.covariance, bb } };
  });
  return { ...fit, orders, drift };
}

/** The gauge as one place of a lap has it: several readings of a sweep come there. */
export function placeGauge({ gauge, laps, sweep }: SweptLaps): Gauge {
  if (!sweep) return gauge;
  const places = laps.length * (laps[0]?.length ?? 0);
  const each = Math.max(1, sweep.readings / places);
  return { ...gauge, repeatability: gauge.repeatability / Math.sqrt(each) };
}

/** Readings beside each other that differ by so many times what the gauge explains are no scatter of the gauge. */
const COARSE_SCATTER = 2;

/** What the readings of a sweep say of the turn: scatter beyond the gauge’s, and places that stand out. */
export function sweepReasons(
  input: SweptLaps,
  { fit, angles }: SweptCurve,
  { scatter }: SweptRunout,
): Reason[] {
  const { gauge, laps } = input;
  const one = placeGauge(input);
  const explained = Math.sqrt((one.repeatability ** 2 + roundingVariance(gauge)) / laps.length);
  const allowed = COARSE_SCATTER * explained;
  return [
    ...(scatter > allowed ? [{ code: 'sweep-scatter' as const, value: scatter, allowed }] : []),
    ...sweptSpots(fit.residuals, angles).map((spot) => ({ code: 'sweep-spot' as const, ...spot })),
  ];
}

/** Sweeps at most for one verdict. Source: as many as slow turns of a sure gauge, handbook 5. */
export const MOST_SWEEPS = WORKSHOP_DEFAULTS.turns.most;

/** Runout as the curve of the sweeps shows it, judged. */
export function judgeSwept(
  { limit, laps }: SweptLaps & { readonly limit: Micrometres },
  { value, uncertainty }: SweptRunout,
  common: { readonly reasons: readonly Reason[]; readonly invalid: boolean },
): Verdict {
  const verdict = judgeSettled({ value, uncertainty, limit, ...common });
  if (verdict.state !== 'too-close') return verdict;
  const hint: Reason =
    laps.length < MOST_SWEEPS
      ? { code: 'sweep-again' }
      : { code: 'gauge-too-coarse', needs: Math.abs(limit - value) };
  return { ...verdict, reasons: [...verdict.reasons, hint] };
}
