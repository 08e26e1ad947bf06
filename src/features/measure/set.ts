import type { RawReading, RawSet } from '@/core/assessment';

/** As found, before the correction (cleaned), or after it. */
export type Phase = 'as-found' | 'before' | 'after';

/** A reading on the bench: its value, and text and unit as typed. */
export interface BenchReading extends RawReading {
  readonly text: string;
  readonly unit: string;
}

/** A reading set on the bench. */
export interface BenchSet extends RawSet {
  readonly id: string;
  readonly phase: Phase;
  readonly isAside: boolean;
  readonly gaugeId: string | null;
  readonly torqueNm: number | null;
  readonly setAsideReason?: string | null;
  readonly readings: readonly BenchReading[];
}
