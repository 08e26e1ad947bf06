import 'server-only';
import { readSetting, SHOP_SETTING } from '../../db/repositories';
import { isSignInAsked } from '../access/mode';
import { database } from '../database';
import { UNITS } from './settings';

/** What a new shop is asked. */
export type FirstQuestion = 'people' | 'units' | 'prices';

/**
 * What a shop has not said yet, in the order in which it is asked: who works here may always have
 * one name more.
 */
export async function notSaidYet(): Promise<FirstQuestion[]> {
  const db = await database();
  const isSaid = async (key: string): Promise<boolean> =>
    (await readSetting(db, key)) !== undefined;
  return [
    // Where people sign in a lead puts them on file at the Workshop.
    ...(isSignInAsked() ? [] : (['people'] as const)),
    ...((await isSaid(UNITS)) ? [] : (['units'] as const)),
    ...((await isSaid(SHOP_SETTING)) ? [] : (['prices'] as const)),
  ];
}
