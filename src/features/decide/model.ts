import {
  isOnlyPrice,
  ACTIONS,
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

/** A choice in a sentence: what comes first, what second, and by how much. */
export function sayRanking(
  { recommended, runnerUp, by }: Ranking,
  currency: string,
): string | null {
  if (!recommended) return null;
  const first = ACTIONS[recommended.action].name;
  if (by === 'chance') {
    return `${first}: the first that surely ends within, or the best chance. Prices are missing, so cost does not decide.`;
  }
  if (!runnerUp) return `${first}: nothing else may be done.`;
  const more = (runnerUp.expected ?? 0) - (recommended.expected ?? 0);
  return `${first} is expected to cost ${sayMoney(recommended.expected, currency)}; the runner-up, ${ACTIONS[runnerUp.action].name.toLowerCase()}, ${sayMoney(more, currency)} more.`;
}

/** Everything to be said below an option\u2019s name. */
export const notesOf = (option: Option, units: UnitSystem): string[] =>
  [...option.missing, ...option.notes]
    .filter((note) => !isOnlyPrice(note))
    .map((note) => sayNote(note, units));

/** What is missing on the shop’s list for some option, each once. */
export const pricesMissing = (options: readonly Option[], units: UnitSystem): string[] => [
  ...new Set(
    options.flatMap(({ missing }) =>
      missing.filter(isOnlyPrice).map((note) => sayNote(note, units)),
    ),
  ),
];

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
            name: ACTIONS[action].name,
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
