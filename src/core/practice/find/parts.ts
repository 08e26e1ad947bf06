import { PROCEDURE } from '../../contracts';
import { calledFor, drawnCorner, seenStates, type CornerPart, type PartState } from '../../corner';
import type { Finding } from '../../diagnosis';
import { contextOf, lookItems, lookOfFinding, type LookItem } from '../../procedure';
import type { FindCase } from './findCase';
import type { FindState } from './findWork';

/** The parts of a car’s corner as they are drawn, and what is looked at there. */
export interface CarParts {
  readonly parts: readonly CornerPart[];
  readonly items: readonly LookItem[];
}

/** The parts of a car’s corner. */
export function carParts({ axle }: Pick<FindCase, 'axle'>): CarParts {
  // Every car of practice has a sliding caliper.
  const kind = { position: axle, fastening: 'studs', caliper: 'floating' } as const;
  const context = contextOf({ ...kind, traits: [], isBrakeByWire: false }, []);
  const items = lookItems(PROCEDURE, context);
  const called = calledFor(
    PROCEDURE,
    context,
    items.map(({ code }) => code),
  );
  // What is only taken off and put on is no look.
  const parts = drawnCorner(context, called).filter(({ looks }) => looks.length > 0);
  return { parts, items };
}

/** What was seen at the parts, by the looks that the answers amount to. */
export function partsSeen(
  { parts, items }: CarParts,
  state: Pick<FindState, 'found'>,
): Record<string, PartState> {
  const looks = state.found.flatMap(
    ({ code, value }) => lookOfFinding(PROCEDURE, { code, value: String(value) }) ?? [],
  );
  const seen = items.map((item) => {
    const own = looks.filter((look) => look.item === item.code);
    const found = own.flatMap((look) => look.found);
    return {
      item: item.code,
      state: own.length === 0 ? 'not-looked' : found.length === 0 ? 'sound' : 'wrong',
      conditions: item.conditions.filter(({ code }) => found.includes(code)),
      putRight: null,
    } as const;
  });
  return seenStates(parts, seen);
}

/** The check that is looked at by tapping a part: the first of its items that is left; null where none is. */
export function checkAtPart(
  part: Pick<CornerPart, 'looks'>,
  { items }: CarParts,
  left: readonly Finding[],
): Finding | null {
  const codes = items
    .filter(({ code }) => part.looks.includes(code))
    .flatMap(({ soundSays }) => soundSays?.code ?? []);
  return left.find(({ code }) => codes.includes(code)) ?? null;
}
