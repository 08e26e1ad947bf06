'use server';

import { revalidatePath } from 'next/cache';
import { refuseRole } from '@/core/job';
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

const notLead = async (): Promise<string | null> => refuseRole(await whoIsHere(), 'lead');

/** Makes a copy now; a lead does. */
export async function copyNowAction(): Promise<Answer<string>> {
  const why = await notLead();
  if (why !== null) return refuse(why);
  const answer = await copyNow();
  revalidatePath(PAGE);
  return answer;
}

/** Takes a copy away that was made by hand. */
export async function removeCopyAction(name: string): Promise<Answer<string>> {
  const why = await notLead();
  if (why !== null) return refuse(why);
  const answer = removeCopy(String(name));
  revalidatePath(PAGE);
  return answer;
}

/** Looks whether a kept copy is whole. */
export async function stageCopyAction(name: string): Promise<Answer<Staged>> {
  const why = await notLead();
  if (why !== null) return refuse(why);
  const file = copyFile(String(name));
  return file ? stageBackup(file) : refuse('There is no such copy any more.');
}

/**
 * Puts a copy that was found whole in the place of the records; a lead does, and says so where
 * this shop did not make it.
 */
export async function restoreAction(id: string, evenForeign: boolean): Promise<Answer<string>> {
  const who = await whoIsHere();
  const why = refuseRole(who, 'lead');
  if (why !== null) return refuse(why);
  const answer = await restoreStaged(String(id), { evenForeign: evenForeign === true, who });
  revalidatePath('/', 'layout');
  return answer;
}

/** Leaves a copy that was looked through. */
export async function dropStagedAction(id: string): Promise<void> {
  if ((await notLead()) !== null) return;
  dropStaged(String(id));
}
