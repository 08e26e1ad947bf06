'use server';

import { revalidatePath } from 'next/cache';
import { refuse, type Answer } from '@/server/answer';
import {
  copyFile,
  copyNow,
  dropStaged,
  removeCopy,
  restoreStaged,
  stageBackup,
  type Staged,
} from '@/server/records/backup';
import { whoIsHere } from '@/server/web/who';

const PAGE = '/workshop/copies';

/** Makes a copy now. */
export async function copyNowAction(): Promise<Answer<string>> {
  const answer = await copyNow();
  revalidatePath(PAGE);
  return answer;
}

/** Takes a copy away that was made by hand. */
export async function removeCopyAction(name: string): Promise<Answer<string>> {
  const answer = removeCopy(String(name));
  revalidatePath(PAGE);
  return answer;
}

/** Looks whether a kept copy is whole. */
export async function stageCopyAction(name: string): Promise<Answer<Staged>> {
  const file = copyFile(String(name));
  return file ? stageBackup(file) : refuse('There is no such copy any more.');
}

/** Puts a copy that was found whole in the place of the records; a lead does. */
export async function restoreAction(id: string): Promise<Answer<string>> {
  const who = await whoIsHere();
  if (who?.role !== 'lead') {
    return refuse('A lead restores: ask one to choose the name at “Who is here”.');
  }
  const answer = await restoreStaged(String(id));
  revalidatePath('/', 'layout');
  return answer;
}

/** Leaves a copy that was looked through. */
export async function dropStagedAction(id: string): Promise<void> {
  dropStaged(String(id));
}
