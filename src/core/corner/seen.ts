import type { LookState } from '../procedure';
import type { CornerPart } from './drawn';

/** How far a part is, or what was found at it: by a word, a sign before it, and a colour. */
export type PartKind = 'open' | 'next' | 'done' | 'off' | 'sound' | 'found' | 'forbids';

export interface PartState {
  readonly kind: PartKind;
  readonly word: string;
  /** It is touched in the step that is worked on, a fastener or a contact point of it. */
  readonly isLit?: boolean;
  /** What goes on its contact point in that step. */
  readonly product?: string;
}

/** What was seen of one item at a corner. */
export interface SeenLook {
  readonly item: string;
  readonly state: LookState;
  readonly conditions: readonly { readonly name: string; readonly forbids: readonly unknown[] }[];
  /** How it was put right, or what took it away; null while it stands. */
  readonly putRight: string | null;
}

/** What was seen at a part, by the worst of it: what stands comes before what was put right. */
function seenAt(part: CornerPart, seen: readonly SeenLook[]): PartState {
  const own = seen.filter(({ item }) => part.looks.includes(item));
  if (own.length === 0) return { kind: 'open', word: '' };
  const wrong = own.filter(({ state }) => state === 'wrong');
  const standing = wrong.filter(({ putRight }) => putRight === null);
  const conditions = standing.flatMap((look) => look.conditions);
  const worst = conditions.find(({ forbids }) => forbids.length > 0) ?? conditions[0];
  if (worst) return { kind: worst.forbids.length > 0 ? 'forbids' : 'found', word: worst.name };
  const left = own.filter(({ state }) => state === 'not-looked').length;
  if (left > 0) {
    return { kind: 'open', word: left === own.length ? 'not looked at' : `${left} not looked at` };
  }
  return wrong.length > 0
    ? { kind: 'done', word: `put right: ${wrong[0]!.putRight}` }
    : { kind: 'sound', word: 'sound' };
}

/** What was seen at each part of a corner, by its code. */
export const seenStates = (
  parts: readonly CornerPart[],
  seen: readonly SeenLook[],
): Record<string, PartState> =>
  Object.fromEntries(parts.map((part) => [part.code, seenAt(part, seen)]));
