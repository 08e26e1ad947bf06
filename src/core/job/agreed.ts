import type { CheckEntry } from '../contracts';
import {
  ACTION_CODES,
  actionRecord,
  AXLE_EXTRAS,
  costOf,
  extrasOf,
  isWithinAgreed,
  ITEM_NAME,
  sayMoney,
  type Cost,
  type PriceItem,
} from '../options';
import { axleOf, type Corner } from '../readings';
import { choiceAt } from './choice';
import { findCheck } from './checks';
import { drumPrices } from './drums';
import { oncePer } from '../remember';
import { sourceRepairs, workOf } from './repairs';
import type { Decision, Job } from './types';

/** What one decision is paid by; null where its action is not on record. */
function itemsOfDecision(job: Job, { corner, action }: Decision): PriceItem[] | null {
  const known = ACTION_CODES.find((code) => code === action);
  if (!known) return null;
  return [...actionRecord(known).items, ...extrasOf(known, choiceAt(job, corner))];
}

/** Items at the corners of an axle: what belongs to the axle is paid once. */
function onceByAxle(items: readonly { readonly corner: Corner; readonly item: PriceItem }[]) {
  const isShared = (item: PriceItem): boolean =>
    (AXLE_EXTRAS as readonly PriceItem[]).includes(item);
  return items.filter(
    ({ corner, item }, j) =>
      !isShared(item) ||
      items.findIndex((each) => each.item === item && axleOf(each.corner) === axleOf(corner)) === j,
  );
}

/** Every item that is decided in a job, as often as it is paid; not known of a decision without its action. */
export const itemsDecided = oncePer(
  (job: Job): { readonly items: readonly PriceItem[]; readonly isKnown: boolean } => {
    const decided = job.decisions.map((decision) => ({
      corner: decision.corner,
      items: itemsOfDecision(job, decision),
    }));
    const atCorners = onceByAxle(
      decided.flatMap(({ corner, items }) => (items ?? []).map((item) => ({ corner, item }))),
    ).map(({ item }) => item);
    const beside = sourceRepairs(job)
      .filter(({ how }) => how === 'here')
      .flatMap(({ cause }) => workOf(cause));
    return {
      items: [...atCorners, ...beside, ...drumPrices(job)],
      isKnown: decided.every(({ items }) => items !== null),
    };
  },
);

/** What everything that is decided in a job costs by the shop's list; null figures where it does not say. */
export const costDecided = oncePer((job: Job): Cost => {
  const { items, isKnown } = itemsDecided(job);
  const cost = costOf(items, job.shop.prices);
  return isKnown ? cost : { ...cost, parts: null, labour: null };
});

/** Parts and work together; null where one of them is not known. */
export const totalOf = ({ parts, labour }: Pick<Cost, 'parts' | 'labour'>): number | null =>
  parts === null || labour === null ? null : parts + labour;

/** What the owner agreed to; undefined where nobody asked. */
export const approvalOf = (job: Job) => findCheck(job, 'estimate', '', 'approval');

/** What says that work on a rotor began; what is confirmed or measured on its way back does not. */
const BEGINS = ['done', 'sent', 'finished'];

/** Whether a check says that work began that the owner pays for. */
export const beginsWork = ({ kind, item }: Pick<CheckEntry, 'kind' | 'item'>): boolean =>
  kind === 'repaired' ||
  (kind === 'correct' && BEGINS.includes(item)) ||
  (kind === 'drum' && item === 'done');

/** Why work may not begin by what the owner agreed to, in words; null where it may, or nobody asked. */
export function refuseBeyondAgreed(job: Job): string | null {
  const approval = approvalOf(job)?.value;
  if (!approval) return null;
  const cost = costDecided(job);
  const total = totalOf(cost);
  const agreed = sayMoney(approval.upTo, approval.currency);
  if (total === null) {
    const missing = cost.missing.map((item) =>
      item === 'hourly' ? 'an hour of work' : ITEM_NAME[item].toLowerCase(),
    );
    return `The owner agreed up to ${agreed}; what is decided has no price (${missing.join('; ')}). Enter it, or ask the owner again.`;
  }
  return isWithinAgreed(total, approval.upTo)
    ? null
    : `The owner agreed up to ${agreed}; what is decided costs ${sayMoney(total, job.shop.prices.currency)}. Ask again before it begins.`;
}

/** Agreed against done, in words; nothing where nobody asked. */
export function sayAgreed(job: Job): string[] {
  const approval = approvalOf(job);
  if (!approval) return [];
  const { how, name, chosen, upTo, currency } = approval.value;
  const total = totalOf(costDecided(job));
  return [
    `Agreed by ${name}${how === 'telephone' ? ', by telephone' : ''}: ${chosen} Up to ${sayMoney(upTo, currency)}.`,
    total === null
      ? 'What was decided is not priced on the shop’s list.'
      : `Decided: ${sayMoney(total, job.shop.prices.currency)} by the shop’s list.`,
  ];
}
