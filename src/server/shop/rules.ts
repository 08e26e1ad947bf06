import 'server-only';
import { PROCEDURE, readChoices } from '../../core/contracts';
import { readSetting, RULES_SETTING, writeSetting } from '../../db/repositories';
import { accept, refuse, type Answer } from '../answer';
import { database, inTransaction } from '../database';

/** The shop’s choices of house rules. */
export const shopChoices = async (): Promise<ReturnType<typeof readChoices>> =>
  readChoices(await readSetting(await database(), RULES_SETTING));

/** Chooses how the shop follows a house rule; null goes back to what is shipped. */
export const chooseRule = (rule: string, choice: string | null): Promise<Answer<string>> =>
  inTransaction(async (tx) => {
    const found = PROCEDURE.rules.find(({ code }) => code === rule);
    if (!found) return refuse('There is no such rule.');
    if (choice !== null && !found.schools.some(({ code }) => code === choice)) {
      return refuse('This is no school of that rule.');
    }
    const { [rule]: _, ...others } = await shopChoices();
    const own = choice === null ? others : { ...others, [rule]: choice };
    await writeSetting(tx, RULES_SETTING, own);
    return accept(rule);
  });
