'use server';

import type { ImportSets, NewSet, SetDetails } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { importSets } from '@/server/measure/exchange';
import {
  addLap,
  beginSet,
  noteDetails,
  setAside,
  setFile,
  setHistory,
  takeBack,
} from '@/server/measure/sets';
import type { BenchSet } from './model';

/** Begins a reading set and answers with it. */
export async function beginSetAction(set: NewSet): Promise<Answer<BenchSet>> {
  const answer = await beginSet(set);
  return answer.ok ? { ok: true, value: { ...answer.value, isAside: false } } : answer;
}

/** Adds a lap to a set. */
export async function addLapAction(setId: string): Promise<Answer<number>> {
  return addLap(setId);
}

/** Sets a set aside with a reason. */
export async function setAsideAction(setId: string, reason: string): Promise<Answer<string>> {
  return setAside({ setId, reason });
}

/** Lets a set count again. */
export async function takeBackAction(setId: string): Promise<Answer<string>> {
  return takeBack(setId);
}

/** Notes torque, zero error, temperature or end play of a set. */
export async function noteDetailsAction(details: SetDetails): Promise<Answer<string>> {
  return noteDetails(details);
}

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

/** Puts a pasted table of readings on file; answers with its sets. */
export async function importSetsAction(table: ImportSets): Promise<Answer<readonly BenchSet[]>> {
  const answer = await importSets(table);
  if (!answer.ok) return answer;
  const sets = await Promise.all(answer.value.map(setFile));
  const found = sets.flatMap((set) => (set ? [{ ...set, isAside: false }] : []));
  return { ok: true, value: found };
}
