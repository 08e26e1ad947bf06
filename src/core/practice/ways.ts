import {
  applyAction,
  comesBack,
  DEMO_SHOP,
  isTrulyWithin,
  trueRunout,
  type ComesBack,
  type PolicySetup,
  type VirtualCorner,
} from '../bench';
import { waveTir } from '../harmonics';
import { numberedRandom } from '../numeric';
import { actionRecord, costOf, type Option, type PriceItem } from '../options';
import type { Micrometres } from '../units';
import { WORKSHOP_DEFAULTS } from '../verdict';
import { DISCARD, NOMINAL } from './draw';
import { thicknessOf } from './truth';

/** What can be decided about the rotor of a case, in the order of what it takes. */
export const WAYS = ['leave', 'plate', 'on-vehicle', 'bench', 'new', 'hub'] as const;
export type Way = (typeof WAYS)[number];

/** The least that a cut may leave in a case. */
export const MACHINE_TO: Micrometres = 26_400;
/** Where an indicator stands on the rotor of a case. */
export const RADIUS: Micrometres = 135_000;

/** Limits, prices and tolerances of a case that is decided. */
export const setupOf = (studs: number): PolicySetup => ({
  ...{ studs, shop: DEMO_SHOP, positions: 12, radius: RADIUS },
  ...{ limit: WORKSHOP_DEFAULTS.runout, dtvLimit: WORKSHOP_DEFAULTS.thicknessVariation },
  ...{ nominal: NOMINAL, machineTo: MACHINE_TO, discard: DISCARD },
});

/** What a way would do that must not be done. */
export type Harm = 'below-machine-to' | 'below-discard';

/** What truly comes of a way, with one luck of tolerances. */
export interface WayOutcome {
  readonly way: Way;
  readonly isCured: boolean;
  readonly harm: Harm | null;
  readonly runout: Micrometres;
  readonly variation: Micrometres;
  readonly least: Micrometres;
  /** When and why it comes back, driven on as it is then; null where it does not in `FORWARD.furthest`. */
  readonly comesBack: ComesBack | null;
  /** Parts, work and a comeback where it is not cured. */
  readonly cost: number;
  readonly minutes: number;
}

const CUTS: readonly Way[] = ['on-vehicle', 'bench'];

/** What items cost in a case, every price known. */
export function priceOf(items: readonly PriceItem[]): { cost: number; minutes: number } {
  const { parts, labour, minutes } = costOf(items, DEMO_SHOP.prices);
  return { cost: (parts ?? 0) + (labour ?? 0), minutes: minutes ?? 0 };
}

/** What a corner comes to by a way, from where its rotor sits; `luck` settles what tolerances leave. */
export function wayOutcome(
  truth: VirtualCorner,
  shift: number,
  way: Way,
  plate: Option['plate'],
  luck: number,
): WayOutcome {
  const setup = setupOf(truth.studs);
  const { items } = actionRecord(way);
  const standing = { truth, shift, sets: [] };
  const done = applyAction(standing, way, { shift, plate }, setup, numberedRandom(luck));
  const runoutAt = (seat: number): Micrometres => waveTir(trueRunout(done.truth, seat));
  // What is paid with a move is moved to its best place.
  const seats = items.includes('index')
    ? Array.from({ length: truth.studs }, (_, seat) => seat)
    : [done.shift];
  const seat = seats.reduce((p, q) => (runoutAt(q) < runoutAt(p) ? q : p));
  const { variation, least } = thicknessOf(done.truth);
  const isCured = isTrulyWithin({ truth: done.truth, shift: seat }, setup);
  const { cost, minutes } = priceOf(items);
  return {
    ...{ way, isCured, variation, least, minutes },
    comesBack: comesBack(done.truth, seat, { variation: setup.dtvLimit, discard: DISCARD }),
    runout: runoutAt(seat),
    harm:
      CUTS.includes(way) && least < MACHINE_TO
        ? 'below-machine-to'
        : least < DISCARD
          ? 'below-discard'
          : null,
    cost: cost + (isCured ? 0 : (DEMO_SHOP.prices.comeback ?? 0)),
  };
}
