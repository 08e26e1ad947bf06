import 'server-only';
import { SOURCE_NAME } from '../../core/assessment';
import {
  axleAt,
  DRUM_ITEMS,
  drumAt,
  drumDiameters,
  drumItems,
  lengthAt,
  type DrumState,
  type Job,
} from '../../core/job';
import type { UnitSystem } from '../../core/units';
import { PROCEDURE } from '../../core/contracts';
import type { DrumWork } from '../../core/drum';
import { costOf, sayMoney, type PriceItem } from '../../core/options';
import type { FigureItem } from '../../core/procedure';
import { CORNER_NAME, type Corner } from '../../core/readings';
import { shopUnits } from '../shop/settings';

/** One drum as its page shows it. */
export interface DrumView extends DrumState {
  readonly jobId: string;
  readonly name: string;
  readonly isClosed: boolean;
  readonly units: UnitSystem;
  readonly diameters: Readonly<Record<'before' | 'after', readonly (number | null)[]>>;
  /** Where the wear limit and the limit of roundness come from, in words. */
  readonly sources: { readonly size: string; readonly round: string };
  /** What each option costs by the shop's list, in words. */
  readonly prices: Readonly<Record<DrumWork, string>>;
  readonly shoesPrice: string;
}

/** What items cost by the shop's list, in words; what is missing is said. */
function sayPrice({ shop }: Pick<Job, 'shop'>, items: readonly PriceItem[]): string {
  if (items.length === 0) return 'costs nothing';
  const { parts, labour, minutes, missing } = costOf(items, shop.prices);
  if (missing.length > 0 || parts === null || labour === null)
    return 'not priced on the shop’s list';
  return `${sayMoney(parts + labour, shop.prices.currency)}, ${minutes ?? 0} min`;
}

/** Where the limits of a drum come from, in words. */
function sourcesAt(job: Job, corner: Corner): DrumView['sources'] {
  const { limits = [] } = axleAt(job, corner) ?? {};
  const of = (kind: 'drumDiscard' | 'drumRound') => limits.find((each) => each.kind === kind);
  const [file, stamped] = [of('drumDiscard'), lengthAt(job, corner, 'stamped-drum')];
  const isStamped = stamped !== null && (!file || stamped < file.valueUm);
  return {
    size: isStamped ? 'stamped on this drum' : SOURCE_NAME[file?.source ?? 'other'],
    round: SOURCE_NAME[of('drumRound')?.source ?? 'workshop'],
  };
}

/** Everything that the pages show of the drum of a corner. */
export async function drumView(job: Job, corner: Corner): Promise<DrumView> {
  return {
    ...drumAt(job, corner),
    ...{ jobId: job.id, name: CORNER_NAME[corner], isClosed: job.closedAt !== null },
    units: await shopUnits(),
    diameters: {
      before: drumDiameters(job, corner, 'before'),
      after: drumDiameters(job, corner, 'after'),
    },
    sources: sourcesAt(job, corner),
    prices: {
      keep: sayPrice(job, DRUM_ITEMS.keep),
      cut: sayPrice(job, DRUM_ITEMS.cut),
      renew: sayPrice(job, DRUM_ITEMS.renew),
    },
    shoesPrice: sayPrice(job, ['shoes']),
  };
}

/** The figures that are read of a drum in a phase, with its stamped limit before the work. */
export const drumFigureItems = (phase: 'before' | 'after'): FigureItem[] => {
  const codes: readonly string[] = [
    ...drumItems(phase),
    ...(phase === 'before' ? ['stamped-drum'] : []),
  ];
  return PROCEDURE.figures.filter(({ code }) => codes.includes(code));
};
