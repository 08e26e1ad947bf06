import type { ReactNode } from 'react';
import { ButtonLink } from '@/ui/Link';
import { PlaceRow } from '@/ui/shell';

interface WaitingForProps {
  readonly waits: readonly {
    readonly wait: string;
    readonly name: string;
    readonly count: number;
  }[];
  /** The one that the list is narrowed to, or null. */
  readonly chosen: string | null;
  /** Rechecks whose day or distance is past. */
  readonly overdue: number;
}

/** What the day waits for, most pressing first; each narrows the list to its jobs. */
export function WaitingFor({ waits, chosen, overdue }: WaitingForProps) {
  const some = waits.filter(({ wait, count }) => count > 0 || wait === chosen);
  if (some.length === 0 && overdue === 0) return null;
  const counted = (name: string, count: number): ReactNode => (
    <>
      {name} <span className="zh-figure">{count}</span>
    </>
  );
  return (
    <PlaceRow
      label="What jobs wait for"
      className="mb-3"
      places={[
        ...(overdue > 0
          ? [{ href: '/due', label: counted('rechecks overdue', overdue), isHere: false }]
          : []),
        ...some.map(({ wait, name, count }) => ({
          href: wait === chosen ? '/' : `/?waits=${wait}`,
          label: counted(name, count),
          isHere: wait === chosen,
        })),
      ]}
    >
      {chosen !== null && (
        <ButtonLink variant="link" href="/">
          All open jobs
        </ButtonLink>
      )}
    </PlaceRow>
  );
}
