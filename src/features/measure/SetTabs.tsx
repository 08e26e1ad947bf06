'use client';

import { Button } from 'react-bootstrap';
import { firstOpen, KIND_NAME, type BenchCorner, type BenchSet } from './model';
import { mountingName } from './mountingName';
import lists from '@/ui/shell/lists.module.css';

interface SetTabsProps {
  readonly sets: readonly BenchSet[];
  readonly currentId: string | null;
  readonly corner: BenchCorner;
  readonly onPick: (id: string | null) => void;
}

/** A set by what it is of: mounting and face, circle, or the hub’s face. */
export function setName(set: BenchSet, corner: BenchCorner): string {
  if (set.kind === 'runout') {
    const face = set.face === 'inboard' ? ' inboard' : '';
    return `Runout${face}, ${mountingName(corner, set.shift)}`;
  }
  return set.circle === 'inner' ? `${KIND_NAME[set.kind]}, inner circle` : KIND_NAME[set.kind];
}

/** The sets of this corner that count, and the way to a new one. */
export function SetTabs({ sets, currentId, corner, onPick }: SetTabsProps) {
  return (
    <div className="zh-tabs mb-2" role="group" aria-label="Reading sets">
      {sets
        .filter(({ isAside }) => !isAside)
        .map((set) => (
          <Button
            key={set.id}
            type="button"
            variant="outline-secondary"
            aria-current={set.id === currentId}
            onClick={() => onPick(set.id)}
          >
            {setName(set, corner)}
            {firstOpen(set) && ' …'}
          </Button>
        ))}
      <Button
        type="button"
        variant="outline-secondary"
        aria-current={currentId === null}
        onClick={() => onPick(null)}
      >
        + New set
      </Button>
    </div>
  );
}

interface SetsAsideProps {
  readonly sets: readonly BenchSet[];
  readonly corner: BenchCorner;
  readonly onTakeBack: (set: BenchSet) => void;
}

/** Sets that were set aside: still on file, counting no more. */
export function SetsAside({ sets, corner, onTakeBack }: SetsAsideProps) {
  const aside = sets.filter(({ isAside }) => isAside);
  if (aside.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="py-2">Set aside ({aside.length})</summary>
      <ul className={lists.list}>
        {aside.map((set) => (
          <li key={set.id} className="d-flex gap-2 align-items-center mb-2">
            {setName(set, corner)}, {set.readings.length} readings
            {set.setAsideReason && ` (${set.setAsideReason})`}
            <Button type="button" variant="outline-secondary" onClick={() => onTakeBack(set)}>
              Use it again
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
