import { maximum, meanOf, medianOf } from '../numeric';
import type { Micrometres } from '../units';

/** What happened to a rotor or a set of pads, in the order of the odometer. */
export type WearEvent =
  | { readonly kind: 'fitted'; readonly km: number }
  /** The thinnest place as it was measured. */
  | { readonly kind: 'measured'; readonly km: number; readonly thickness: Micrometres }
  /** Metal that a lathe took off the thinnest place. */
  | { readonly kind: 'cut'; readonly km: number; readonly removed: Micrometres };

/** Wear in micrometres a kilometre, with where it comes from. */
export interface WearRate {
  readonly perKm: number;
  /** Standard uncertainty; null where nothing says how sure it is. */
  readonly u: number | null;
  readonly source: 'history' | 'model' | 'default';
  /** Readings of its own history, or rotors of the same model; 0 for a default. */
  readonly count: number;
}

/** Wear of a rotor in 10,000 km by pad family. Source: handbook 19, workshop defaults. */
export const ROTOR_WEAR = {
  organic: 100,
  ceramic: 100,
  'semi-metallic': 200,
  'low-metallic': 250,
} as const satisfies Record<string, Micrometres>;

export type PadFamily = keyof typeof ROTOR_WEAR;
export const PAD_FAMILIES = Object.keys(ROTOR_WEAR) as readonly PadFamily[];
const PER = 10_000;

/** Readings since the part was fitted, with what was cut off since then put back. */
function sinceFitted(events: readonly WearEvent[]): { km: number; thickness: Micrometres }[] {
  const points: { km: number; thickness: Micrometres }[] = [];
  let cut = 0;
  for (const event of events) {
    if (event.kind === 'fitted') {
      points.length = 0;
      cut = 0;
    } else if (event.kind === 'cut') cut += event.removed;
    else points.push({ km: event.km, thickness: event.thickness + cut });
  }
  return points;
}

/**
 * Wear from a part's own history: the slope of its thickness on the odometer by least
 * squares, cuts taken out. `u` is the standard uncertainty of one thickness in µm; from three
 * readings on their own scatter counts where it is larger. Null with fewer than two readings at
 * different distances, or where the thickness does not fall. Source: handbook 10.
 */
export function wearFromHistory(events: readonly WearEvent[], u: Micrometres): WearRate | null {
  const points = sinceFitted([...events].sort((p, q) => p.km - q.km));
  if (points.length < 2) return null;
  const km = meanOf(points.map((point) => point.km));
  const level = meanOf(points.map(({ thickness }) => thickness));
  const sxx = points.reduce((sum, point) => sum + (point.km - km) ** 2, 0);
  if (sxx === 0) return null;
  const slope =
    points.reduce((sum, point) => sum + (point.km - km) * (point.thickness - level), 0) / sxx;
  if (slope >= 0) return null;
  const misses = points.map((point) => point.thickness - level - slope * (point.km - km));
  const freedom = points.length - 2;
  const scatter = freedom > 0 ? misses.reduce((sum, miss) => sum + miss ** 2, 0) / freedom : u ** 2;
  return {
    perKm: -slope,
    u: Math.sqrt(Math.max(scatter, u ** 2) / sxx),
    source: 'history',
    count: points.length,
  };
}

/** With fewer rotors of a model than this their spread says nothing. */
const ENOUGH = 3;

/** The shop's median for a model, from the rates of its rotors in µm a km; null without any. */
export function wearOfModel(rates: readonly number[]): WearRate | null {
  if (rates.length === 0) return null;
  const perKm = medianOf(rates);
  const centre = meanOf(rates);
  const spread =
    rates.length < ENOUGH
      ? null
      : Math.sqrt(rates.reduce((sum, rate) => sum + (rate - centre) ** 2, 0) / (rates.length - 1));
  return { perKm, u: spread, source: 'model', count: rates.length };
}

/** The workshop default for a pad family, which comes without a band. */
export const wearByDefault = (family: PadFamily): WearRate => ({
  perKm: ROTOR_WEAR[family] / PER,
  u: null,
  source: 'default',
  count: 0,
});

/** Distance in km until a thickness is reached, with its 95 % band where one is known. */
export interface DistanceLeft {
  readonly km: number;
  readonly low: number | null;
  /** Null where the band has no upper end, or there is no band. */
  readonly high: number | null;
}

/** Standard uncertainties to each side of a 95 % band. */
export const SIDES = 1.96;

/** (T − floor) / rate, nothing left at or below the floor. Lengths in µm. Source: handbook 10. */
export function distanceLeft(
  thickness: Micrometres,
  floor: Micrometres,
  { perKm, u }: Pick<WearRate, 'perKm' | 'u'>,
): DistanceLeft {
  const left = maximum([thickness - floor, 0]);
  if (u === null) return { km: left / perKm, low: null, high: null };
  const slowest = perKm - SIDES * u;
  return {
    km: left / perKm,
    low: left / (perKm + SIDES * u),
    high: slowest > 0 ? left / slowest : null,
  };
}

/** Whether a rotor lasts longer than the pads that run on it; null where one is not known. */
export const outlasts = (rotor: DistanceLeft | null, pads: DistanceLeft | null): boolean | null =>
  rotor === null || pads === null ? null : rotor.km >= pads.km;
