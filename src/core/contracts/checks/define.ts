import type { z } from 'zod';

/** One sort of check: where it stands, its items, and what it can say. */
export interface CheckDefinition<
  Kind extends string = string,
  Place extends string = string,
  Item extends string = string,
  Value = unknown,
> {
  readonly kind: Kind;
  readonly places: readonly Place[];
  readonly items: readonly Item[];
  /** What is stored. */
  readonly value: z.ZodType<Value>;
  /** What a screen sends, where that is not what is stored; by item. */
  readonly typed?: (item: string) => z.ZodType<Value>;
  /** What it says that needs a reason: one word, or whatever it says. */
  readonly reasonFor?: string | 'always';
  /** Worth nothing without a name under it. */
  readonly isNamed?: boolean;
  /** Written by the program itself, never by a screen. */
  readonly isOwn?: boolean;
}

/** A definition as it is, its literals kept. */
export const define = <
  const Kind extends string,
  const Place extends string,
  const Item extends string,
  Value,
>(
  definition: CheckDefinition<Kind, Place, Item, Value>,
): CheckDefinition<Kind, Place, Item, Value> => definition;
