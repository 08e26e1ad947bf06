'use client';

import { useMemo } from 'react';
import type { CornerPart, PartState } from '@/core/corner';
import { carParts, checkAtPart, checkMinutes, checksLeft, partsSeen } from '@/core/practice';
import { sayMinutes, type CarCornerProps } from '@/features/practice';
import { CornerDrawing } from '@/ui/corner';

/** The corner drawn: what was seen at its parts, and a part that is tapped is looked at. */
export function CarCorner({ own, state, onLook }: CarCornerProps) {
  const drawn = useMemo(() => carParts(own), [own]);
  const left = useMemo(() => checksLeft(own, state), [own, state]);
  const seen = useMemo(() => partsSeen(drawn, state), [drawn, state]);
  const stateOf = (part: CornerPart): PartState => {
    const known = seen[part.code]!;
    const check = known.kind === 'open' ? checkAtPart(part, drawn, left) : null;
    return check ? { kind: 'open', word: sayMinutes(checkMinutes(own, state, check)) } : known;
  };
  return (
    <section className="zh-card mt-3" aria-labelledby="practice-parts">
      <h2 id="practice-parts">{own.corner}, part by part</h2>
      <p className="zh-muted mb-1">Tap a part to look at it; every look takes its minutes.</p>
      <CornerDrawing
        corner={own.corner}
        parts={drawn.parts}
        states={Object.fromEntries(drawn.parts.map((part) => [part.code, stateOf(part)]))}
        label={`The parts of the corner ${own.corner} and what was seen at them`}
        onPick={(picked) => {
          const part = drawn.parts.find(({ code }) => code === picked);
          const check = part && checkAtPart(part, drawn, left);
          if (check) onLook(check.code);
        }}
      />
    </section>
  );
}
