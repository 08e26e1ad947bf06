import { ask, type Asked } from '@/ui/ask';

/** What stood at a place of a set before it was read again or taken back. */
export interface FormerReading {
  readonly lap: number;
  readonly position: number;
  readonly text: string;
  /** When, as ISO 8601. */
  readonly replacedAt: string;
}

/** The former readings of a set, the latest first. */
export const formerReadings = (setId: string): Promise<Asked<readonly FormerReading[]>> =>
  ask(`/api/v1/sets/${setId}/changes`);
