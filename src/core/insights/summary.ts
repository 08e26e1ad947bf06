import { meanFrom, shareOf, type Mean, type Share } from './interval';
import { STAGES, timeAt, type StageKey } from './stages';
import type { Measure } from './tally';

/** Tallies of one measure under one key, summed up. */
export interface Cell {
  readonly measure: string;
  readonly key: string;
  readonly count: number;
  readonly sum: number;
  readonly squares: number;
}

/** How often what was done under a key came back. */
export interface Comebacks {
  readonly key: string;
  readonly share: Share;
}

/** How well the predicted runout of a correction held. */
export interface Prediction {
  readonly correction: string;
  /** Measured less predicted, in µm TIR. */
  readonly miss: Mean;
  /** Share that lay in its 95 % band. */
  readonly within: Share;
}

/** Hands-on time of a stage in minutes: the middle half of the jobs about the median. */
export interface StageTime {
  readonly stage: StageKey;
  readonly jobs: number;
  readonly median: number;
  readonly from: number;
  readonly to: number;
}

/** What a correction saved against new rotors, in one currency; negative where it lost. */
export interface Saving {
  readonly currency: string;
  readonly correction: string;
  readonly corners: number;
  readonly total: number;
  readonly each: Mean;
}

/** What closed jobs have taught. */
export interface Insights {
  readonly jobs: number;
  readonly comebacks: Share;
  readonly byCause: readonly Comebacks[];
  readonly byCorrection: readonly Comebacks[];
  readonly predictions: readonly Prediction[];
  readonly stages: readonly StageTime[];
  readonly found: readonly {
    readonly code: string;
    readonly value: string;
    readonly count: number;
  }[];
  readonly savings: readonly Saving[];
}

const often = (p: Comebacks, q: Comebacks): number =>
  q.share.of - p.share.of || (p.key < q.key ? -1 : 1);

const comebacksOf = (cells: readonly Cell[]): Comebacks[] =>
  cells.map(({ key, count, sum }) => ({ key, share: shareOf(sum, count) })).sort(often);

function stageTimes(cells: readonly Cell[]): StageTime[] {
  return STAGES.flatMap((stage) => {
    const bins = cells.flatMap(({ key, count }) => {
      const [name, bin] = key.split('|');
      return name === stage ? [{ bin: Number(bin), count }] : [];
    });
    const from = timeAt(bins, 0.25);
    const median = timeAt(bins, 0.5);
    const to = timeAt(bins, 0.75);
    if (from === null || median === null || to === null) return [];
    const jobs = bins.reduce((sum, { count }) => sum + count, 0);
    return [{ stage, jobs, median, from, to }];
  });
}

/** Puts summed tallies into what a shop asks of them; cells that count nothing are left out. */
export function summarise(all: readonly Cell[]): Insights {
  const counted = all.filter(({ count }) => count > 0);
  const of = (measure: Measure): Cell[] => counted.filter((cell) => cell.measure === measure);
  const causes = of('cause');
  const jobs = causes.reduce((sum, { count }) => sum + count, 0);
  const back = causes.reduce((total, { sum }) => total + sum, 0);
  const within = new Map(of('within').map((cell) => [cell.key, cell]));
  return {
    jobs,
    comebacks: shareOf(back, jobs),
    byCause: comebacksOf(causes),
    byCorrection: comebacksOf(of('correction')),
    predictions: of('miss')
      .map(({ key, count, sum, squares }) => ({
        correction: key,
        miss: meanFrom(count, sum, squares),
        within: shareOf(within.get(key)?.sum ?? 0, within.get(key)?.count ?? 0),
      }))
      .sort((p, q) => q.miss.of - p.miss.of),
    stages: stageTimes(of('stage-bin')),
    found: of('found')
      .map(({ key, count }) => {
        const [code = '', value = ''] = key.split('=');
        return { code, value, count };
      })
      .sort((p, q) => q.count - p.count || (p.code < q.code ? -1 : 1)),
    savings: of('money')
      .map(({ key, count, sum, squares }) => {
        const [currency = '', correction = ''] = key.split('|');
        return {
          currency,
          correction,
          corners: count,
          total: sum,
          each: meanFrom(count, sum, squares),
        };
      })
      .sort((p, q) => q.corners - p.corners),
  };
}
