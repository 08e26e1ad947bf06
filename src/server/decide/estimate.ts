import 'server-only';
import { formatDate } from '../../core/calendar';
import {
  approvalOf,
  costDecided,
  drumAt,
  drumCorners,
  DRUM_ITEMS,
  isDrumWork,
  sourceRepairs,
  standingOf,
  totalOf,
  vehicleName,
  type Job,
} from '../../core/job';
import { DRUM_WORK, type DrumWork } from '../../core/drum';
import {
  actionRecord,
  costOf,
  mayBeTaken,
  metalOf,
  percent,
  recommendedPair,
  sayMoney,
  type Action,
  type Cost,
  type Option,
  type PairOption,
} from '../../core/options';
import { CORNER_NAME, type Corner } from '../../core/readings';
import type { UnitSystem } from '../../core/units';
import { ownerReport, type OwnerReport } from '../report/owner';
import { decidePage, type DecideCorner } from './decidePage';
import { sayTakes } from './repairsView';

/** One way to put an axle or a corner right, as its owner is told. */
export interface EstimateWay {
  readonly what: string;
  readonly price: number | null;
  /** In words: the price, or that it is not on the list. */
  readonly sayPrice: string;
  readonly away: string;
  readonly lasts: string;
  readonly comesBack: string;
  readonly isRecommended: boolean;
  /** Why it is recommended; empty where it is not. */
  readonly why: string;
}

/** An axle or a corner with the ways that may be taken. */
export interface EstimatePart {
  readonly where: string;
  readonly ways: readonly EstimateWay[];
  /** Why nothing can be offered yet; null where something can. */
  readonly notYet: string | null;
}

/** A picture of what was found. */
export interface EstimatePhoto {
  readonly sha256: string;
  readonly width: number;
  readonly height: number;
  /** Where it was taken, with its caption. */
  readonly say: string;
}

/** What the owner is shown before any metal is cut. */
export interface Estimate {
  readonly head: OwnerReport['head'];
  readonly mustNotMove: readonly string[];
  /** Whose figures were invented for practice; null where all was read on the vehicle. */
  readonly invented: string | null;
  readonly found: readonly string[];
  readonly plots: OwnerReport['plots'];
  /** What was photographed at the corners, oldest first. */
  readonly photos: readonly EstimatePhoto[];
  readonly parts: readonly EstimatePart[];
  /** Sources beside the discs, each with what it takes. */
  readonly beside: readonly string[];
  readonly currency: string;
  /** What is decided now, by the list; null where nothing is, or a price is missing. */
  readonly decided: { readonly total: number | null; readonly say: string } | null;
  readonly approval: {
    readonly say: string;
    readonly by: string | null;
    readonly at: string;
    readonly stamp: string;
    readonly upTo: number;
  } | null;
}

/** What an action is to somebody who does not work on brakes. */
const PLAINLY: Readonly<Record<ReturnType<typeof actionRecord>['correction'], string>> = {
  leave: 'Leave it as it is',
  clean: 'Clean the seat behind the brake disc and measure again',
  index: 'Turn the brake disc on its hub to where both run true together',
  plate: 'Fit a tapered plate between hub and brake disc',
  'machine-on-vehicle': 'Machine the brake disc true on the vehicle',
  'machine-bench': 'Machine the brake disc true on the lathe',
  replace: 'Fit a new brake disc',
  hub: 'Renew hub or wheel bearing, keep the brake disc',
  'hub-replace': 'Renew hub or wheel bearing and brake disc',
};
const plainly = (action: Action): string => PLAINLY[actionRecord(action).correction];

const sayAway = ({ away }: Cost): string =>
  away === null ? 'not known' : away === 0 ? 'none beside the work' : `${away} hours`;

const KM_STEP = 1000;
const sayKm = (km: number): string => (Math.floor(km / KM_STEP) * KM_STEP).toLocaleString('en');

/** How far the disc that wears out first lasts: its band where one is known, never the middle alone. */
function sayLasts(options: readonly Option[]): string {
  const known = options.flatMap(({ distance }) => distance ?? []);
  if (known.length < options.length) return 'not known';
  const [first, ...rest] = known;
  if (!first) return 'not known';
  const { km, low, high } = rest.reduce((p, q) => (q.km < p.km ? q : p), first);
  if (low === null) return `about ${sayKm(km)} km, as a rule of thumb`;
  return high === null ? `${sayKm(low)} km or more` : `${sayKm(low)} to ${sayKm(high)} km`;
}

/** A chance that is nearly none or nearly sure is no certainty. */
const NEARLY = 0.01;
function sayComesBack(probability: number | null): string {
  if (probability === null) return 'not known';
  const back = 1 - probability;
  if (back < NEARLY) return 'under 1 %';
  return back > 1 - NEARLY ? 'over 99 %' : percent(back);
}

/** Why a way is recommended: by what it is expected to cost, or without prices by its chance. */
const sayWhy = (expected: number | null): string =>
  expected === null
    ? 'The least that surely ends within, or the best chance: a price is missing, so cost does not decide.'
    : 'Of all that cures it, it is expected to cost least, what may come back counted in.';

function wayOf(
  what: string,
  options: readonly Option[],
  { cost, probability, expected }: Pick<PairOption, 'cost' | 'probability' | 'expected'>,
  currency: string,
  isRecommended: boolean,
): EstimateWay {
  const price = totalOf(cost);
  return {
    ...{ what, price, isRecommended },
    sayPrice: price === null ? 'a price is missing on our list' : sayMoney(price, currency),
    away: sayAway(cost),
    lasts: sayLasts(options),
    comesBack: sayComesBack(probability),
    why: isRecommended ? sayWhy(expected) : '',
  };
}

const NOT_YET = 'It is not measured to its end: nothing can be offered yet.';

function cornerPart({ record, options, ranking, action, input }: DecideCorner): EstimatePart {
  const { currency } = input.shop.prices;
  const where = CORNER_NAME[record.corner];
  if (action === null) return { where, ways: [], notYet: NOT_YET };
  const ways = options
    .filter(mayBeTaken)
    .map((option) =>
      wayOf(plainly(option.action), [option], option, currency, option === ranking.recommended),
    );
  return { where, ways, notYet: ways.length === 0 ? NOT_YET : null };
}

/** What work on a drum is called on an estimate. */
const DRUM_WAYS: Readonly<Record<DrumWork, string>> = {
  keep: 'Leave the brake drum as it is',
  cut: 'Machine the brake drum round on the lathe',
  renew: 'Fit a new brake drum',
};

/** The drums of a job with the ways that all of them may take; how long they last nobody has measured. */
function drumParts(job: Job): EstimatePart[] {
  const drums = drumCorners(job).map((corner) => drumAt(job, corner));
  const [first] = drums;
  if (!first) return [];
  const { prices } = job.shop;
  const isAlone = drums.length === 1;
  const where = isAlone ? `${CORNER_NAME[first.corner]}, drum` : 'rear axle, drums';
  const may = DRUM_WORK.filter((work) =>
    drums.every(({ options }) =>
      options.some((option) => option.work === work && option.against.length === 0),
    ),
  );
  const shoes = drums.some(({ decision }) => decision?.shoes) ? (['shoes'] as const) : [];
  const ways = may.map((work, i): EstimateWay => {
    const cost = costOf([...drums.flatMap(() => DRUM_ITEMS[work]), ...shoes], prices);
    const price = totalOf(cost);
    return {
      ...{ what: `${DRUM_WAYS[work]}${isAlone ? '' : ', both sides'}`, price },
      sayPrice:
        price === null ? 'a price is missing on our list' : sayMoney(price, prices.currency),
      ...{ away: sayAway(cost), lasts: 'not known', comesBack: 'not known' },
      isRecommended: i === 0,
      why: i === 0 ? 'The least that surely ends within its limits.' : '',
    };
  });
  return [{ where, ways, notYet: ways.length === 0 ? NOT_YET : null }];
}

/** What is done to both sides, in one sentence. */
function sayPair({ left, right }: PairOption, [l, r]: readonly [Corner, Corner]): string {
  if (left.action === right.action) return `${plainly(left.action)}, both sides`;
  return metalOf(left.action) === metalOf(right.action) &&
    actionRecord(left.action).correction === actionRecord(right.action).correction
    ? `${plainly(left.action)}, both sides`
    : `${CORNER_NAME[l]}: ${plainly(left.action).toLowerCase()}; ${CORNER_NAME[r]}: ${plainly(right.action).toLowerCase()}`;
}

/** Photos that one page for an owner holds. */
const MOST_PHOTOS = 6;

/** Everything that an owner is asked to agree to. */
export async function estimateOf(job: Job, units: UnitSystem): Promise<Estimate> {
  const report = ownerReport(job, units);
  const { corners, axles } = await decidePage(job);
  const { currency } = job.shop.prices;
  const paired = axles.filter(({ pairs }) => pairs.length > 0);
  const pairParts = paired.map(({ corners: names, pairs }): EstimatePart => {
    const first = recommendedPair(pairs);
    const ways = pairs
      .filter(({ forbidden }) => forbidden.length === 0)
      .map((pair) =>
        wayOf(sayPair(pair, names), [pair.left, pair.right], pair, currency, pair === first),
      );
    const where = names[0] === 'FL' ? 'front axle' : 'rear axle';
    return { where, ways, notYet: ways.length === 0 ? NOT_YET : null };
  });
  const alone = corners.filter(
    ({ corner }) => !paired.some(({ corners: names }) => names.includes(corner)),
  );
  const approval = approvalOf(job);
  const cost = costDecided(job);
  const hasDecided =
    job.decisions.length > 0 ||
    sourceRepairs(job).length > 0 ||
    drumCorners(job).some((corner) => isDrumWork(drumAt(job, corner).decision));
  const total = totalOf(cost);
  return {
    head: { ...report.head, vehicle: vehicleName(job.vehicle) },
    mustNotMove: standingOf(job).mustNotMove.map(({ say }) => say),
    invented: report.invented,
    found: report.found,
    plots: report.plots,
    photos: job.photos.slice(0, MOST_PHOTOS).map(({ sha256, width, height, corner, caption }) => ({
      ...{ sha256, width, height },
      say: caption === '' ? CORNER_NAME[corner] : `${CORNER_NAME[corner]}: ${caption}`,
    })),
    parts: [...pairParts, ...alone.map(cornerPart), ...drumParts(job)],
    beside: sourceRepairs(job)
      .filter(({ how }) => how === 'here')
      .map(({ cause }) => `${cause.owner} ${cause.repair} ${sayTakes(job, cause)}`),
    currency,
    decided: hasDecided
      ? {
          total,
          say: total === null ? 'a price is missing on our list' : sayMoney(total, currency),
        }
      : null,
    approval: approval
      ? {
          say: `${approval.value.name}${approval.value.how === 'telephone' ? ', by telephone' : ''}: ${approval.value.chosen} Up to ${sayMoney(approval.value.upTo, approval.value.currency)}.`,
          by: approval.by,
          at: formatDate(approval.at, 'D MMM YYYY, HH:mm'),
          stamp: approval.stamp,
          upTo: approval.value.upTo,
        }
      : null,
  };
}
