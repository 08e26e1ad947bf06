import type { EvenRecording } from './recording';

/** A stretch of the drive that is braking or coasting throughout: sample indices. */
export interface DriveWindow {
  readonly kind: 'braking' | 'coasting';
  readonly from: number;
  readonly to: number;
}

/** Deceleration that counts as braking, and how long it must last. Source: handbook 13. */
const BRAKING = 1;
const SHORTEST_SECONDS = 1;
/** Span over which deceleration is smoothed, in seconds. */
const SMOOTHING_SECONDS = 1;
/** Below this a wheel turns too slowly to tell orders, in m/s. */
const SLOWEST = 3;

/** Whether each sample is braked: from the mark, else from deceleration of the speed. */
function isBraked(recording: EvenRecording, speed: Float64Array): (i: number) => boolean {
  const { brake, rate } = recording;
  if (brake) return (i) => brake[i]! >= 0.5;
  const half = Math.max(1, Math.round((SMOOTHING_SECONDS * rate) / 2));
  return (i) => {
    const a = Math.max(0, i - half);
    const b = Math.min(speed.length - 1, i + half);
    return ((speed[a]! - speed[b]!) * rate) / (b - a) > BRAKING;
  };
}

/** Samples that lie in a gap of the log. */
function gapSamples(recording: EvenRecording): Uint8Array {
  const inGap = new Uint8Array(recording.time.length);
  for (const { start, end } of recording.gaps) {
    const a = Math.ceil(start * recording.rate);
    inGap.fill(1, a, Math.min(inGap.length, Math.floor(end * recording.rate) + 1));
  }
  return inGap;
}

/**
 * Cuts a drive into stretches of braking and of coasting of a second or more, leaving out
 * gaps and walking pace. Speed in m/s at every sample. Source: handbook 13.
 */
export function findWindows(recording: EvenRecording, speed: Float64Array): DriveWindow[] {
  const braked = isBraked(recording, speed);
  const inGap = gapSamples(recording);
  const windows: DriveWindow[] = [];
  let from = 0;
  let kind: DriveWindow['kind'] | null = null;
  const close = (to: number): void => {
    if (kind && (to - from) / recording.rate >= SHORTEST_SECONDS) windows.push({ kind, from, to });
  };
  for (let i = 0; i <= speed.length; i += 1) {
    const isUsable = i < speed.length && !inGap[i] && speed[i]! >= SLOWEST;
    const now = !isUsable ? null : braked(i) ? 'braking' : 'coasting';
    if (now === kind) continue;
    close(i);
    from = i;
    kind = now;
  }
  return windows;
}
