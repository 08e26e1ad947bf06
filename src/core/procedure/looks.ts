import type { RecordedFinding } from '../diagnosis';
import type { Corner } from '../readings';
import type { Condition, Forbidden, LookItem, Procedure, Says } from './types';

/** What was seen of one item at one corner: nothing in `found` means that it is sound. */
export interface Look {
  readonly corner: Corner;
  readonly item: string;
  readonly found: readonly string[];
}

/** Not looked at, sound, and found wrong are three different things. */
export type LookState = 'not-looked' | 'sound' | 'wrong';

export const stateOfLook = (look: Look | undefined): LookState => {
  if (!look) return 'not-looked';
  return look.found.length === 0 ? 'sound' : 'wrong';
};

export const lookAt = (looks: readonly Look[], corner: Corner, item: string): Look | undefined =>
  looks.find((look) => look.corner === corner && look.item === item);

const conditionsOf = (item: LookItem, { found }: Look): Condition[] =>
  item.conditions.filter(({ code }) => found.includes(code));

/** One item at a corner with what was seen of it. */
export interface SeenItem {
  readonly item: LookItem;
  readonly state: LookState;
  readonly conditions: readonly Condition[];
}

/** Every item of a corner with its state. */
export const seenItems = (
  items: readonly LookItem[],
  looks: readonly Look[],
  corner: Corner,
): SeenItem[] =>
  items.map((item) => {
    const look = lookAt(looks, corner, item.code);
    return {
      item,
      state: stateOfLook(look),
      conditions: look ? conditionsOf(item, look) : [],
    };
  });

const sameFinding = (a: RecordedFinding, b: RecordedFinding): boolean =>
  a.code === b.code && a.value === b.value && a.corner === b.corner;

/** What the looks tell the diagnosis: a finding for every condition, and for what is sound. */
export function findingsOfLooks(procedure: Procedure, looks: readonly Look[]): RecordedFinding[] {
  const told = looks.flatMap((look) => {
    const item = procedure.items.find(({ code }) => code === look.item);
    if (!item) return [];
    const says: (Says | null)[] =
      look.found.length === 0
        ? [item.soundSays]
        : conditionsOf(item, look).map((condition) => condition.says);
    return says.flatMap((each) => (each ? [{ ...each, corner: look.corner }] : []));
  });
  return told.filter((each, i) => told.findIndex((other) => sameFinding(each, other)) === i);
}

/** Of conditions that say the same, the one of that name, else the one that follows least. */
function mildest(conditions: readonly Condition[], value: string): Condition | undefined {
  const weight = ({ code, forbids, renew }: Condition): number =>
    code === value ? -1 : 2 * forbids.length + (renew ? 1 : 0);
  return conditions.toSorted((p, q) => weight(p) - weight(q))[0];
}

/**
 * The look that an answer given elsewhere amounts to: of the item that is that check, or of
 * another item with a condition that says just this. Null where no item does.
 */
export function lookOfFinding(
  procedure: Pick<Procedure, 'items'>,
  says: Says,
): Omit<Look, 'corner'> | null {
  const owner = ownerOf(procedure, says.code);
  if (!owner) return null;
  if (owner.soundSays?.value === says.value) return { item: owner.code, found: [] };
  const candidates = [owner, ...procedure.items.filter(({ when }) => when === undefined)];
  for (const { code: item, conditions } of candidates) {
    const saying = conditions.filter(
      (each) => each.says.code === says.code && each.says.value === says.value,
    );
    const condition = mildest(saying, says.value);
    if (condition) return { item, found: [condition.code] };
  }
  return null;
}

/** The item that is a check of the nose by another name, or null. */
export const ownerOf = ({ items }: Pick<Procedure, 'items'>, check: string): LookItem | null =>
  items.find(({ soundSays }) => soundSays?.code === check) ?? null;

/** A look without what it says of a check, or only of one answer to it; null where nothing is left. */
export function lookWithout(
  { items }: Pick<Procedure, 'items'>,
  look: Look,
  check: { readonly code: string; readonly value?: string | undefined },
): Look | null {
  const item = items.find(({ code }) => code === look.item);
  if (!item) return look;
  const isMeant = (says: Says | null | undefined): boolean =>
    says?.code === check.code && (check.value === undefined || says.value === check.value);
  if (look.found.length === 0) return isMeant(item.soundSays) ? null : look;
  const kept = look.found.filter(
    (code) => !isMeant(item.conditions.find((each) => each.code === code)?.says),
  );
  if (kept.length === look.found.length) return look;
  return kept.length > 0 ? { ...look, found: kept } : null;
}

/** Something that a finding forbids, with its reason and where it was found. */
export interface Ban {
  readonly what: Forbidden;
  readonly why: string;
  readonly corner: Corner;
}

/** All that the findings forbid, each reason once a corner. */
export function bansOf(procedure: Procedure, looks: readonly Look[]): Ban[] {
  const bans = looks.flatMap((look) => {
    const item = procedure.items.find(({ code }) => code === look.item);
    if (!item) return [];
    return conditionsOf(item, look).flatMap(({ forbids }) =>
      forbids.map(({ what, why }) => ({ what, why, corner: look.corner })),
    );
  });
  return bans.filter(
    (ban, i) =>
      bans.findIndex(
        (each) => each.what === ban.what && each.why === ban.why && each.corner === ban.corner,
      ) === i,
  );
}

/** The parts that the findings of a corner condemn, each once. */
export function condemnedParts(procedure: Procedure, looks: readonly Look[]): string[] {
  const parts = looks.flatMap((look) => {
    const item = procedure.items.find(({ code }) => code === look.item);
    return item ? conditionsOf(item, look).flatMap(({ renew }) => renew ?? []) : [];
  });
  return [...new Set(parts)];
}
