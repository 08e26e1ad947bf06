'use server';

import { setHistory } from '@/server/measure/sets';

/** What stood at a place of a set before it was read again or taken back. */
export interface FormerReading {
  readonly lap: number;
  readonly position: number;
  readonly text: string;
  readonly replacedAt: Date;
}

/** The former readings of a set, the latest first. */
export async function historyAction(setId: string): Promise<readonly FormerReading[]> {
  return setHistory(setId);
}
