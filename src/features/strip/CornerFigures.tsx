'use client';

import type { FigureItem } from '@/core/procedure';
import type { UnitSystem } from '@/core/units';
import { Conflicts } from './Conflicts';
import { FigureFields } from './FigureFields';
import type { CheckView } from './model';
import { sayCheck } from './say';
import { useChecks } from './useChecks';

interface CornerFiguresProps {
  readonly jobId: string;
  readonly corner: string;
  readonly figures: readonly FigureItem[];
  readonly checks: readonly CheckView[];
  readonly units: UnitSystem;
}

/** A few measured figures of a corner by themselves, each kept as it is left. */
export function CornerFigures({ jobId, corner, figures, checks, units }: CornerFiguresProps) {
  const codes = figures.map(({ code }) => code);
  const store = useChecks(
    jobId,
    checks,
    ({ kind, place, item }) => kind === 'figure' && place === corner && codes.includes(item),
  );
  return (
    <>
      <FigureFields
        {...{ corner, figures, units }}
        checks={store.checks}
        meanings={[]}
        onWrite={store.write}
      />
      <Conflicts
        {...store}
        say={(item, value) => sayCheck({ items: [], figures, steps: [] }, item, value)}
      />
    </>
  );
}
