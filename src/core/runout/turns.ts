import type { HarmonicFit, WaveExtremes } from '../harmonics';
import { chiSquareQuantile, quadraticForm } from '../numeric';
import { roundingVariance, type Gauge, type GaugeReach } from '../readings';
import type { Micrometres } from '../units';
import { COVERAGE, WORKSHOP_DEFAULTS } from '../verdict';

/** One slow turn, stopped and read at rest at its highest and at its lowest place. */
export interface SlowTurn {
  readonly high: Micrometres;
  readonly low: Micrometres;
}

/** Runout as turned (x_w with its standard uncertainty), and whether the curve goes with it. */
export interface Turned {
  readonly value: Micrometres;
  readonly uncertainty: Micrometres;
  readonly curveBelieved: boolean;
}

/** What was made of turns and curve: the runout to judge, with its standard uncertainty. */
export interface TurnedRunout {
  readonly turned: Turned;
  readonly value: Micrometres;
  readonly uncertainty: Micrometres;
}

const { most, mostCoarse, coarse } = WORKSHOP_DEFAULTS.turns;

/** Slow turns at most with a spread of so much. Source: handbook 5. */
export const mostTurns = (spread: Micrometres): number => (spread > coarse ? mostCoarse : most);

/** Picking a place in noise reads low by so many spreads. Source: handbook 5. */
const pickedLow = (spread: Micrometres): number => (spread > coarse ? 0.7 : 0.5);

const MISFIT_FREEDOM = 2;
/** Curve and turns agree up to so many combined standard uncertainties. */
const AGREE = 2;

/** Variance of the curve's own peak to peak, sigma² gᵀMg. */
function curveVariance(fit: HarmonicFit, { high, low }: WaveExtremes, sigma: Micrometres): number {
  const g = fit.orders.flatMap(({ order: k }) => [
    Math.cos(k * high) - Math.cos(k * low),
    Math.sin(k * high) - Math.sin(k * low),
  ]);
  return sigma * sigma * quadraticForm(g, fit.waveInverse);
}

/** Whether the misfit of the curve is what the readings' own noise explains. Source: handbook 5. */
const fitsReadings = ({ degreesOfFreedom, squares }: HarmonicFit, sigma: Micrometres): boolean =>
  degreesOfFreedom < MISFIT_FREEDOM ||
  squares <= sigma ** 2 * chiSquareQuantile(degreesOfFreedom, 0.95);

/**
 * Runout from the slow turns, joined with the curve through the places where that may be believed
 * beside them. `extremes` are those of the curve, `spread` is the larger of the laps' scatter and the gauge's, `sigma` that of one
 * averaged reading, `play` the variance that push and pull add (`playVariance`). At least one
 * turn; micrometres. Source: handbook 5.
 */
export function joinTurns(
  turns: readonly SlowTurn[],
  fit: HarmonicFit,
  extremes: WaveExtremes,
  {
    gauge,
    spread,
    sigma,
    play,
  }: {
    readonly gauge: Gauge;
    readonly spread: Micrometres;
    readonly sigma: Micrometres;
    readonly play: number;
  },
): TurnedRunout {
  const m = turns.length;
  const swing = turns.reduce((sum, { high, low }) => sum + (high - low), 0) / m;
  const value = swing + pickedLow(spread) * spread;
  const variance = 2 * (spread ** 2 / m + roundingVariance(gauge) + play);
  const curve = { value: extremes.tir, variance: curveVariance(fit, extremes, sigma) };
  const both = variance + curve.variance;
  const curveBelieved =
    spread <= coarse &&
    Math.abs(value - curve.value) <= AGREE * Math.sqrt(both) &&
    fitsReadings(fit, sigma);
  const turned = { value, uncertainty: Math.sqrt(variance), curveBelieved };
  if (!curveBelieved || both === 0) return { turned, value, uncertainty: turned.uncertainty };
  return {
    turned,
    value: (variance * curve.value + curve.variance * value) / both,
    uncertainty: Math.sqrt((variance * curve.variance) / both),
  };
}

/** What a dial indicator leaves undecided with as many slow turns as may be taken. Source: handbook 5. */
export function reachOfDial(gauge: Gauge): GaugeReach {
  const readings = mostTurns(gauge.repeatability);
  const variance = 2 * (gauge.repeatability ** 2 / readings + roundingVariance(gauge));
  return { band: COVERAGE * Math.sqrt(variance), readings };
}
