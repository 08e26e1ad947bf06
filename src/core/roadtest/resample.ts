import { UnusableRecording, type EvenRecording, type Recording } from './recording';

/** A pause longer than this many median steps is a gap. */
const GAP_STEPS = 5;
/** A stamp may jitter this many usual steps back; further is a log in the wrong order. */
const JITTER_STEPS = 3;

/** Steps looked at for the median: more would not move it. */
const MEDIAN_STEPS = 20_000;

/** The median of the positive steps between stamps, in seconds. */
function medianStep(time: Float64Array): number {
  const every = Math.max(1, Math.floor(time.length / MEDIAN_STEPS));
  const steps: number[] = [];
  for (let i = 1; i < time.length; i += every) {
    const step = time[i]! - time[i - 1]!;
    if (step > 0) steps.push(step);
  }
  const sorted = Float64Array.from(steps).sort();
  const middle = sorted[sorted.length >> 1];
  if (middle === undefined) {
    throw new UnusableRecording('time', 'The time column does not rise.', 'time');
  }
  return middle;
}

/** Refuses time that runs backwards further than a jittering stamp does, with its row; whether every stamp is later. */
function isStrictlyRising(time: Float64Array): boolean {
  const usual = Math.abs(time.at(-1)! - time[0]!) / time.length;
  let isRising = true;
  for (let i = 1; i < time.length; i += 1) {
    const back = time[i - 1]! - time[i]!;
    if (back < 0) continue;
    isRising = false;
    if (back > JITTER_STEPS * usual) {
      throw new UnusableRecording(
        'time',
        `Time runs backwards in row ${i + 1}: ${time[i]!.toFixed(3)} s after ${time[i - 1]!.toFixed(3)} s. Export the log in the order of time.`,
        'time',
      );
    }
  }
  return isRising;
}

/** The rows in the order of time, jittering stamps sorted and repeated ones left out; null where all stand so already. */
function rising(time: Float64Array): Uint32Array | null {
  if (isStrictlyRising(time)) return null;
  const order = new Uint32Array(time.length);
  for (let i = 0; i < order.length; i += 1) order[i] = i;
  order.sort((a, b) => time[a]! - time[b]!);
  const kept = new Uint32Array(time.length);
  let n = 0;
  let last = -Infinity;
  // Half a million rows: by index, an iterator takes ten times as long.
  for (let at = 0; at < order.length; at += 1) {
    const i = order[at]!;
    if (time[i]! > last) {
      kept[n] = i;
      n += 1;
    }
    last = time[i]!;
  }
  return kept.subarray(0, n);
}

/** The values of the rows that are kept, in their order. */
function picked(values: Float64Array, rows: Uint32Array | null): Float64Array {
  if (!rows) return values;
  const out = new Float64Array(rows.length);
  for (let k = 0; k < out.length; k += 1) out[k] = values[rows[k]!]!;
  return out;
}

/** Speed as logged (often once a second, or empty between) drawn out to every row. */
function filledSpeed(speed: Float64Array | null): Float64Array | null {
  if (!speed) return null;
  const filled = speed.slice();
  let last = -1;
  for (let i = 0; i < filled.length; i += 1) {
    if (!Number.isFinite(filled[i]!) || (last >= 0 && filled[i] === filled[last])) continue;
    const from = Math.max(last, 0);
    const a = last < 0 ? filled[i]! : filled[last]!;
    for (let j = from; j < i; j += 1) {
      filled[j] = a + ((filled[i]! - a) * (j - from)) / (i - from);
    }
    last = i;
  }
  if (last < 0) return null;
  for (let j = last; j < filled.length; j += 1) filled[j] = filled[last]!;
  return filled;
}

/**
 * Checks the stamps and brings all columns to an even step, the median one, by straight
 * lines. Gaps are kept as places; nothing is measured across them. Source: handbook 13.
 */
export function resampleEvenly(recording: Recording): EvenRecording {
  const rows = rising(recording.time);
  const step = medianStep(recording.time);
  const time = picked(recording.time, rows);
  const last = time.length - 1;
  const n = Math.floor(time[last]! / step) + 1;
  const left = new Uint32Array(n);
  const share = new Float64Array(n);
  const evenTime = new Float64Array(n);
  let k = 0;
  for (let i = 0; i < n; i += 1) {
    const at = i * step;
    evenTime[i] = at;
    while (k < last - 1 && time[k + 1]! < at) k += 1;
    const t0 = time[k]!;
    const t1 = time[Math.min(k + 1, last)]!;
    left[i] = k;
    share[i] = t1 > t0 ? Math.min(1, Math.max(0, (at - t0) / (t1 - t0))) : 0;
  }
  const gaps: { start: number; end: number }[] = [];
  for (let i = 1; i <= last; i += 1) {
    const start = time[i - 1]!;
    const end = time[i]!;
    if (end - start > GAP_STEPS * step) gaps.push({ start, end });
  }
  const even = (all: Float64Array): Float64Array => {
    const values = picked(all, rows);
    const out = new Float64Array(n);
    for (let i = 0; i < n; i += 1) {
      const at = left[i]!;
      const a = values[at]!;
      const b = values[Math.min(at + 1, last)]!;
      out[i] = a + (b - a) * share[i]!;
    }
    return out;
  };
  const speed = filledSpeed(recording.speed);
  return {
    time: evenTime,
    axes: recording.axes.map(even),
    axisNames: recording.axisNames,
    speed: speed && even(speed),
    brake: recording.brake && even(recording.brake),
    rate: 1 / step,
    gaps,
    duplicates: recording.time.length - time.length,
  };
}
