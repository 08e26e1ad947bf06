import {
  ACTION_NAME,
  percent,
  sayMoney,
  sayNote,
  whyNot,
  type Option,
  type OptionsInput,
  type Ranking,
} from '@/core/options';
import { hubTir, runoutLimit } from '@/core/assessment';
import { formatIn, type UnitSystem } from '@/core/units';
import {
  outlasts,
  ROTOR_WEAR,
  type DistanceLeft,
  type PadFamily,
  type WearRate,
} from '@/core/wear';

/** Where an option stands among the others, in a word. */
export type Standing = 'recommended' | 'runner-up' | 'open' | 'struck';

export const standingOf = (option: Option, ranking: Ranking, isOpen: boolean): Standing => {
  if (!isOpen) return 'struck';
  if (option === ranking.recommended) return 'recommended';
  return option === ranking.runnerUp ? 'runner-up' : 'open';
};

/** A rotor\u2019s own share in what an option predicts: its tolerance, in µm; null where it has none. */
function ownShare({ action }: Option, { shop }: OptionsInput): number | null {
  const { arborError, newRotorTolerance } = shop.equipment;
  if (action === 'bench' || action === 'bench-indexed') return arborError;
  return action === 'new' || action === 'new-indexed' ? newRotorTolerance : null;
}

/** Why an option ends where it does, by the hub\u2019s share; null where it says nothing. */
export function whyOf(option: Option, input: OptionsInput, units: UnitSystem): string | null {
  const own = ownShare(option, input);
  if (own === null) return null;
  const limit = runoutLimit(input.record.limits).value;
  return whyNot(option, hubTir(input.assessment), limit, own, units);
}

/** Kilometres rounded to what they are worth: hundreds below 10,000, else thousands. */
export function sayKm(km: number): string {
  const step = km < 10_000 ? 100 : 1000;
  return `${(Math.round(km / step) * step).toLocaleString('en')} km`;
}

/** A distance with its band, or with what is missing of it. */
export function sayDistance(distance: DistanceLeft | null): string {
  if (distance === null) return '\u2013';
  const { km, low, high } = distance;
  if (low === null) return `about ${sayKm(km)}`;
  return `${sayKm(km)} (${sayKm(low)} to ${high === null ? 'not known' : sayKm(high)})`;
}

/** Where a rate of wear comes from, in words. */
export function sayRate(rate: WearRate, family: PadFamily): string {
  const per = `${Math.round(rate.perKm * 10_000)} \u00b5m in 10,000 km`;
  switch (rate.source) {
    case 'history':
      return `${per}, from ${rate.count} readings of this rotor.`;
    case 'model':
      return `${per}, the median of ${rate.count} rotor${rate.count === 1 ? '' : 's'} of this model in the shop.`;
    case 'default':
      return `${per}: workshop default for ${family} pads (${ROTOR_WEAR[family]} \u00b5m). It has no band; a second reading of this rotor at another distance gives its own.`;
  }
}

/** Whether the rotor outlasts its pads, in a sentence. */
export function sayOutlasts(rotor: DistanceLeft | null, pads: DistanceLeft | null): string | null {
  const answer = outlasts(rotor, pads);
  if (answer === null) return null;
  return answer
    ? 'The rotor outlasts these pads.'
    : 'The pads outlast the rotor: it is worn out first.';
}

/** A choice in a sentence: what comes first, what second, and by how much. */
export function sayRanking(
  { recommended, runnerUp, by }: Ranking,
  currency: string,
): string | null {
  if (!recommended) return null;
  const first = ACTION_NAME[recommended.action];
  if (by === 'chance') {
    return `${first}: the first that surely ends within, or the best chance. Prices are missing, so cost does not decide.`;
  }
  if (!runnerUp) return `${first}: nothing else may be done.`;
  const more = (runnerUp.expected ?? 0) - (recommended.expected ?? 0);
  return `${first} is expected to cost ${sayMoney(recommended.expected, currency)}; the runner-up, ${ACTION_NAME[runnerUp.action].toLowerCase()}, ${sayMoney(more, currency)} more.`;
}

/** Everything to be said below an option\u2019s name. */
export const notesOf = (option: Option, units: UnitSystem): string[] =>
  [...option.missing, ...option.notes].map((note) => sayNote(note, units));

/** One option as a bar of the chart, in the shop\u2019s unit. */
export interface Bar {
  readonly name: string;
  readonly low: number;
  readonly tir: number;
  readonly high: number;
  readonly chance: string;
}

/** Predicted runout of the options that predict one, as bars in the shop\u2019s unit. */
export const barsOf = (options: readonly Option[], toUnit: (um: number) => number): Bar[] =>
  options.flatMap(({ action, runout, probability, forbidden }) =>
    runout === null || forbidden.length > 0
      ? []
      : [
          {
            name: ACTION_NAME[action],
            low: toUnit(runout.low),
            tir: toUnit(runout.tir),
            high: toUnit(runout.high),
            chance: percent(probability ?? 0),
          },
        ],
  );

/** A length in words, for sentences. */
export const sayLength = (um: number, units: UnitSystem): string =>
  formatIn(units, 'deviation', um);
