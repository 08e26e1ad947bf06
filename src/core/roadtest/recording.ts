import { ExpectedError } from '../expected';

/** A recording as it was read: columns of equal length, in SI units. */
export interface Recording {
  /** Seconds from the first sample; as logged, neither even nor checked. */
  readonly time: Float64Array;
  /** Acceleration by axis in m/s², in the order of `axisNames`. */
  readonly axes: readonly Float64Array[];
  readonly axisNames: readonly string[];
  /** Speed in m/s where the file has it; NaN where a row has none. */
  readonly speed: Float64Array | null;
  /** 1 where the brake is on, where the file says so. */
  readonly brake: Float64Array | null;
}

/** A recording in even time, gaps marked. */
export interface EvenRecording extends Recording {
  /** Samples a second. */
  readonly rate: number;
  /** Places where the logger paused: seconds of start and end. */
  readonly gaps: readonly { readonly start: number; readonly end: number }[];
  /** Rows whose stamp stood already, left out. */
  readonly duplicates: number;
}

/** Why a recording cannot be used, in words. */
export class UnusableRecording extends ExpectedError {
  readonly code: string;
  readonly path: string;
  constructor(code: string, message: string, path = '') {
    super(message);
    this.code = code;
    this.path = path;
  }
}
