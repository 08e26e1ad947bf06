import { costOf, ITEM_NAME, PRICE_ITEMS, type Price, type PriceItem, type Shop } from '../options';
import { DEMO_SHOP } from './demoShop';
import type { Policy } from './policies';
import { USUAL_POPULATION } from './policyTruth';
import { USUAL_SETUP, type ProvingPlan } from './proving';

/** What is chosen for a study, each between two ends. */
export const PROVING_FIGURES = [
  { key: 'hub', of: 'corners', as: 'length', from: 10, to: 150, step: 5 },
  { key: 'rotor', of: 'corners', as: 'length', from: 10, to: 150, step: 5 },
  { key: 'variation', of: 'corners', as: 'length', from: 0, to: 40, step: 1 },
  { key: 'thinnest', of: 'corners', as: 'share', from: 0, to: 0.9, step: 0.05 },
  { key: 'limit', of: 'limits', as: 'length', from: 20, to: 120, step: 5 },
  { key: 'dtvLimit', of: 'limits', as: 'length', from: 5, to: 30, step: 1 },
  { key: 'hourly', of: 'prices', as: 'money', from: 0, to: 300, step: 1 },
  { key: 'comeback', of: 'prices', as: 'money', from: 0, to: 2000, step: 10 },
  { key: 'rotorParts', of: 'prices', as: 'money', from: 0, to: 500, step: 2 },
  { key: 'rotorMinutes', of: 'prices', as: 'minutes', from: 5, to: 90, step: 1 },
  { key: 'benchMinutes', of: 'prices', as: 'minutes', from: 5, to: 120, step: 5 },
  { key: 'indexMinutes', of: 'prices', as: 'minutes', from: 2, to: 60, step: 1 },
] as const;
export type ProvingFigure = (typeof PROVING_FIGURES)[number];
export type ProvingKey = ProvingFigure['key'];
export type ProvingValues = Readonly<Record<ProvingKey, number>>;

/** The shop’s list with what it does not say taken from the demo’s: nothing is reckoned as if it cost nothing. */
function filled(shop: Shop): Shop {
  const item = (code: PriceItem): Price => {
    const [own, other] = [shop.prices.items[code], DEMO_SHOP.prices.items[code]];
    return {
      parts: own.parts ?? other.parts,
      minutes: own.minutes ?? other.minutes,
      away: own.away ?? other.away,
    };
  };
  return {
    ...shop,
    prices: {
      currency: shop.prices.currency || DEMO_SHOP.prices.currency,
      hourly: shop.prices.hourly ?? DEMO_SHOP.prices.hourly,
      comeback: shop.prices.comeback ?? DEMO_SHOP.prices.comeback,
      // Every item has one.
      items: Object.fromEntries(PRICE_ITEMS.map((code) => [code, item(code)])) as Record<
        PriceItem,
        Price
      >,
    },
  };
}

const within = ({ from, to }: ProvingFigure, value: number): number =>
  Math.min(to, Math.max(from, value));

/** The figures that a study begins with: the shop’s own prices where it has them. */
export function provingValues(shop: Shop): ProvingValues {
  const { hourly, comeback, items } = filled(shop).prices;
  const first: ProvingValues = {
    ...{ hub: USUAL_POPULATION.hub, rotor: USUAL_POPULATION.rotor },
    ...{ variation: USUAL_POPULATION.variation, thinnest: USUAL_POPULATION.thinnest },
    ...{ limit: USUAL_SETUP.limit, dtvLimit: USUAL_SETUP.dtvLimit },
    ...{ hourly: hourly ?? 0, comeback: comeback ?? 0 },
    ...{ rotorParts: items.rotor.parts ?? 0, rotorMinutes: items.rotor.minutes ?? 0 },
    ...{ benchMinutes: items.bench.minutes ?? 0, indexMinutes: items.index.minutes ?? 0 },
  };
  // Every figure has one.
  return Object.fromEntries(
    PROVING_FIGURES.map((figure) => [figure.key, within(figure, first[figure.key])]),
  ) as Record<ProvingKey, number>;
}

/** Whether a figure that a study begins with is assumed: the shop’s list does not say it. */
export function isAssumed({ prices }: Shop, key: ProvingKey): boolean {
  const { hourly, comeback, items } = prices;
  const own: Readonly<Partial<Record<ProvingKey, number | null>>> = {
    ...{ hourly, comeback, rotorParts: items.rotor.parts, rotorMinutes: items.rotor.minutes },
    ...{ benchMinutes: items.bench.minutes, indexMinutes: items.index.minutes },
  };
  return own[key] === undefined || own[key] === null;
}

/** What the ways are paid by, beside the figures that are chosen. */
const PAID: readonly PriceItem[] = [
  'clean',
  'plate',
  'on-vehicle',
  'bench',
  'rotor',
  'hub',
  'index',
];

/** What the shop’s list does not say and a study takes from the demo’s, in words. */
export const assumedItems = ({ prices }: Shop): string[] =>
  PAID.filter((item) => costOf([item], prices).missing.length > 0).map((item) => ITEM_NAME[item]);

/** The plan of a study by its figures: the shop’s equipment, its prices with those that were chosen. */
export function provingPlan(
  shop: Shop,
  values: ProvingValues,
  policies: readonly Policy[],
): ProvingPlan {
  const whole = filled(shop);
  const { items } = whole.prices;
  const prices = {
    ...whole.prices,
    ...{ hourly: values.hourly, comeback: values.comeback },
    items: {
      ...items,
      rotor: { ...items.rotor, parts: values.rotorParts, minutes: values.rotorMinutes },
      bench: { ...items.bench, minutes: values.benchMinutes },
      index: { ...items.index, minutes: values.indexMinutes },
    },
  };
  return {
    setup: {
      ...USUAL_SETUP,
      shop: { ...whole, prices },
      ...{ limit: values.limit, dtvLimit: values.dtvLimit },
    },
    population: {
      ...USUAL_POPULATION,
      ...{ hub: values.hub, rotor: values.rotor },
      ...{ variation: values.variation, thinnest: values.thinnest },
    },
    policies,
  };
}
