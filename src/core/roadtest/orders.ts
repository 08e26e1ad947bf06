import FFT from 'fft.js';
import type { DriveWindow } from './windows';

/** Samples a turn of the wheel: carries orders up to 16. */
const SAMPLES_PER_TURN = 32;
/** Turns of one stretch; at least 20 where there are so many. Source: handbook 13. */
const TURNS = 32;
const FEWEST_TURNS = 8;
/** Zeros appended, as a multiple of the stretch, so that a peak is met near its top. */
export const PADDING = 1;
/** Highest order looked at. */
const TOP_ORDER = 8;

/** One stretch of turns: its amplitude spectrum and what it was driven at. */
export interface Stretch {
  readonly kind: DriveWindow['kind'];
  /** Power (squared amplitude, m²/s⁴) by axis, at steps of 1/(turns·padding) orders. */
  readonly power: readonly Float64Array[];
  readonly turns: number;
  /** Mean speed in m/s. */
  readonly speed: number;
  /** A jolt stands in it: a bump, a dropped phone. */
  readonly isJolted: boolean;
}

/** Wheel turns since the first sample: speed over rolling circumference, added up. */
function wheelTurns(speed: Float64Array, rate: number, diameter: number): Float64Array {
  const turns = new Float64Array(speed.length);
  const perSample = 1 / (rate * Math.PI * diameter);
  for (let i = 1; i < speed.length; i += 1) {
    turns[i] = turns[i - 1]! + ((speed[i - 1]! + speed[i]!) / 2) * perSample;
  }
  return turns;
}

/** An axis at even steps of wheel angle from sample `from`, straight between samples. */
function byAngle(
  values: Float64Array,
  turns: Float64Array,
  from: number,
  start: number,
  count: number,
): Float64Array {
  const out = new Float64Array(count);
  let i = from;
  for (let j = 0; j < count; j += 1) {
    const at = start + j / SAMPLES_PER_TURN;
    while (i < turns.length - 2 && turns[i + 1]! < at) i += 1;
    const step = turns[i + 1]! - turns[i]!;
    const share = step > 0 ? (at - turns[i]!) / step : 0;
    out[j] = values[i]! + (values[i + 1]! - values[i]!) * share;
  }
  return out;
}

/** What a transform of one size needs, made once. */
interface Transform {
  readonly fft: FFT;
  /** Hann weights of the stretch, and their sum. */
  readonly hann: Float64Array;
  readonly weight: number;
  readonly padded: Float64Array;
  readonly spectrum: number[];
}

function transformFor(count: number): Transform {
  const size = count * PADDING;
  const fft = new FFT(size);
  const hann = Float64Array.from(
    { length: count },
    (_, j) => 0.5 - 0.5 * Math.cos((2 * Math.PI * j) / count),
  );
  return {
    fft,
    hann,
    weight: hann.reduce((sum, value) => sum + value, 0),
    padded: new Float64Array(size),
    spectrum: fft.createComplexArray(),
  };
}

/** The straight line through a stretch: its mean and its rise a sample. */
function straightLine(samples: Float64Array): { mean: number; slope: number } {
  const n = samples.length;
  const middle = (n - 1) / 2;
  let mean = 0;
  let rise = 0;
  for (let j = 0; j < n; j += 1) {
    mean += samples[j]! / n;
    rise += samples[j]! * (j - middle);
  }
  return { mean, slope: (12 * rise) / (n * (n * n - 1)) };
}

/** Squared peak amplitude by order of one stretch, Hann-weighted, its straight line taken out. */
function powerOf(samples: Float64Array, transform: Transform): Float64Array {
  const { fft, hann, weight, padded, spectrum } = transform;
  const { mean, slope } = straightLine(samples);
  const middle = (samples.length - 1) / 2;
  for (let j = 0; j < samples.length; j += 1) {
    padded[j] = (samples[j]! - mean - slope * (j - middle)) * hann[j]!;
  }
  fft.realTransform(spectrum, padded);
  const bins = Math.ceil((TOP_ORDER * padded.length) / SAMPLES_PER_TURN);
  const scale = 4 / (weight * weight);
  const power = new Float64Array(bins);
  for (let k = 0; k < bins; k += 1) {
    const re = spectrum[2 * k]!;
    const im = spectrum[2 * k + 1]!;
    power[k] = scale * (re * re + im * im);
  }
  return power;
}

/** Kurtosis beyond which a stretch holds a jolt: a sine has 1.5, noise 3. */
const JOLT = 10;

/** Fourth moment over the square of the second: large where few samples stand far out. */
function kurtosis(samples: Float64Array): number {
  let mean = 0;
  for (let j = 0; j < samples.length; j += 1) mean += samples[j]! / samples.length;
  let second = 0;
  let fourth = 0;
  for (let j = 0; j < samples.length; j += 1) {
    const square = (samples[j]! - mean) ** 2;
    second += square;
    fourth += square * square;
  }
  return second > 0 ? (fourth * samples.length) / (second * second) : 0;
}

/** Share of jolted stretches up to which they are left out. */
const FEW_JOLTS = 0.25;

/**
 * The stretches without those that a jolt stands in, where these are few; a shake that
 * knocks in every turn jolts them all, and is kept.
 */
export function withoutJolts(stretches: readonly Stretch[]): readonly Stretch[] {
  const calm = stretches.filter(({ isJolted }) => !isJolted);
  return calm.length >= (1 - FEW_JOLTS) * stretches.length ? calm : stretches;
}

/** The orders' step of a spectrum of a stretch. */
export const orderStep = (turns: number): number => 1 / (turns * PADDING);

/**
 * Cuts the windows into stretches of 32 turns (half overlapping; shorter windows whole, from
 * 8 turns on) and takes the order spectrum of each axis. Speed in m/s, diameter in metres.
 */
export function orderStretches(
  axes: readonly Float64Array[],
  speed: Float64Array,
  rate: number,
  diameter: number,
  windows: readonly DriveWindow[],
): Stretch[] {
  const turns = wheelTurns(speed, rate, diameter);
  const stretches: Stretch[] = [];
  const transforms = new Map<number, Transform>();
  for (const { kind, from, to } of windows) {
    const first = turns[from]!;
    const driven = turns[to - 1]! - first;
    const length = Math.min(TURNS, 2 ** Math.floor(Math.log2(driven)));
    if (!(length >= FEWEST_TURNS)) continue;
    const count = length * SAMPLES_PER_TURN;
    const transform = transforms.get(count) ?? transformFor(count);
    transforms.set(count, transform);
    // Stretches overlap by half: each axis is brought to even steps of angle once for all of them.
    const half = length / 2;
    const many = Math.floor((driven - length) / half) + 1;
    const byAxis = axes.map((values) =>
      byAngle(values, turns, from, first, ((many + 1) * count) / 2),
    );
    let i = from;
    let end = from;
    for (let each = 0; each < many; each += 1) {
      const start = first + each * half;
      while (turns[i + 1]! < start) i += 1;
      while (end < to - 1 && turns[end]! < start + length) end += 1;
      const at = (each * count) / 2;
      const samples = byAxis.map((values) => values.subarray(at, at + count));
      stretches.push({
        kind,
        power: samples.map((one) => powerOf(one, transform)),
        isJolted: samples.some((one) => kurtosis(one) > JOLT),
        turns: length,
        speed: (speed[i]! + speed[end]!) / 2,
      });
    }
  }
  return stretches;
}
