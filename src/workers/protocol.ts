import type { ColumnPlan, RecordingPart, RoadTestAnalysis } from '../core/roadtest';

/** The bytes of a file that one worker reads: the lines that begin in [from, to). */
export interface PartToRead {
  readonly file: Blob;
  readonly from: number;
  readonly to: number;
  readonly plan: ColumnPlan;
  readonly delimiter: string;
}

/** Read a part and hand it to the other worker through `port`. */
export interface ReadRequest {
  readonly kind: 'read';
  readonly part: PartToRead;
  readonly port: MessagePort;
}

/** Read a part, wait for the rest through `port` (null when there is none), and solve. */
export interface SolveRequest {
  readonly kind: 'solve';
  readonly part: PartToRead;
  readonly port: MessagePort | null;
  /** Rolling diameter in metres. */
  readonly diameter: number;
  /** Speed in m/s for a recording without one. */
  readonly speed: number | null;
}

export type ToWorker = ReadRequest | SolveRequest;

/** A part that was read, or why it could not be. */
export type PartMessage =
  | { readonly kind: 'part'; readonly part: RecordingPart }
  | { readonly kind: 'refused'; readonly problem: RecordingProblem };

/** Why a recording cannot be used, in words. */
export interface RecordingProblem {
  readonly code: string;
  readonly message: string;
  readonly path: string;
}

export type FromWorker =
  | { readonly kind: 'progress'; readonly bytes: number }
  | { readonly kind: 'done'; readonly analysis: RoadTestAnalysis }
  | { readonly kind: 'refused'; readonly problem: RecordingProblem };
