import { keepCheck, keepWrite, type CheckInput, type KeptAnswer } from '@/ui/keeper';

const refresh = 'by-writer';

/** Chooses how the shop follows a rule; null goes back to what is shipped. */
export const writeRule = (rule: string, choice: string | null): Promise<KeptAnswer<string>> =>
  keepWrite({
    name: 'rule',
    input: { rule, choice },
    place: `rule ${rule}`,
    jobId: null,
    replaces: { room: 'shop', as: 'shown' },
    about: `the house rule on ${rule.replace(/-/g, ' ')}`,
    refresh,
  });

/** Goes another way for one job, or back to the shop’s. */
export const writeOwnRule = (input: Omit<CheckInput, 'kind' | 'place'>) =>
  keepCheck({ ...input, kind: 'rule', place: '' }, refresh);
