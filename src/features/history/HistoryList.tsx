import { ButtonLink } from '@/ui/Link';
import type { History, HistoryLine } from '@/server/records/history';
import styles from './history.module.css';

/** What a history can be narrowed down to, with the words for it. */
const SORTS = [
  ['all', 'Everything'],
  ['grave', 'Taken back or changed'],
  ['check', 'Checks'],
  ['reading', 'Readings'],
  ['set', 'Sets'],
  ['decision', 'Decisions'],
  ['finding', 'Findings'],
  ['limit', 'Limits'],
  ['part', 'Parts'],
] as const;

interface HistoryListProps {
  readonly href: string;
  readonly only: string;
  readonly history: History;
}

/** What became of it: before and after, the arrow read out as words. */
const Change = ({ before, after }: Pick<HistoryLine, 'before' | 'after'>) => (
  <>
    {before !== null && <s>{before}</s>}
    {before !== null && after !== null && (
      <>
        {' '}
        <span aria-hidden="true">→</span>
        <span className="visually-hidden">became</span>{' '}
      </>
    )}
    {after !== null && <span>{after}</span>}
    {before !== null && after === null && <span className="zh-error"> taken back</span>}
  </>
);

/** Everything that was written of a job, the latest first; nothing of it can be changed. */
export function HistoryList({ href, only, history }: HistoryListProps) {
  const { lines, next } = history;
  return (
    <>
      <nav className="d-flex flex-wrap gap-2 mb-3 zh-no-print" aria-label="Show">
        {SORTS.map(([code, name]) => (
          <ButtonLink
            key={code}
            variant={code === only ? 'dark' : 'outline-secondary'}
            aria-current={code === only ? 'page' : undefined}
            href={code === 'all' ? href : `${href}?only=${code}`}
          >
            {name}
          </ButtonLink>
        ))}
      </nav>
      {lines.length === 0 && <p className="zh-muted">Nothing of this was written yet.</p>}
      <ol className={`list-unstyled ${styles.history}`}>
        {lines.map(({ seq, at, who, what, place, before, after, reason, isGrave }) => (
          <li key={seq} data-grave={isGrave}>
            <div className="zh-muted">
              <span className="zh-figure">{at}</span> · {who}
            </div>
            <div>
              <strong>
                {what}: {place}
              </strong>{' '}
              <Change before={before} after={after} />
              {reason && <em> because: {reason}</em>}
            </div>
          </li>
        ))}
      </ol>
      {next !== null && (
        <ButtonLink
          variant="outline-secondary"
          className="zh-no-print"
          href={`${href}?only=${only}&before=${next}`}
        >
          What was before
        </ButtonLink>
      )}
    </>
  );
}
