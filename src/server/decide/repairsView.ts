import 'server-only';
import {
  repairedBeside,
  repairCost,
  saySettled,
  sayWork,
  settledLooks,
  sourceRepairs,
  type Job,
  type RepairPlace,
  type SourceRepair,
} from '../../core/job';
import type { Cause, WeighedCause } from '../../core/diagnosis';
import { ITEM_NAME, type Cost } from '../../core/options';
import { CORNERS } from '../../core/readings';
import { noseOf } from '../nose/nose';

/** A source beside the rotors: what it is, what it takes, what proves it, and how it stands. */
export interface RepairView {
  readonly code: string;
  readonly place: RepairPlace;
  readonly name: string;
  readonly isOutside: boolean;
  readonly repair: string;
  readonly proof: string;
  /** By hand, or by the drive alone. */
  readonly shownBy: Cause['shownBy'];
  /** Items, price and time in words; what the list does not say is said. */
  readonly takes: string;
  /** What was seen and is put right with it, in words; empty where nothing is. */
  readonly settles: string;
  /** How likely it is now; null where nobody asked the nose. */
  readonly probability: number | null;
  readonly standing: Omit<SourceRepair, 'cause' | 'place'> | null;
}

/** A source is proposed from this probability on. */
const WORTH_NAMING = 0.15;

const sayMissing = ({ missing }: Cost): string =>
  missing.length === 0
    ? ''
    : ` The shop’s list does not say: ${missing
        .map((item) => (item === 'hourly' ? 'an hour of work' : ITEM_NAME[item].toLowerCase()))
        .join('; ')}.`;

/** What a repair takes, in words: items, money and minutes, and what is not known of them. */
export function sayTakes(job: Pick<Job, 'shop'>, cause: Pick<Cause, 'work'>): string {
  const cost = repairCost(job, cause);
  const { currency } = job.shop.prices;
  const money =
    cost.parts === null || cost.labour === null
      ? null
      : `${Math.round(cost.parts + cost.labour)} ${currency}`.trim();
  const figures = [money, cost.minutes === null ? null : `${cost.minutes} min`].filter(
    (figure) => figure !== null,
  );
  return `${sayWork(cause)}${figures.length > 0 ? `: ${figures.join(', ')}` : ''}.${sayMissing(cost)}`;
}

const placeOf = ({ place }: WeighedCause): RepairPlace =>
  CORNERS.find((corner) => corner === place) ?? '';

function viewOf(
  job: Job,
  cause: Cause,
  place: RepairPlace,
  probability: number | null,
  standing: RepairView['standing'],
): RepairView {
  const { code, name, isOutside, repair, proof, shownBy } = cause;
  return {
    ...{ code, place, name, isOutside, repair, proof, shownBy, probability, standing },
    takes: sayTakes(job, cause),
    settles: saySettled(settledLooks(job, cause, place)),
  };
}

/** Sources beside the rotors that were decided, then those that the nose finds worth naming. */
export async function repairViews(job: Job): Promise<RepairView[]> {
  const { causes } = (await noseOf(job)).diagnosis;
  const chance = (code: string): number | null =>
    causes.find((each) => each.code === code)?.probability ?? null;
  const stands = sourceRepairs(job).map(({ cause, place, ...standing }) =>
    viewOf(job, cause, place, chance(cause.code), standing),
  );
  const named = causes
    .filter(({ probability }) => probability >= WORTH_NAMING)
    .flatMap((weighed) => {
      const cause = repairedBeside(job).find(({ code }) => code === weighed.code);
      return !cause || stands.some(({ code }) => code === cause.code)
        ? []
        : [viewOf(job, cause, placeOf(weighed), weighed.probability, null)];
    });
  return [...stands, ...named];
}
