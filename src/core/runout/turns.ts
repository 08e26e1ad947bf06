import { GRID_POINTS, phasorsOf, waveOnGrid, type HarmonicFit } from '../harmonics';
import { extremeIndex, quadraticForm } from '../numeric';
import { roundingVariance, type Gauge } from '../readings';
import { RADIANS_PER_DEGREE, type Micrometres } from '../units';
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

/** One-sided 95 % normal quantile, as the handbook writes it for the misfit that a curve may have. */
const MISFIT_QUANTILE = 1.645;
const MISFIT_FREEDOM = 2;
/** Curve and turns agree up to so many combined standard uncertainties. */
const AGREE = 2;

/** The curve's own peak to peak on the 0.5° grid with its variance, sigma² gᵀMg. */
function curvePeakToPeak(
  fit: HarmonicFit,
  sigma: Micrometres,
): { readonly value: Micrometres; readonly variance: number } {
  const wave = waveOnGrid(phasorsOf(fit));
  const points = Array.from(wave);
  const [high, low] = [extremeIndex(points, 1), extremeIndex(points, -1)];
  const at = (j: number): number => j * (360 / GRID_POINTS) * RADIANS_PER_DEGREE;
  const g = fit.orders.flatMap(({ order: k }) => [
    Math.cos(k * at(high)) - Math.cos(k * at(low)),
    Math.sin(k * at(high)) - Math.sin(k * at(low)),
  ]);
  return {
    value: points[high]! - points[low]!,
    variance: sigma * sigma * quadraticForm(g, fit.waveInverse),
  };
}

/** Whether the misfit of the curve is what the readings' own noise explains. Source: handbook 5. */
function fitsReadings({ degreesOfFreedom: f, squares }: HarmonicFit, sigma: Micrometres): boolean {
  if (f < MISFIT_FREEDOM) return true;
  const q = 2 / (9 * f);
  return Math.sqrt(squares / f) <= sigma * (1 - q + MISFIT_QUANTILE * Math.sqrt(q)) ** 1.5;
}

/**
 * Runout from the slow turns, joined with the curve through the places where that may be believed
 * beside them. `spread` is the larger of the laps' scatter and the gauge's, `sigma` that of one
 * averaged reading, `play` the variance that push and pull add (`playVariance`). At least one
 * turn; micrometres. Source: handbook 5.
 */
export function joinTurns(
  turns: readonly SlowTurn[],
  fit: HarmonicFit,
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
  const curve = curvePeakToPeak(fit, sigma);
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

/** What a gauge leaves undecided at its best. */
export interface GaugeReach {
  /** What lies this near to its limit stays too close to call. */
  readonly band: Micrometres;
  /** The slow turns, or readings, that it takes. */
  readonly readings: number;
}

/** What a dial indicator leaves undecided with as many slow turns as may be taken. Source: handbook 5. */
export function reachOfDial(gauge: Gauge): GaugeReach {
  const readings = mostTurns(gauge.repeatability);
  const variance = 2 * (gauge.repeatability ** 2 / readings + roundingVariance(gauge));
  return { band: COVERAGE * Math.sqrt(variance), readings };
}
