import { formatDate } from '@/core/calendar';
import Link from '@/ui/Link';
import { findAddress } from '@/core/contracts';
import { Pager } from '@/ui/shell';
import type { Finding } from '@/server/records/find';
import { vehicleName } from '@/core/job';
import lists from '@/ui/shell/lists.module.css';

/** The jobs that were found, a page of them. */
export function FoundList({
  finding,
  causes,
}: {
  readonly finding: Finding;
  readonly causes: readonly { readonly code: string; readonly name: string }[];
}) {
  const { jobs, total, pages, isMore, query } = finding;
  const at = (page: number): string => findAddress({ ...query, page });
  if (jobs.length === 0) {
    return (
      <div className="zh-card" role="status">
        <p className="mb-0">No scent of it: nothing on file is like that.</p>
      </div>
    );
  }
  return (
    <>
      <p role="status">
        {total === null ? 'More than 500 jobs' : total === 1 ? 'One job' : `${total} jobs`}
      </p>
      <ul className={lists.list}>
        {jobs.map((job) => (
          <li key={job.id} className={lists.found}>
            <Link className="zh-link" href={`/jobs/${job.id}`}>
              <span className="zh-figure">{job.plate}</span> job {job.number}
            </Link>
            <span>{job.complaint}</span>
            <span className="zh-muted">
              {vehicleName(job)} · {formatDate(job.createdAt, 'D MMM YYYY')}
              {job.closedAt
                ? ` · signed off ${job.isSignedElsewhere ? 'elsewhere ' : ''}${formatDate(job.closedAt, 'D MMM YYYY')}`
                : ' · open'}
              {job.cause &&
                ` · ${causes.find(({ code }) => code === job.cause)?.name ?? job.cause}`}
              {job.isComeback && ' · comeback'}
            </span>
          </li>
        ))}
      </ul>
      <Pager page={query.page} pages={total === null ? null : pages} isMore={isMore} hrefOf={at} />
    </>
  );
}
