import type { ReactNode } from 'react';
import shell from './shell.module.css';

interface NoseProps {
  /** What it says in one line; where that is given the rest unfolds. */
  readonly line?: string | null;
  readonly children: ReactNode;
}

/**
 * The nose says what the findings point to now: whole where something is found out, one line that
 * unfolds where work is done.
 */
export function Nose({ line = null, children }: NoseProps) {
  if (line === null) {
    return (
      <aside className="zh-card" data-part="nose" aria-labelledby="zh-nose">
        <h2 id="zh-nose">The nose</h2>
        {children}
      </aside>
    );
  }
  return (
    <aside className={`${shell.noseLine} zh-no-print`} data-part="nose" aria-label="The nose">
      <details>
        <summary className="zh-fold">
          <span>
            The nose: <span className="fw-normal">{line}</span>
          </span>
        </summary>
        <div className="zh-card mt-2">{children}</div>
      </details>
    </aside>
  );
}
