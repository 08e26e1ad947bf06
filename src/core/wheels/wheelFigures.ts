import { CORNERS, otherSide, type Corner } from '../readings';
import type { Quantity } from './quantity';

/** A figure that is read at each wheel, or of the whole vehicle, beside the rotor. */
export interface WheelItem {
  readonly code: WheelCode;
  readonly name: string;
  readonly quantity: Quantity;
  /** Fewest and most figures that are typed together. */
  readonly count: readonly [number, number];
  readonly hint: string;
  /** The finding of the knowledge that it says. */
  readonly says: string;
}

export const WHEEL_CODES = ['heat', 'pressure', 'tread', 'rim', 'nuts'] as const;
export type WheelCode = (typeof WHEEL_CODES)[number] | 'water';

/** What is measured at each wheel. Source: handbook 12 (measured beside the rotor). */
export const WHEEL_ITEMS: readonly WheelItem[] = [
  {
    code: 'heat',
    name: 'Temperature after the drive',
    quantity: 'temperature',
    count: [1, 1],
    hint: 'The same drive for all four, at the same place of each wheel.',
    says: 'wheel-heat',
  },
  {
    code: 'pressure',
    name: 'Tyre pressure',
    quantity: 'pressure',
    count: [2, 2],
    hint: 'Cold: as read, then as it should be.',
    says: 'tyre-pressure',
  },
  {
    code: 'tread',
    name: 'Tread',
    quantity: 'depth',
    count: [3, 3],
    hint: 'Inside, middle, outside. Cups are seen, not measured.',
    says: 'tread-check',
  },
  {
    code: 'rim',
    name: 'Rim runout',
    quantity: 'depth',
    count: [2, 2],
    hint: 'One slow turn, then its limit.',
    says: 'rim-check',
  },
  {
    code: 'nuts',
    name: 'Nuts or bolts as found',
    quantity: 'torque',
    count: [2, 12],
    hint: 'Each in turn, on the ground, before any is cracked loose.',
    says: 'nut-check',
  },
];

export const WATER: WheelItem = {
  code: 'water',
  name: 'Water in the fluid',
  quantity: 'percent',
  count: [1, 1],
  hint: 'By the tester, at the reservoir.',
  says: 'fluid-check',
};

/** Whether a check is a figure of a wheel: any of the four is held against the others. */
export const isWheelFigure = (kind: string, item: string): boolean =>
  kind === 'figure' && WHEEL_CODES.some((code) => code === item);

/** What figures say: an answer of the knowledge and why, in a few words; null where they say nothing. */
export interface Says {
  readonly value: string;
  readonly why: string;
}

/** Where the bands of the knowledge begin. Source: handbook 12; limits of nuts and treads are the workshop's. */
const BANDS = {
  pressure: { off: 0.1, far: 0.25 },
  treadMm: 1.5,
  nuts: { over: 1.5, loose: 0.2, spread: 0.3 },
  heatK: { warmer: 20, hot: 60 },
  water: { some: 2, wet: 3.5 },
} as const;

const percent = (share: number): string => `${Math.round(share * 100)} %`;

function pressureSays([read = 0, should = 0]: readonly number[]): Says | null {
  if (should <= 0) return null;
  const off = (read - should) / should;
  const { off: least, far } = BANDS.pressure;
  const size = Math.abs(off);
  const value = size >= far ? 'far' : size >= least ? 'off' : 'right';
  const way = off < 0 ? 'below' : 'above';
  return { value, why: value === 'right' ? 'as it should be' : `${percent(size)} ${way}` };
}

function treadSays([inside = 0, , outside = 0]: readonly number[]): Says | null {
  const apart = Math.abs(inside - outside);
  if (apart < BANDS.treadMm) return null;
  const side = inside < outside ? 'inside' : 'outside';
  return { value: 'one-side', why: `${apart.toFixed(1)} mm less on the ${side}` };
}

function rimSays([runout = 0, limit = 0]: readonly number[]): Says | null {
  if (limit <= 0) return null;
  const ratio = runout / limit;
  const value = ratio <= 1 ? 'within' : ratio <= 2 ? 'beyond' : 'far';
  return { value, why: `${ratio.toFixed(1)} times its limit` };
}

/** By the torque on file where there is one; evenness is judged without it too. */
function nutsSay(found: readonly number[], should: number | null): Says {
  const ordered = [...found].sort((p, q) => p - q);
  const [least = 0, most = 0] = [ordered[0], ordered.at(-1)];
  const middle = ordered[Math.floor(ordered.length / 2)] ?? 0;
  const { over, loose, spread } = BANDS.nuts;
  if (should !== null && least < loose * should) return { value: 'loose', why: 'one is loose' };
  if (should !== null && most > over * should) {
    return { value: 'over', why: `${percent(most / should)} of what it should be` };
  }
  const apart = middle > 0 ? (most - least) / middle : Infinity;
  return apart > spread
    ? { value: 'uneven', why: `${percent(Math.min(apart, 9.99))} apart` }
    : { value: 'even', why: 'even' };
}

function waterSays([water = 0]: readonly number[]): Says {
  const { some, wet } = BANDS.water;
  const value = water > wet ? 'wet' : water >= some ? 'some' : 'dry';
  return { value, why: `${water.toFixed(1)} %` };
}

/**
 * The odd wheel out by its temperature, against its opposite. The hotter one drags, unless the colder
 * one is colder than every other wheel and its opposite is not hotter than the other axle: then it
 * does not brake. Wheels without an opposite that was measured say nothing.
 */
function heatSays(corner: Corner, degrees: ReadonlyMap<Corner, number>): Says | null {
  const [own, opposite] = [degrees.get(corner), degrees.get(otherSide(corner))];
  if (own === undefined || opposite === undefined) return null;
  const { warmer, hot } = BANDS.heatK;
  const apart = own - opposite;
  const kelvin = `${Math.round(Math.abs(apart))} K`;
  if (Math.abs(apart) < warmer) return { value: 'alike', why: 'as its opposite' };
  const rest = CORNERS.filter((each) => each !== corner && each !== otherSide(corner)).flatMap(
    (each) => degrees.get(each) ?? [],
  );
  const [cold, warm] = [Math.min(own, opposite), Math.max(own, opposite)];
  const isColdOdd =
    rest.length > 0 && cold < Math.min(...rest) - warmer && warm < Math.max(...rest) + warmer;
  if (apart < 0) {
    return isColdOdd ? { value: 'cold', why: `${kelvin} colder than its opposite` } : null;
  }
  if (isColdOdd) return null;
  return { value: apart >= hot ? 'hot' : 'warmer', why: `${kelvin} hotter than its opposite` };
}

/** Figures as they are kept: by item and corner, water without one. */
export interface KeptFigures {
  readonly code: WheelCode;
  readonly corner: Corner | null;
  readonly figures: readonly number[];
}

/**
 * What the figures of the wheels say, each as an answer of the knowledge at its corner.
 * @param kept figures in °C, bar, mm, N·m and per cent
 * @param nutsShould torque of the wheel nuts of a corner in N·m; null where it is not on file
 */
export function wheelSays(
  kept: readonly KeptFigures[],
  nutsShould: (corner: Corner) => number | null,
): (Says & { readonly item: WheelItem; readonly corner: Corner | null })[] {
  const degrees = new Map(
    kept.flatMap(({ code, corner, figures: [figure] }): [Corner, number][] =>
      code === 'heat' && corner && figure !== undefined ? [[corner, figure]] : [],
    ),
  );
  const of: Readonly<Record<WheelCode, (each: KeptFigures) => Says | null>> = {
    heat: ({ corner }) => corner && heatSays(corner, degrees),
    pressure: ({ figures }) => pressureSays(figures),
    tread: ({ figures }) => treadSays(figures),
    rim: ({ figures }) => rimSays(figures),
    nuts: ({ figures, corner }) => nutsSay(figures, corner && nutsShould(corner)),
    water: ({ figures }) => waterSays(figures),
  };
  return kept.flatMap((each) => {
    const item = [...WHEEL_ITEMS, WATER].find(({ code }) => code === each.code);
    const says = of[each.code](each);
    return item && says ? [{ ...says, item, corner: each.corner }] : [];
  });
}
