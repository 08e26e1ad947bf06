import { KNOWLEDGE, PROCEDURE } from '../contracts';
import type { Cause } from '../diagnosis';
import { type Look } from '../procedure';
import { costOf, ITEM_NAME, PRICE_ITEMS, type Cost, type PriceItem } from '../options';
import { CORNERS, type Corner } from '../readings';
import { checksOfKind, findCheck } from './checks';
import { isDrumAt, isOfOldRotor, isPutRight, looksOf } from './procedure';
import { refusePutRight } from './roles';
import { oncePer } from '../remember';
import type { Job } from './types';

/** Where a source is put right: a corner, or the whole vehicle where that is empty. */
export type RepairPlace = Corner | '';

/** A source beside the rotor that is put right here or referred, as it stands in a job. */
export interface SourceRepair {
  readonly cause: Cause;
  readonly place: RepairPlace;
  readonly how: 'here' | 'referred';
  /** To whom it was referred and what the owner was told; null where it is done here. */
  readonly toWhom: string | null;
  /** What was done; null while it was not. */
  readonly did: string | null;
  readonly stamp: string;
  readonly doneStamp: string | null;
  /** What was read or felt that shows it since it was done; null where nobody wrote it down. */
  readonly proof: {
    readonly isShown: boolean;
    readonly say: string;
    readonly stamp: string;
  } | null;
}

const isItem = (item: string): item is PriceItem =>
  (PRICE_ITEMS as readonly string[]).includes(item);

/** The items of the shop's list that a cause's repair takes. */
export const workOf = ({ work }: Pick<Cause, 'work'>): PriceItem[] => work.filter(isItem);

/** Those items in the words of the list. */
export const sayWork = (cause: Pick<Cause, 'work'>): string =>
  workOf(cause)
    .map((item) => ITEM_NAME[item])
    .join('; ');

/** What a repair of a cause costs by the shop's list. */
export const repairCost = (job: Pick<Job, 'shop'>, cause: Pick<Cause, 'work'>): Cost =>
  costOf(workOf(cause), job.shop.prices);

/** Causes whose repair is no option of a rotor: what can be decided beside the rotors. */
export const REPAIRED_BESIDE: readonly Cause[] = KNOWLEDGE.causes.filter(
  ({ work }) => work.length > 0,
);

/** A drum out of round is decided with its drum, where the axle has drums. */
const DECIDED_AS_DRUM = 'rear-drum';

/** What can be decided beside the rotors and drums of a job. */
export const repairedBeside = (job: Job): readonly Cause[] =>
  job.corners.some((corner) => isDrumAt(job, corner))
    ? REPAIRED_BESIDE.filter(({ code }) => code !== DECIDED_AS_DRUM)
    : REPAIRED_BESIDE;

/** Every source beside the rotors that was decided in a job, in the order of the causes. */
export const sourceRepairs = oncePer((job: Job): readonly SourceRepair[] =>
  checksOfKind(job, 'repair')
    .flatMap(({ place, item, value, note, stamp }): SourceRepair[] => {
      const cause = KNOWLEDGE.causes.find(({ code }) => code === item);
      if (!cause) return [];
      const at = CORNERS.find((corner) => corner === place) ?? '';
      const did = findCheck(job, 'repaired', at, item);
      const toWhom = value === 'referred' ? note : null;
      return [
        {
          cause,
          place: at,
          how: value,
          toWhom,
          did: did ? (did.note ?? 'done') : null,
          stamp,
          doneStamp: did?.stamp ?? null,
          proof: did ? proofOf(job, at, item, did.seq) : null,
        },
      ];
    })
    .sort((p, q) => orderOf(p.cause) - orderOf(q.cause)),
);

/** What shows that a source was put right, written down since it was. */
function proofOf(job: Job, place: RepairPlace, item: string, since: number): SourceRepair['proof'] {
  const row = checksOfKind(job, 'prove').find(
    (each) => each.place === place && each.item === item && each.seq > since,
  );
  return row ? { isShown: row.value === 'shown', say: row.note ?? '', stamp: row.stamp } : null;
}

const orderOf = (cause: Cause): number =>
  KNOWLEDGE.causes.findIndex(({ code }) => code === cause.code);

/** A repair with its corner, as it is told. */
export const sayRepair = ({ place, cause }: Pick<SourceRepair, 'place' | 'cause'>): string =>
  `${place === '' ? '' : `${place}: `}${cause.name}`;

/** Repairs that were decided to be done here and are not ticked as done. */
export const repairsToDo = (job: Job): SourceRepair[] =>
  sourceRepairs(job).filter(({ how, did }) => how === 'here' && did === null);

/** Sources put right here that a reading, a spin or a look must show, and nobody wrote it down. */
export const proofsToShow = (job: Job): SourceRepair[] =>
  sourceRepairs(job).filter(
    ({ cause, did, proof }) => did !== null && cause.shownBy === 'hand' && proof === null,
  );

/** Sources put right here whose proof was looked for and not found, in words. */
export const notShown = (job: Job): string[] =>
  sourceRepairs(job).flatMap((repair) =>
    repair.proof?.isShown === false
      ? [`${sayRepair(repair)}: it did not show that it is put right (${repair.proof.say}).`]
      : [],
  );

/** What was found here and goes on elsewhere, in words. */
export const referredIn = (job: Job): string[] =>
  sourceRepairs(job)
    .filter(({ how }) => how === 'referred')
    .map((repair) => `${sayRepair(repair)}: found, told and referred (${repair.toWhom ?? ''}).`);

/** Why a source cannot be decided so, in words; null where it can. A null value takes it back. */
export function refuseRepair(
  job: Job,
  {
    place,
    item,
    value,
  }: { readonly place: string; readonly item: string; readonly value: unknown },
): string | null {
  if (findCheck(job, 'repaired', place, item)) {
    return 'It is ticked as done: take that back first, with a reason.';
  }
  const isOutside = KNOWLEDGE.causes.find(({ code }) => code === item)?.isOutside === true;
  return value === 'referred' && !isOutside
    ? 'This belongs to the brakes: it is put right before the vehicle leaves. Only what lies outside them is referred.'
    : null;
}

/** Why a source cannot be ticked as put right, in words; null where it can. */
export const refuseRepaired = (job: Job, place: string, item: string): string | null =>
  findCheck(job, 'repair', place, item)?.value === 'here'
    ? null
    : 'Decide first that it is done here.';

/**
 * What was found wrong where a source is put right, and is put right by that repair: every
 * condition of the look is among what the cause settles, and nothing else must show it.
 */
export const settledLooks = (
  job: Job,
  { settles }: Pick<Cause, 'settles'>,
  place: string,
): readonly Look[] =>
  looksOf(job).filter(
    (look) =>
      (place === '' || look.corner === place) &&
      look.found.length > 0 &&
      (settles.includes(look.item) ||
        look.found.every((found) => settles.includes(`${look.item}:${found}`))) &&
      !isPutRight(job, look.corner, look.item) &&
      refusePutRight(look, isOfOldRotor(job, look)) === null,
  );

/** Those looks in words: the item, and what was found. */
export const saySettled = (looks: readonly Look[]): string =>
  looks
    .map(({ corner, item, found }) => {
      const known = PROCEDURE.items.find(({ code }) => code === item);
      const names = found.map(
        (each) => known?.conditions.find(({ code }) => code === each)?.name ?? each,
      );
      return `${corner} ${known?.name.toLowerCase() ?? item} (${names.join(', ').toLowerCase()})`;
    })
    .join('; ');

/** Whether a corner's source was decided beside its rotor, and nobody read that rotor: nothing is advised for it. */
export const isOnlyBeside = (job: Job, corner: Corner): boolean =>
  sourceRepairs(job).some(({ place }) => place === corner || place === '') &&
  !job.sets.some((set) => set.corner === corner && set.setAsideAt === null) &&
  !job.decisions.some((each) => each.corner === corner);

/** What was put right with a source, in its words: of a repair that is ticked, the rows that its tick wrote. */
export const fixedWith = (
  job: Job,
  { cause, place, did }: Pick<SourceRepair, 'cause' | 'place' | 'did'>,
) =>
  checksOfKind(job, 'fixed').filter(
    (fixed) =>
      (place === '' || fixed.place === place) &&
      fixed.note === did &&
      cause.settles.some((each) => each.split(':')[0] === fixed.item),
  );
