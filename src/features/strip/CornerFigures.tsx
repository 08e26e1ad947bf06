'use client';

import type { FigureItem } from '@/core/procedure';
import type { UnitSystem } from '@/core/units';
import { FigureFields } from './FigureFields';
import type { CheckView } from './model';
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
  const { conflict } = store;
  return (
    <>
      <FigureFields
        {...{ corner, figures, units }}
        checks={store.checks}
        meanings={[]}
        onWrite={store.write}
      />
      {conflict && (
        <p className="zh-error" role="alert">
          Another screen wrote something else here meanwhile.{' '}
          <button type="button" className="btn btn-link p-0" onClick={() => store.settle(true)}>
            Write mine over it
          </button>{' '}
          <button type="button" className="btn btn-link p-0" onClick={() => store.settle(false)}>
            Leave theirs
          </button>
        </p>
      )}
      {store.trouble && (
        <p className="zh-error" role="alert">
          {store.trouble}{' '}
          <button type="button" className="btn btn-link p-0" onClick={store.leave}>
            Leave it
          </button>
        </p>
      )}
    </>
  );
}
