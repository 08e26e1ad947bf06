import type { CheckKind } from '@/core/contracts';
import type { Fate, LookState } from '@/core/procedure';

/** One item of the procedure as it stands, as the screens have it. */
export interface CheckView {
  readonly kind: CheckKind;
  readonly place: string;
  readonly item: string;
  readonly value: unknown;
  readonly note: string | null;
  readonly by: string | null;
  /** When, in words. */
  readonly at: string;
  readonly stamp: string;
}

/** The lines of a part in the tray that may be changed. */
export interface TrayLines {
  readonly place: string;
  readonly orientation: string;
  readonly mark: string;
  readonly fate: Fate;
}

export type CheckKey = Pick<CheckView, 'kind' | 'place' | 'item'>;

export const keyOf = ({ kind, place, item }: CheckKey): string => `${kind} ${place} ${item}`;

export const checkAt = (checks: readonly CheckView[], key: CheckKey): CheckView | undefined =>
  checks.find((check) => keyOf(check) === keyOf(key));

/** A change on its way: what is shown until the server has answered. */
export interface CheckChange extends CheckKey {
  readonly value: unknown;
  readonly note: string | null;
}

/** The checks with a change laid over them; a null value takes the check away. */
export function withChange(checks: readonly CheckView[], change: CheckChange): CheckView[] {
  const others = checks.filter((check) => keyOf(check) !== keyOf(change));
  if (change.value === null) return others;
  const before = checkAt(checks, change);
  const { kind, place, item, value, note } = change;
  const own = { kind, place, item, value, note, by: null, at: 'now' };
  return [...others, { ...own, stamp: before?.stamp ?? '' }];
}

/** The conditions found at an item: none means sound; undefined, not looked at. */
export const foundOf = (check: CheckView | undefined): readonly string[] | undefined =>
  Array.isArray(check?.value) ? check.value.map(String) : undefined;

export const lookStateOf = (check: CheckView | undefined): LookState => {
  const found = foundOf(check);
  if (!found) return 'not-looked';
  return found.length === 0 ? 'sound' : 'wrong';
};

/**
 * What an item becomes when one of its answers is pressed: `null` for the answer "sound".
 * Sound pressed again, or the last condition taken off, leaves it not looked at.
 */
export function toggled(
  found: readonly string[] | undefined,
  condition: string | null,
): string[] | null {
  if (condition === null) return found?.length === 0 ? null : [];
  const now = found ?? [];
  if (!now.includes(condition)) return [...now, condition];
  const rest = now.filter((each) => each !== condition);
  return rest.length === 0 ? null : rest;
}

/** Where a key leads from an item with so many answers: an answer, a step, or nowhere. */
export function lookKey(
  key: string,
  answers: number,
): { readonly answer: number } | { readonly step: 1 | -1 } | null {
  if (/^[1-9]$/.test(key) && Number(key) <= answers) return { answer: Number(key) - 1 };
  if (key === 'ArrowDown' || key === 'Enter') return { step: 1 };
  return key === 'ArrowUp' ? { step: -1 } : null;
}
