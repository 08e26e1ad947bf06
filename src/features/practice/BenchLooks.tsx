'use client';

import { useEffect, useRef } from 'react';
import { Button } from 'react-bootstrap';
import {
  isPutRight,
  worksOf,
  type BenchAction,
  type BenchWork,
  type PracticeCase,
} from '@/core/practice';
import styles from './practice.module.css';

interface BenchLooksProps {
  readonly own: PracticeCase;
  readonly actions: readonly BenchAction[];
  readonly isFolded: boolean;
  readonly isOver: boolean;
  readonly onDo: (action: BenchAction) => void;
}

const sayMinutes = (minutes: number): string => `${minutes} min`;

/** One thing that can be looked at: what is seen once it was, and how it is put right. */
function Look({
  work,
  isWrong,
  isLookedAt,
  isRight,
  onDo,
}: {
  readonly work: BenchWork;
  readonly isWrong: boolean;
  readonly isLookedAt: boolean;
  readonly isRight: boolean;
  readonly onDo: ((kind: BenchAction['kind']) => void) | null;
}) {
  const { look, remedy } = work;
  if (!isLookedAt) {
    return onDo ? (
      <Button variant="outline-secondary" onClick={() => onDo('look')}>
        {look.name} <span className="zh-muted">{sayMinutes(look.minutes)}</span>
      </Button>
    ) : (
      <span className="zh-muted">{look.name}: not looked at.</span>
    );
  }
  return (
    <div role="status">
      <strong>{look.name}.</strong> {isRight ? remedy.done : isWrong ? look.found : look.sound}{' '}
      {isWrong && !isRight && onDo && (
        <Button className="mt-1" onClick={() => onDo('remedy')}>
          {remedy.name} ({sayMinutes(remedy.minutes)})
        </Button>
      )}
    </div>
  );
}

/** What can be looked at before a gauge is trusted, with its minutes; what is found can be put right. */
export function BenchLooks({ own, actions, isFolded, isOver, onDo }: BenchLooksProps) {
  const works = worksOf(own);
  const isLookedAt = (work: BenchWork): boolean =>
    actions.some(({ fault }) => fault === work.fault);
  const looked = works.filter(isLookedAt).length;
  const list = useRef<HTMLUListElement>(null);
  const before = useRef(actions.length);
  // What was pressed is gone: the next thing to press has the focus.
  useEffect(() => {
    if (actions.length > before.current) list.current?.querySelector('button')?.focus();
    before.current = actions.length;
  }, [actions.length]);
  if (works.length === 0) return null;
  return (
    <section
      className={`zh-card mb-3 ${isFolded ? styles.folded : ''}`}
      aria-labelledby="practice-looks"
    >
      <details open={!isFolded}>
        <summary className="zh-fold" id="practice-looks">
          At the bench: {looked} of {works.length} looked at
        </summary>
        <ul ref={list} className={styles.looks}>
          {works.map((work) => (
            <li key={work.fault}>
              <Look
                work={work}
                isWrong={own.faults[work.fault] !== undefined}
                isLookedAt={isLookedAt(work)}
                isRight={isPutRight(actions, work.fault)}
                onDo={isOver ? null : (kind) => onDo({ kind, fault: work.fault })}
              />
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}
