import type { ReactNode } from 'react';

/** The one next thing to do, in one sentence, and why. */
export function NextThing({
  todo,
  why,
  children,
}: {
  todo: string;
  why?: string;
  children?: ReactNode;
}) {
  return (
    <div className="zh-next" role="status">
      <strong>{todo}</strong>
      {why && <div>{why}</div>}
      {children && <div className="d-flex flex-wrap gap-2 mt-2">{children}</div>}
    </div>
  );
}
