'use server';

import { revalidatePath } from 'next/cache';
import type { Answer } from '@/server/answer';
import { changeKnowledge, shopKnowledge } from '@/server/nose/nose';
import { changesIn, withoutWeight, withWeight } from './model';

/** What a form was answered with, in a sentence. */
export interface Said {
  readonly ok: boolean;
  readonly words: string;
}

function say(answer: Answer<null>, words: string): Said {
  if (answer.ok) revalidatePath('/', 'layout');
  return { ok: answer.ok, words: answer.ok ? words : `${answer.message} Nothing was changed.` };
}

/** Keeps the shop's own priors and minutes: fields prior.<cause> and minutes.<finding>. */
export async function saveNumbersAction(_before: Said | null, form: FormData): Promise<Said> {
  const { overrides } = await shopKnowledge();
  const changes = changesIn(form);
  if (!changes.ok) return { ok: false, words: `${changes.words} Nothing was changed.` };
  return say(await changeKnowledge({ ...overrides, ...changes.value }), 'Kept.');
}

/** Adds or replaces the shop's own weight of an answer for a cause. */
export async function saveWeightAction(_before: Said | null, form: FormData): Promise<Said> {
  const { overrides } = await shopKnowledge();
  const changed = withWeight(overrides, form);
  if (!changed) return { ok: false, words: 'Write the weight in decibans, from \u221220 to 20.' };
  return say(await changeKnowledge(changed), 'Kept: it weighs so from now on.');
}

/** Takes one of the shop's own weights back. */
export async function dropWeightAction(form: FormData): Promise<void> {
  const { overrides } = await shopKnowledge();
  say(await changeKnowledge(withoutWeight(overrides, form)), '');
}

/** Goes back to the knowledge as it is shipped. */
export async function resetKnowledgeAction(): Promise<void> {
  say(await changeKnowledge(null), '');
}
