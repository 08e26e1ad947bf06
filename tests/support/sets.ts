import type { RawReading, RawSet } from '@/core/assessment';
import type { BenchCorner, BenchSet } from '@/features/measure/model';

/** A runout set on file without readings, read with a gauge of 1 µm. */
export const rawSet = (more: Partial<RawSet> = {}): RawSet => ({
  kind: 'runout',
  face: 'outboard',
  positions: 4,
  laps: 1,
  shift: 0,
  resolutionUm: 1,
  repeatabilityUm: 1,
  mpeUm: null,
  zeroErrorUm: null,
  rotorCelsius: null,
  endPlayUm: null,
  radiusUm: null,
  readings: [],
  ...more,
});

/** One lap of values in micrometres as readings on file. */
export const lapOf = (values: readonly number[], lap = 0): RawReading[] =>
  values.map((valueUm, position) => ({ lap, position, valueUm }));

/** The same as it stands on the bench, as typed in mm. */
export const typedLap = (values: readonly number[]): BenchSet['readings'] =>
  lapOf(values).map((reading) => ({ ...reading, text: `${reading.valueUm / 1000}`, unit: 'mm' }));

/** A runout set on the bench, not read yet. */
export const benchSet = (more: Partial<BenchSet> = {}): BenchSet => ({
  ...rawSet({ positions: 8 }),
  id: 'a',
  phase: 'before',
  isAside: false,
  gaugeId: null,
  torqueNm: null,
  readings: [],
  ...more,
});

/** The front left corner of a job, on five studs, in mm, without gauges on file. */
export const BENCH_CORNER: BenchCorner = {
  jobId: 'j',
  corner: 'FL',
  phase: 'before',
  fastening: 'studs',
  studs: 5,
  allowedShifts: null,
  limits: { runout: { value: 50, source: 'maker' } },
  units: 'mm',
  gauges: [],
};
