'use client';

import { useMemo } from 'react';
import { PROCEDURE } from '@/core/contracts';
import { calledFor, drawnCorner, seenStates, type CornerPart, type PartState } from '@/core/corner';
import { checkMinutes, checksLeft, type FindCase, type FindState } from '@/core/practice';
import { contextOf, lookItems, lookOfFinding, type LookItem } from '@/core/procedure';
import { sayMinutes, type CarCornerProps } from '@/features/practice';
import { CornerDrawing } from '@/ui/corner';

interface Scene {
  readonly parts: readonly CornerPart[];
  readonly items: readonly LookItem[];
}

function sceneOf({ axle }: FindCase): Scene {
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
function statesOf({ parts, items }: Scene, state: FindState): Record<string, PartState> {
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
function checkAt(part: CornerPart, { items }: Scene, left: ReadonlySet<string>): string | null {
  const own = items.filter(({ code }) => part.looks.includes(code));
  const codes = own.flatMap(({ soundSays }) => soundSays?.code ?? []);
  return codes.find((code) => left.has(code)) ?? null;
}

/** The corner drawn: what was seen at its parts, and a part that is tapped is looked at. */
export function CarCorner({ own, state, onLook }: CarCornerProps) {
  const scene = useMemo(() => sceneOf(own), [own]);
  const left = useMemo(
    () => new Map(checksLeft(own, state).map((each) => [each.code, each])),
    [own, state],
  );
  const seen = statesOf(scene, state);
  const codes = new Set(left.keys());
  const states = Object.fromEntries(
    scene.parts.map((part): [string, PartState] => {
      const code = checkAt(part, scene, codes);
      const known = seen[part.code] ?? { kind: 'open', word: '' };
      if (code === null || known.kind !== 'open') return [part.code, known];
      return [
        part.code,
        { kind: 'open', word: sayMinutes(checkMinutes(own, state, left.get(code)!)) },
      ];
    }),
  );
  return (
    <section className="zh-card mt-3" aria-labelledby="practice-parts">
      <h2 id="practice-parts">{own.corner}, part by part</h2>
      <p className="zh-muted mb-1">Tap a part to look at it; every look takes its minutes.</p>
      <CornerDrawing
        corner={own.corner}
        parts={scene.parts}
        states={states}
        label={`The parts of the corner ${own.corner} and what was seen at them`}
        onPick={(picked) => {
          const part = scene.parts.find(({ code }) => code === picked);
          const code = part && checkAt(part, scene, codes);
          if (code) onLook(code);
        }}
      />
    </section>
  );
}
