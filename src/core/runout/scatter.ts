import type { HarmonicFit } from '../harmonics';
import { chiSquareQuantile } from '../numeric';
import type { Gauge, LapScatter } from '../readings';
import { roundingVariance } from '../readings';
import type { Micrometres } from '../units';

/** What of a set's scatter is more than gauge and rounding explain, and what is asked for it. */
export interface Scatter {
  /** Laps that do not repeat, or one lap that does not fit its curve; null where neither is so. */
  readonly alarm: {
    readonly of: 'laps' | 'curve';
    readonly value: Micrometres;
    readonly allowed: Micrometres;
  } | null;
  /** A second lap would tell shape from scatter. */
  readonly asksLap: boolean;
}

const ALARM = 0.995;
const ASKS = 0.9;

/** Scatter of repeated laps about their common shape: the rotor's own shape cancels. */
function ofLaps({ squares, freedom }: LapScatter, gauge: Gauge): Scatter {
  const expected = gauge.repeatability ** 2 + roundingVariance(gauge);
  const most = expected * chiSquareQuantile(freedom, ALARM);
  const spread = (sum: number): Micrometres => Math.sqrt(sum / freedom);
  return {
    alarm: squares > most ? { of: 'laps', value: spread(squares), allowed: spread(most) } : null,
    asksLap: false,
  };
}

/** Misfit of one lap: play, base, probe, or a rough face; a second lap tells which. */
function ofCurve({ squares, degreesOfFreedom }: HarmonicFit, sigma: Micrometres): Scatter {
  if (degreesOfFreedom < 1) return { alarm: null, asksLap: false };
  const inSigmas = squares / sigma ** 2;
  const most = chiSquareQuantile(degreesOfFreedom, ALARM);
  const spread = (sum: number): Micrometres => sigma * Math.sqrt(sum / degreesOfFreedom);
  return {
    alarm: inSigmas > most ? { of: 'curve', value: spread(inSigmas), allowed: spread(most) } : null,
    asksLap: inSigmas > chiSquareQuantile(degreesOfFreedom, ASKS),
  };
}

/**
 * Tells scatter from shape: laps that do not repeat, else (one lap, push and pull not measured)
 * a curve that does not fit. Source: handbook 3.
 */
export function findScatter(
  laps: LapScatter | null,
  fit: HarmonicFit,
  {
    gauge,
    sigma,
    endPlay,
  }: {
    readonly gauge: Gauge;
    readonly sigma: Micrometres;
    readonly endPlay: Micrometres | undefined;
  },
): Scatter {
  if (laps) return ofLaps(laps, gauge);
  return endPlay === undefined ? ofCurve(fit, sigma) : { alarm: null, asksLap: false };
}
