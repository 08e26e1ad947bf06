import 'server-only';
import { readShop, shopFormSchema, shopOf } from '../../core/contracts';
import type { Shop } from '../../core/options';
import { readSetting, SHOP_SETTING, writeSetting } from '../../db/repositories';
import { accept, refuseParse, type Answer } from '../answer';
import { database } from '../database';
import { shopUnits } from './settings';

/** The shop's prices and equipment. */
export const shopOfToday = async (): Promise<Shop> =>
  readShop(await readSetting(await database(), SHOP_SETTING));

/** Writes the shop's prices and equipment as its form has them. */
export async function saveShop(input: unknown): Promise<Answer<Shop>> {
  const parsed = shopFormSchema(await shopUnits()).safeParse(input);
  if (!parsed.success) return refuseParse(parsed.error);
  const shop = shopOf(parsed.data);
  await writeSetting(await database(), SHOP_SETTING, shop);
  return accept(shop);
}
