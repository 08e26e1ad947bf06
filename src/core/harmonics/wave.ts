import type { Complex } from '../numeric';
import { RADIANS_PER_DEGREE, type Micrometres, type Radians } from '../units';
import type { HarmonicFit } from './fit';

/** One order of a wave as a phasor a + ib, in micrometres. */
export interface OrderPhasor {
  readonly order: number;
  readonly z: Complex;
}

/** Points of the 0.5° grid on which a fitted wave is read out. Source: handbook 4. */
export const GRID_POINTS = 720;
const COS = Float64Array.from({ length: GRID_POINTS }, (_, j) =>
  Math.cos(j * (360 / GRID_POINTS) * RADIANS_PER_DEGREE),
);
const SIN = Float64Array.from({ length: GRID_POINTS }, (_, j) =>
  Math.sin(j * (360 / GRID_POINTS) * RADIANS_PER_DEGREE),
);

/** The fit's orders as phasors. */
export const phasorsOf = (fit: HarmonicFit): OrderPhasor[] =>
  fit.orders.map(({ order, a, b }) => ({ order, z: { re: a, im: b } }));

/** The wave (without its mean) at one angle in radians, in micrometres. */
export const waveAt = (orders: readonly OrderPhasor[], angle: Radians): Micrometres =>
  orders.reduce(
    (sum, { order, z }) => sum + z.re * Math.cos(order * angle) + z.im * Math.sin(order * angle),
    0,
  );

/** The wave (without its mean) at every 0.5° from 0°, in micrometres. */
export function waveOnGrid(orders: readonly OrderPhasor[]): Float64Array {
  const wave = new Float64Array(GRID_POINTS);
  for (const { order, z } of orders) {
    for (let j = 0; j < GRID_POINTS; j += 1) {
      const at = (j * order) % GRID_POINTS;
      wave[j] = (wave[j] ?? 0) + z.re * (COS[at] ?? 0) + z.im * (SIN[at] ?? 0);
    }
  }
  return wave;
}

/** Where a wave is highest and lowest on the 0.5° grid, the first of equals, and its swing. */
export interface WaveExtremes {
  readonly tir: Micrometres;
  readonly high: Radians;
  readonly low: Radians;
}

/** The extremes of a wave on the 0.5° grid. Source: handbook 4. */
export function waveExtremes(orders: readonly OrderPhasor[]): WaveExtremes {
  const wave = waveOnGrid(orders);
  let [high, low] = [0, 0];
  for (let j = 1; j < GRID_POINTS; j += 1) {
    if (wave[j]! > wave[high]!) high = j;
    if (wave[j]! < wave[low]!) low = j;
  }
  const at = (j: number): Radians => j * (360 / GRID_POINTS) * RADIANS_PER_DEGREE;
  return { tir: wave[high]! - wave[low]!, high: at(high), low: at(low) };
}

/** Total indicator reading of a wave on the 0.5° grid, in micrometres. */
export const waveTir = (orders: readonly OrderPhasor[]): Micrometres => waveExtremes(orders).tir;
