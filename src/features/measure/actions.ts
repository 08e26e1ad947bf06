'use server';

import type { NewSet, SetDetails } from '@/core/contracts';
import type { Answer } from '@/server/answer';
import { addLap, beginSet, noteDetails, setAside, takeBack } from '@/server/sets';
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

/** Notes zero error, temperature or end play of a set. */
export async function noteDetailsAction(details: SetDetails): Promise<Answer<string>> {
  return noteDetails(details);
}
