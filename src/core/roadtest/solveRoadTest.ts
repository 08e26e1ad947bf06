import { concludeRoadTest, sayConclusion } from './conclusion';
import { orderStep, orderStretches, PADDING, withoutJolts, type Stretch } from './orders';
import { UnusableRecording, type Recording } from './recording';
import { resampleEvenly } from './resample';
import { amplitudeAt, averageSpectrum, strongestPeak, type OrderSpectrum } from './spectrum';
import { findWindows, type DriveWindow } from './windows';

export interface RoadTestInput {
  readonly recording: Recording;
  /** Rolling diameter in metres. */
  readonly diameter: number;
  /** Speed in m/s for a recording without a speed column. */
  readonly speed?: number | undefined;
}

export interface AxisReport {
  readonly axis: string;
  /** Amplitudes in m/s² peak; null where nothing was driven in that way. */
  readonly orders: readonly {
    readonly order: number;
    readonly braking: number | null;
    readonly coasting: number | null;
  }[];
  readonly strongest: {
    readonly order: number;
    readonly amplitude: number;
    readonly resolution: number;
    readonly during: DriveWindow['kind'];
  } | null;
}

export interface RoadTestResult {
  readonly samples: number;
  readonly rate: number;
  readonly gaps: number;
  readonly windows: readonly {
    readonly kind: DriveWindow['kind'];
    readonly start: number;
    readonly end: number;
  }[];
  readonly axes: readonly AxisReport[];
  readonly strongest: {
    readonly axis: string;
    readonly order: number;
    readonly amplitude: number;
  } | null;
  readonly brakingToCoasting: number | null;
  /** Speed in m/s at which the strongest order's amplitude peaks. */
  readonly peakSpeed: number | null;
  readonly reading: string;
}

/** An order spectrum thinned to what is drawn: amplitudes in m/s² peak, every `step` orders. */
export interface DrawnSpectrum {
  readonly step: number;
  readonly amplitude: readonly number[];
}

/** A road test with the curves that are drawn of it. */
export interface RoadTestAnalysis extends RoadTestResult {
  readonly spectra: readonly {
    readonly axis: string;
    readonly braking: DrawnSpectrum | null;
    readonly coasting: DrawnSpectrum | null;
  }[];
  /** Amplitude of the strongest order (order 1 when none stands out) by speed in m/s. */
  readonly bySpeed: readonly {
    readonly speed: number;
    readonly kind: DriveWindow['kind'];
    readonly amplitude: number;
  }[];
}

/** Nothing slower than this is a drive, in m/s. */
const WALKING_PACE = 3;
const ORDERS = [1, 2, 3];
/** Highest order that is drawn. */
const TOP_DRAWN = 5;
/** Width of the steps of speed that are drawn, in m/s: 5 km/h. */
const SPEED_STEP = 5 / 3.6;
const KINDS = ['braking', 'coasting'] as const;

type ByKind = Readonly<Record<DriveWindow['kind'], OrderSpectrum | null>>;

function reportAxis(axis: string, spectra: ByKind): AxisReport {
  const peaks = KINDS.flatMap((during) => {
    const spectrum = spectra[during];
    const peak = spectrum && strongestPeak(spectrum);
    return peak && spectrum ? [{ ...peak, resolution: spectrum.step * PADDING, during }] : [];
  });
  peaks.sort((p, q) => q.amplitude - p.amplitude);
  return {
    axis,
    orders: ORDERS.map((order) => ({
      order,
      braking: spectra.braking && amplitudeAt(spectra.braking, order),
      coasting: spectra.coasting && amplitudeAt(spectra.coasting, order),
    })),
    strongest: peaks[0] ?? null,
  };
}

/** The speed of the stretch that shakes most at an order. */
function speedOfPeak(stretches: readonly Stretch[], axis: number, order: number): number | null {
  let best: { speed: number; amplitude: number } | null = null;
  for (const { power, turns, speed } of stretches) {
    const own = { power: power[axis]!, step: orderStep(turns), floor: 0, stretches: 1 };
    const amplitude = amplitudeAt(own, order);
    if (!best || amplitude > best.amplitude) best = { speed, amplitude };
  }
  return best?.speed ?? null;
}

/** Figures kept with a job are kept to a hundredth of what a phone can tell, in m/s². */
const kept = (value: number): number => Math.round(value * 1e5) / 1e5;

function drawn(spectrum: OrderSpectrum | null): DrawnSpectrum | null {
  if (!spectrum) return null;
  const { step, power } = spectrum;
  const count = Math.min(power.length, Math.ceil(TOP_DRAWN / step) + 1);
  return {
    step,
    amplitude: Array.from(power.subarray(0, count), (each) => kept(Math.sqrt(each))),
  };
}

/** Root mean square of the stretches' amplitudes at an order, by steps of speed. */
function amplitudeBySpeed(
  stretches: readonly Stretch[],
  axis: number,
  order: number,
): RoadTestAnalysis['bySpeed'] {
  const steps = new Map<string, { kind: DriveWindow['kind']; at: number; powers: number[] }>();
  for (const { kind, power, turns, speed } of stretches) {
    const own = { power: power[axis]!, step: orderStep(turns), floor: 0, stretches: 1 };
    const at = Math.round(speed / SPEED_STEP);
    const step = steps.get(`${kind} ${at}`) ?? { kind, at, powers: [] };
    steps.set(`${kind} ${at}`, step);
    step.powers.push(amplitudeAt(own, order) ** 2);
  }
  return [...steps.values()]
    .sort((p, q) => p.at - q.at)
    .map(({ kind, at, powers }) => ({
      kind,
      speed: kept(at * SPEED_STEP),
      amplitude: kept(Math.sqrt(powers.reduce((sum, each) => sum + each, 0) / powers.length)),
    }));
}

/** The speed at every sample: logged, or the one given. Throws when there is neither. */
function speedOf(logged: Float64Array | null, given: number | undefined, n: number): Float64Array {
  if (logged) return logged;
  if (given === undefined) {
    throw new UnusableRecording(
      'speed',
      'The recording has no speed. Give the speed that was driven, like 80km/h.',
      'speed',
    );
  }
  return new Float64Array(n).fill(given);
}

/** A road test without its curves, as the contract has it. Throws as `analyseRoadTest`. */
export function solveRoadTest(input: RoadTestInput): RoadTestResult {
  const { spectra: _, bySpeed: __, ...result } = analyseRoadTest(input);
  return result;
}

/** The recording at even steps, with its speed and the stretches that were driven steadily. Throws in words. */
function stretchesOf(input: RoadTestInput) {
  const even = resampleEvenly(input.recording);
  const speed = speedOf(even.speed, input.speed, even.time.length);
  if (!speed.some((each) => each >= WALKING_PACE)) {
    throw new UnusableRecording(
      'speed',
      'The vehicle never went faster than walking pace.',
      'speed',
    );
  }
  const windows = findWindows(even, speed);
  const stretches = orderStretches(even.axes, speed, even.rate, input.diameter, windows);
  if (stretches.length === 0) {
    throw new UnusableRecording(
      'short',
      'No stretch of eight wheel turns was driven steadily enough. Record for longer.',
    );
  }
  return { even, windows, stretches };
}

/**
 * Reads a road test: order spectra under braking and coasting, the strongest order and what
 * it means. Accelerations in m/s², speed in m/s, diameter in metres. Throws
 * UnusableRecording in words. Source: handbook 13.
 */
export function analyseRoadTest(input: RoadTestInput): RoadTestAnalysis {
  const { even, windows, stretches } = stretchesOf(input);
  const of = (kind: DriveWindow['kind']): readonly Stretch[] =>
    withoutJolts(stretches.filter((each) => each.kind === kind));
  const spectra = even.axisNames.map((_, axis): ByKind => ({
    braking: averageSpectrum(of('braking'), axis),
    coasting: averageSpectrum(of('coasting'), axis),
  }));
  const axes = even.axisNames.map((axis, i) => reportAxis(axis, spectra[i]!));
  const best = axes
    .filter(({ strongest }) => strongest !== null)
    .sort((p, q) => q.strongest!.amplitude - p.strongest!.amplitude)[0];
  const strongest = best
    ? { axis: best.axis, order: best.strongest!.order, amplitude: best.strongest!.amplitude }
    : null;
  const at = best ? axes.indexOf(best) : -1;
  const pair = spectra[at];
  const ratio =
    strongest && pair?.braking && pair.coasting
      ? amplitudeAt(pair.braking, strongest.order) /
        Math.max(amplitudeAt(pair.coasting, strongest.order), 1e-6)
      : null;
  const during = best?.strongest?.during;
  return {
    samples: input.recording.time.length,
    rate: even.rate,
    gaps: even.gaps.length,
    windows: windows.map(({ kind, from, to }) => ({
      kind,
      start: from / even.rate,
      end: to / even.rate,
    })),
    axes,
    strongest,
    brakingToCoasting: ratio,
    peakSpeed: strongest && during ? speedOfPeak(of(during), at, strongest.order) : null,
    reading: sayConclusion(
      concludeRoadTest({ strongest, brakingToCoasting: ratio }, of('braking').length > 0),
      strongest,
    ),
    spectra: even.axisNames.map((axis, i) => ({
      axis,
      braking: drawn(spectra[i]!.braking),
      coasting: drawn(spectra[i]!.coasting),
    })),
    bySpeed: amplitudeBySpeed(
      [...of('braking'), ...of('coasting')],
      Math.max(at, 0),
      strongest?.order ?? 1,
    ),
  };
}
