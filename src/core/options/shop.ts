import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import type { PadFamily } from '../wear';

/** What has a price and a time of its own, in the order it is listed. */
export const PRICE_ITEMS = [
  'clean',
  'index',
  'plate',
  'bench',
  'on-vehicle',
  'rotor',
  'hub',
  'pads',
  'hardware',
  'fluid',
  'pins',
  'bracket',
  'hose',
  'caliper',
  'nuts',
  'bedding',
  'degrease',
  'fixing',
  'right-part',
  'master',
  'drum',
  'drum-cut',
  'shoes',
  'adjust',
  'abs',
  'tyre-wheel',
  'joint',
  'driveline',
] as const;
export type PriceItem = (typeof PRICE_ITEMS)[number];

export const ITEM_NAME: Readonly<Record<PriceItem, string>> = {
  clean: 'Clean hub face and hat, refit, measure again',
  index: 'Move the rotor and measure again',
  plate: 'Tapered plate, fitted and measured',
  bench: 'Cut one rotor on the bench lathe',
  'on-vehicle': 'Cut one rotor on the vehicle',
  rotor: 'New rotor, one',
  hub: 'New hub or bearing, one corner',
  pads: 'Pads, one axle',
  hardware: 'Clips and hardware, one axle',
  fluid: 'Fluid change and bleeding',
  pins: 'Slide pins, one corner',
  bracket: 'Caliper bracket, one corner',
  hose: 'Brake hose, one corner',
  caliper: 'Caliper, one corner',
  nuts: 'Wheel nuts renewed and drawn up, one wheel',
  bedding: 'Bedding-in drive',
  degrease: 'Faces cleaned of oil, grease or fluid, one corner',
  fixing: 'Fixings of caliper and bracket looked at and drawn up, one corner',
  'right-part': 'Right part fitted the right way, one corner',
  master: 'Master cylinder',
  drum: 'New brake drum, one',
  'drum-cut': 'Cut one brake drum',
  shoes: 'Brake shoes with springs, one axle',
  adjust: 'Shoes and cable adjusted, one axle',
  abs: 'Wheel sensor or its ring, one',
  'tyre-wheel': 'Tyre or wheel balanced, trued or renewed, one',
  joint: 'Steering or suspension joint, one',
  driveline: 'Shaft or joint of the driveline',
};

/** Parts that items of the list need, as they are ordered; what is only work needs none. */
const PART_OF = {
  plate: 'Tapered plate',
  rotor: 'Brake rotor',
  hub: 'Hub or wheel bearing',
  pads: 'Brake pads, set of an axle',
  hardware: 'Clips and hardware, set of an axle',
  fluid: 'Brake fluid',
  pins: 'Slide pins with boots, one caliper',
  bracket: 'Caliper bracket',
  hose: 'Brake hose',
  caliper: 'Caliper',
  nuts: 'Wheel nuts or bolts, one wheel',
  'right-part': 'The right part in place of the wrong one',
  master: 'Master cylinder',
  drum: 'Brake drum',
  shoes: 'Brake shoes with springs, set of an axle',
  abs: 'Wheel sensor or its ring',
  'tyre-wheel': 'Tyre, wheel or weights',
  joint: 'Steering or suspension joint',
  driveline: 'Shaft or joint of the driveline',
} as const satisfies Partial<Record<PriceItem, string>>;
export type PartItem = keyof typeof PART_OF | 'one-use';

/** Everything that can be ordered, one-use bolts last. */
const [FIRST_PART = 'rotor', ...OTHER_PARTS] = Object.keys(PART_OF) as (keyof typeof PART_OF)[];
export const PART_ITEMS: readonly [PartItem, ...PartItem[]] = [
  FIRST_PART,
  ...OTHER_PARTS,
  'one-use',
];

/** The part that an item of the list needs, as it is ordered; null where it needs none. */
export const partOf = (item: PriceItem): { item: PartItem; name: string } | null =>
  item in PART_OF
    ? { item: item as keyof typeof PART_OF, name: PART_OF[item as keyof typeof PART_OF] }
    : null;

/** What one item costs; null where the shop has not said, which is never taken for zero. */
export interface Price {
  /** Parts, in the shop's currency. */
  readonly parts: number | null;
  readonly minutes: number | null;
  /** Hours that the customer is without the vehicle beside the work itself. */
  readonly away: number | null;
}

export interface PriceList {
  /** A label only, e.g. "crowns". */
  readonly currency: string;
  /** An hour of work. */
  readonly hourly: number | null;
  /** What a vehicle that comes back costs the shop. */
  readonly comeback: number | null;
  readonly items: Readonly<Record<PriceItem, Price>>;
}

/** What the shop has to work with; lengths in micrometres, TIR. */
export interface Equipment {
  readonly bench: 'own' | 'sent-out' | 'none';
  readonly onVehicle: 'own' | 'none';
  readonly arborError: Micrometres;
  readonly residual: Micrometres;
  readonly newRotorTolerance: Micrometres;
  readonly plates: {
    readonly corrections: readonly Micrometres[];
    readonly referenceRadius: Micrometres;
  };
  /** Left to right thickness difference allowed on an axle. */
  readonly sideToSide: Micrometres;
  readonly padFamily: PadFamily;
  /** Pad lining: new, worn out, and worn in 10,000 km; null where the shop has not said. */
  readonly padNew: Micrometres | null;
  readonly padMinimum: Micrometres | null;
  readonly padWear: Micrometres | null;
}

/** A shop's own list and equipment. */
export interface Shop {
  readonly prices: PriceList;
  readonly equipment: Equipment;
}

const UNKNOWN: Price = { parts: null, minutes: null, away: null };

/** A shop that has entered nothing yet: no prices, the workshop defaults of handbook 19. */
export const NEW_SHOP: Shop = {
  prices: {
    currency: '',
    hourly: null,
    comeback: null,
    items: Object.fromEntries(PRICE_ITEMS.map((item) => [item, UNKNOWN])) as Record<
      PriceItem,
      Price
    >,
  },
  equipment: {
    bench: 'own',
    onVehicle: 'own',
    arborError: WORKSHOP_DEFAULTS.arborError,
    residual: WORKSHOP_DEFAULTS.onVehicleResidual,
    newRotorTolerance: WORKSHOP_DEFAULTS.newRotorTolerance,
    plates: WORKSHOP_DEFAULTS.plates,
    sideToSide: WORKSHOP_DEFAULTS.sideToSide,
    padFamily: 'semi-metallic',
    padNew: null,
    padMinimum: null,
    padWear: null,
  },
};

/** What was added to a job beside the rotor: repairs of the source, pads, hardware, fluid. */
export const EXTRAS = [
  'pads',
  'hardware',
  'fluid',
  'pins',
  'bracket',
  'hose',
  'caliper',
  'nuts',
] as const satisfies readonly PriceItem[];
export type Extra = (typeof EXTRAS)[number];

/** Extras that belong to the axle or the vehicle: once, however many corners. */
export const AXLE_EXTRAS: readonly Extra[] = ['pads', 'hardware', 'fluid'];

/** A sum of parts, work and time, each null as soon as one of its figures is missing. */
export interface Cost {
  readonly parts: number | null;
  readonly minutes: number | null;
  readonly labour: number | null;
  readonly away: number | null;
  /** Items without a price or a time, and "hourly" without a rate. */
  readonly missing: readonly (PriceItem | 'hourly')[];
}

const sumOf = (values: readonly (number | null)[]): number | null =>
  values.reduce<number | null>(
    (sum, value) => (sum === null || value === null ? null : sum + value),
    0,
  );

/** What these items cost together. Time without the vehicle is the longest, not the sum. */
export function costOf(items: readonly PriceItem[], prices: PriceList): Cost {
  const listed = items.map((item) => prices.items[item]);
  const minutes = sumOf(listed.map((price) => price.minutes));
  const aways = listed.map(({ away }) => away);
  const needsRate = minutes !== 0;
  const missing = items.filter(
    (item) => prices.items[item].parts === null || prices.items[item].minutes === null,
  );
  return {
    parts: sumOf(listed.map(({ parts }) => parts)),
    minutes,
    labour:
      minutes === null || (needsRate && prices.hourly === null)
        ? null
        : (minutes / 60) * (prices.hourly ?? 0),
    away: aways.some((away) => away === null)
      ? null
      : Math.max(0, ...aways.map((away) => away ?? 0)),
    missing: [
      ...new Set(missing),
      ...(needsRate && prices.hourly === null ? (['hourly'] as const) : []),
    ],
  };
}

/** parts + labour + P(comeback) · comeback cost, P(comeback) = 1 − P(within). Source: handbook 11. */
export function expectedCost(
  { parts, labour }: Pick<Cost, 'parts' | 'labour'>,
  probability: number | null,
  comeback: number | null,
): number | null {
  if (parts === null || labour === null || probability === null) return null;
  const atRisk = 1 - probability;
  if (comeback === null) return atRisk === 0 ? parts + labour : null;
  return parts + labour + atRisk * comeback;
}
