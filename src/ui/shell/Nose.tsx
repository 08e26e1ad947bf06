import type { ReactNode } from 'react';

/** The nose: always in the same place, says what the findings point to now. */
export function Nose({ children }: { children: ReactNode }) {
  return (
    <aside className="zh-card zh-nose" aria-labelledby="zh-nose">
      <h2 id="zh-nose">The nose</h2>
      {children}
    </aside>
  );
}
