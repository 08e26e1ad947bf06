import type { Gauge } from '../readings';
import { overdueReason, zeroErrorReason } from '../quality';
import type { Face } from '../runout';
import { WORKSHOP_DEFAULTS, type Reason } from '../verdict';
import { extraOf, turnsOf } from './beyondPlaces';
import type { MeasuredSet } from './record';
import { paceReasons, sweptCount, type SweepRecord } from './sweptSet';

/** One reading on file, in micrometres; the closing reading stands at `positions`. */
export interface RawReading {
  readonly lap: number;
  readonly position: number;
  readonly valueUm: number;
}

/** A reading set as it is kept while it is read: places may be empty. */
export interface RawSet {
  readonly kind: 'runout' | 'thickness' | 'hub';
  readonly face: Face;
  readonly positions: number;
  readonly laps: number;
  readonly shift: number;
  readonly resolutionUm: number;
  readonly repeatabilityUm: number;
  readonly mpeUm: number | null;
  readonly zeroErrorUm: number | null;
  readonly rotorCelsius: number | null;
  readonly endPlayUm: number | null;
  /** Radius of the circle, for a hub face. */
  readonly radiusUm: number | null;
  /** Angles of the positions in degrees; evenly spaced when there are none. */
  readonly angles?: readonly number[] | null;
  /** Which circle a thickness was read on; the outer is the probe’s. */
  readonly circle?: 'outer' | 'inner';
  /** What of the preparation was left out, in words; null when it was never asked. */
  readonly leftOut?: readonly string[] | null;
  /** Torque of the fastenings, in newton metres. */
  readonly torqueNm?: number | null;
  /** The dial counts the other way round: readings are kept as shown, and turned here. */
  readonly turned?: boolean;
  readonly gaugeName?: string | null;
  /** Day on which the gauge’s calibration ran out or will, like 2031-04-30. */
  readonly gaugeDue?: string | null;
  /** Somebody has confirmed the seat that it is said to be of. */
  readonly seatSaid?: boolean;
  /** The wheel was pressed inboard at each reading. */
  readonly pressed?: boolean;
  /** Thickness read until it is settled. */
  readonly settle?: boolean;
  /** What a gauge sent in each lap’s slow turn; null where places are read one by one. */
  readonly sweeps?: readonly SweepRecord[] | null;
  /** Read with a virtual gauge: practice. */
  readonly isVirtual?: boolean;
  /** When it was begun: the day on which a calibration counts. */
  readonly createdAt?: Date;
  readonly readings: readonly RawReading[];
}

/** What a value as shown is multiplied by: a turned dial’s runout counts the other way. */
export const signOf = ({ kind, turned }: Pick<RawSet, 'kind' | 'turned'>): 1 | -1 =>
  turned && kind !== 'thickness' ? -1 : 1;

/** A set's readings as laps, signs as the dial should count; null where a place was not read yet. */
export function lapsOf(set: RawSet): (number | null)[][] {
  const laps = Array.from({ length: set.laps }, () =>
    new Array<number | null>(set.positions).fill(null),
  );
  for (const { lap, position, valueUm } of set.readings) {
    const row = laps[lap];
    // Adding nothing keeps a turned zero from becoming a minus zero.
    if (row && position < set.positions) row[position] = signOf(set) * valueUm + 0;
  }
  return laps;
}

const isWhole = (lap: readonly (number | null)[]): lap is readonly number[] =>
  lap.every((value) => value !== null);

const gaugeOf = (set: RawSet): Gauge => ({
  resolution: set.resolutionUm,
  repeatability: set.repeatabilityUm,
  ...(set.mpeUm === null ? {} : { mpe: set.mpeUm }),
});

/** The closing readings of the laps given, or nothing unless every one of them has one. */
function readinessOf(set: RawSet, laps: readonly number[]): number[] | undefined {
  const closing = laps.map(
    (index) =>
      set.readings.find(({ lap, position }) => lap === index && position === set.positions)
        ?.valueUm,
  );
  return closing.every((value) => value !== undefined)
    ? closing.map((value) => signOf(set) * value + 0)
    : undefined;
}

/** Figures that a prepared set should note and does not. */
function notNoted({ kind, torqueNm, endPlayUm, rotorCelsius }: RawSet): string[] {
  if (kind === 'thickness') return rotorCelsius === null ? ['rotor temperature not noted'] : [];
  const torque = kind === 'runout' && (torqueNm ?? null) === null;
  return [
    ...(torque ? ['torque not noted'] : []),
    ...(endPlayUm === null ? ['end play not measured'] : []),
  ];
}

/** What the circumstances of a set say about its quality. */
function circumstances(set: RawSet, closing: readonly number[] | undefined): Reason[] {
  const { leftOut = null, gaugeName = null, gaugeDue = null, createdAt } = set;
  const left = leftOut === null ? [] : [...leftOut, ...notNoted(set)];
  const overdue =
    createdAt && overdueReason({ gaugeName, gaugeDue, day: createdAt.toISOString().slice(0, 10) });
  const zero = set.kind === 'thickness' ? zeroErrorReason(set.zeroErrorUm, gaugeOf(set)) : null;
  return [
    set.isVirtual ? ({ code: 'virtual' } as const) : null,
    overdue,
    left.length > 0 ? ({ code: 'not-prepared', items: left } as const) : null,
    zero,
    ...paceReasons(set.sweeps ?? [], set.positions),
    set.kind !== 'thickness' && !closing ? ({ code: 'not-closed' } as const) : null,
  ].filter((reason) => reason !== null && reason !== undefined);
}

/** A set as the solvers take it: complete laps only; null while no lap is complete. */
export function measuredSet(set: RawSet): MeasuredSet | null {
  const whole = lapsOf(set).flatMap((lap, index) => (isWhole(lap) ? [{ lap, index }] : []));
  if (whole.length === 0) return null;
  const laps = whole.map(({ lap }) => lap);
  const closing =
    set.kind === 'thickness'
      ? undefined
      : readinessOf(
          set,
          whole.map(({ index }) => index),
        );
  const common = {
    laps,
    gauge: gaugeOf(set),
    shift: set.shift,
    angles: set.angles ?? undefined,
    quality: circumstances(set, closing),
  };
  const sweep = set.sweeps ? { readings: sweptCount(set.sweeps, set.positions) } : undefined;
  if (set.kind === 'thickness') {
    return {
      kind: 'thickness',
      ...common,
      circle: set.circle ?? 'outer',
      zeroError: set.zeroErrorUm ?? undefined,
      temperature: set.rotorCelsius ?? undefined,
      extra: extraOf(set),
      settle: set.settle,
    };
  }
  if (set.kind === 'hub') {
    return {
      kind: 'hub',
      ...common,
      closing,
      sweep,
      radius: set.radiusUm ?? WORKSHOP_DEFAULTS.hubFaceRadius,
      endPlay: set.endPlayUm ?? undefined,
    };
  }
  return {
    kind: 'runout',
    ...common,
    face: set.face,
    closing,
    endPlay: set.endPlayUm ?? undefined,
    pressed: set.pressed,
    // A sweep is its own slow turn.
    turns: sweep ? [] : turnsOf(set, signOf(set)),
    sweep,
    isSeatSaid: set.seatSaid,
  };
}
