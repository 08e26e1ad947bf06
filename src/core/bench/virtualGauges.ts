import { waveAt } from '../harmonics';
import type { RandomSource } from '../numeric';
import { evenAngles, inRadians, type Gauge } from '../readings';
import type { Micrometres } from '../units';
import { trueRunout, trueThicknessAt, type VirtualCorner } from './virtualCorner';

/** What the gauge shows: the truth with scatter, rounded to its resolution. */
export function showOn(gauge: Gauge, truth: Micrometres, random: RandomSource): Micrometres {
  const scattered = truth + gauge.repeatability * random.normal();
  // A gauge shows no minus before nothing.
  return Math.round(scattered / gauge.resolution) * gauge.resolution + 0;
}

export interface DialRun {
  readonly shift: number;
  readonly positions: number;
  readonly laps: number;
  readonly gauge: Gauge;
  /** How far the base creeps in one turn, in micrometres. */
  readonly drift?: Micrometres;
}

/** Laps of a virtual dial indicator on the outboard face, with the closing readings. */
export function readDial(
  corner: VirtualCorner,
  run: DialRun,
  random: RandomSource,
): { laps: Micrometres[][]; closing: Micrometres[] } {
  const wave = trueRunout(corner, run.shift);
  const angles = inRadians([...evenAngles(run.positions), 360]);
  const zero = waveAt(wave, 0);
  const drift = run.drift ?? 0;
  const whole = Array.from({ length: run.laps }, () =>
    angles.map((angle) =>
      showOn(run.gauge, waveAt(wave, angle) - zero + (drift * angle) / (2 * Math.PI), random),
    ),
  );
  return {
    laps: whole.map((lap) => lap.slice(0, run.positions)),
    closing: whole.map((lap) => lap[run.positions] ?? NaN),
  };
}

export interface MicrometerRun {
  readonly shift: number;
  readonly positions: number;
  readonly laps: number;
  readonly gauge: Gauge;
  readonly zeroError?: Micrometres;
}

/** Laps of a virtual micrometer on the probe's circle. */
export function readMicrometer(
  corner: VirtualCorner,
  run: MicrometerRun,
  random: RandomSource,
): Micrometres[][] {
  const angles = inRadians(evenAngles(run.positions));
  return Array.from({ length: run.laps }, () =>
    angles.map((angle) =>
      showOn(run.gauge, trueThicknessAt(corner, run.shift, angle) + (run.zeroError ?? 0), random),
    ),
  );
}
