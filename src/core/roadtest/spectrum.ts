import { quantileOfSorted } from '../numeric';
import { orderStep, PADDING, type Stretch } from './orders';

/** Mean power spectrum of many stretches of one length, on one axis. */
export interface OrderSpectrum {
  readonly step: number;
  readonly power: Float64Array;
  /** Power of noise alone in one bin. */
  readonly floor: number;
  /** Number of stretches averaged. */
  readonly stretches: number;
}

/** A peak of a spectrum: order and amplitude in m/s² peak, noise taken out. */
export interface OrderPeak {
  readonly order: number;
  readonly amplitude: number;
}

/** Lowest order looked at: nothing turns slower than a wheel, and the drive itself lies below. */
const LOWEST_ORDER = 0.85;
/** Orders that the noise is taken from: above, straight lines between samples smooth it away. */
const FLOOR_UP_TO = 4;
/** Half width of an integer order: a speed error stretches the order axis. */
export const ORDER_TOLERANCE = 0.05;
/** Median over mean of the power of noise that is a sum of two squares. */
const MEDIAN_OF_NOISE = Math.LN2;

/** The stretches of one kind that are as long as the longest, averaged by power. */
export function averageSpectrum(stretches: readonly Stretch[], axis: number): OrderSpectrum | null {
  const turns = Math.max(0, ...stretches.map((each) => each.turns));
  const same = stretches.filter((each) => each.turns === turns);
  const first = same[0]?.power[axis];
  if (!first) return null;
  const power = new Float64Array(first.length);
  for (const each of same) {
    const own = each.power[axis]!;
    for (let k = 0; k < power.length; k += 1) power[k] = power[k]! + own[k]! / same.length;
  }
  const step = orderStep(turns);
  const looked = power.slice(Math.ceil(LOWEST_ORDER / step), Math.ceil(FLOOR_UP_TO / step)).sort();
  const median = quantileOfSorted(looked, 0.5);
  return {
    step,
    power,
    // The median of averaged noise nears its mean as stretches are added.
    floor: same.length > 4 ? median : median / MEDIAN_OF_NOISE,
    stretches: same.length,
  };
}

/** The top of the spectrum near bin k by a parabola through the logarithms. */
function topNear({ power, step, floor }: OrderSpectrum, k: number): OrderPeak {
  const log = (bin: number): number => Math.log(Math.max(power[bin] ?? 0, 1e-30));
  const before = log(k - 1);
  const here = log(k);
  const after = log(k + 1);
  const bend = before - 2 * here + after;
  const shift = bend === 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend)));
  const top = Math.exp(here - ((before - after) * shift) / 4);
  return { order: (k + shift) * step, amplitude: Math.sqrt(Math.max(0, top - floor)) };
}

/** The highest place of a spectrum between two orders. */
export function peakBetween(spectrum: OrderSpectrum, low: number, high: number): OrderPeak {
  const { power, step } = spectrum;
  let best = Math.max(1, Math.ceil(low / step));
  const last = Math.min(power.length - 2, Math.floor(high / step));
  for (let k = best; k <= last; k += 1) if (power[k]! > power[best]!) best = k;
  return topNear(spectrum, best);
}

/** Amplitude at an integer order, wherever within ±5 % it peaks. */
export const amplitudeAt = (spectrum: OrderSpectrum, order: number): number =>
  peakBetween(spectrum, order * (1 - ORDER_TOLERANCE), order * (1 + ORDER_TOLERANCE)).amplitude;

/** A peak must stand this many times over what noise alone makes of the highest bin. */
const STANDS_OUT = 2.2;
/** The same at a whole order of the wheel, where one is looked for. */
const WHOLE_STANDS_OUT = 1.8;
/** Orders of the wheel that are looked for. */
const WHOLE_ORDERS = [1, 2, 3];

/** The power that noise alone reaches in the highest of a number of bins. */
function highestOf(bins: number, { floor, stretches }: OrderSpectrum): number {
  // Highest of independent bins, each an average of `stretches` exponential powers.
  const log = Math.log(Math.max(2, bins));
  return floor * (1 + log / stretches + Math.sqrt((2 * log) / stretches));
}

const standsOut = (peak: OrderPeak, spectrum: OrderSpectrum, times: number, bins: number) =>
  peak.amplitude ** 2 + spectrum.floor >= times * highestOf(bins, spectrum);

/**
 * The strongest order of a spectrum, or null when no order stands out of the noise. At the
 * wheel's own orders a lower peak is believed, since few bins are looked at there.
 */
export function strongestPeak(spectrum: OrderSpectrum): OrderPeak | null {
  const { power, step } = spectrum;
  const wholeBins = WHOLE_ORDERS.reduce((sum, order) => sum + 1 + (order * 0.1) / step, 0);
  const whole = WHOLE_ORDERS.map((order) => ({
    order,
    amplitude: amplitudeAt(spectrum, order),
  })).filter((peak) => standsOut(peak, spectrum, WHOLE_STANDS_OUT, wholeBins / PADDING));
  const any = peakBetween(spectrum, LOWEST_ORDER, power.length * step);
  const nearest = Math.round(any.order);
  const isWhole = nearest > 0 && Math.abs(any.order - nearest) <= ORDER_TOLERANCE * nearest;
  const others = standsOut(any, spectrum, STANDS_OUT, power.length / PADDING)
    ? [{ order: isWhole ? nearest : any.order, amplitude: any.amplitude }]
    : [];
  return [...others, ...whole].sort((p, q) => q.amplitude - p.amplitude)[0] ?? null;
}
