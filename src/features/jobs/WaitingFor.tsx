import { ButtonLink } from '@/ui/Link';

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
  return (
    <nav className="zh-tabs mb-3" aria-label="What jobs wait for">
      {overdue > 0 && (
        <ButtonLink variant="outline-secondary" href="/due">
          rechecks overdue <span className="zh-figure">{overdue}</span>
        </ButtonLink>
      )}
      {some.map(({ wait, name, count }) => (
        <ButtonLink
          key={wait}
          variant="outline-secondary"
          href={wait === chosen ? '/' : `/?waits=${wait}`}
          aria-current={wait === chosen ? 'page' : undefined}
        >
          {name} <span className="zh-figure">{count}</span>
        </ButtonLink>
      ))}
      {chosen !== null && (
        <ButtonLink variant="link" href="/">
          All open jobs
        </ButtonLink>
      )}
    </nav>
  );
}
