import { ButtonLink } from '@/ui/Link';
import { formatDate } from '@/core/calendar';
import type { Metadata } from 'next';
import { z } from 'zod';
import { JobList } from '@/features/jobs/JobList';
import { quickChecks } from '@/server/quick/quickCheck';
import { Pager } from '@/ui/shell';

export const metadata: Metadata = { title: 'Quick checks' };

const pageNumber = z.coerce.number().int().min(1).max(100_000).catch(1);

export default async function ChecksPage({
  searchParams,
}: {
  searchParams: Promise<{ page?: string }>;
}) {
  const page = pageNumber.parse((await searchParams).page ?? 1);
  const { lines, total, pages } = await quickChecks(page);
  return (
    <>
      <div className="d-flex flex-wrap justify-content-between align-items-center gap-2 mb-3">
        <h1 className="mb-0">
          Quick checks <span className="zh-muted zh-figure">{total}</span>
        </h1>
        <ButtonLink variant="primary" href="/checks/new">
          Quick check
        </ButtonLink>
      </div>
      {lines.length === 0 ? (
        <p className="zh-card">
          No quick check is waiting for a plate. One begins with a corner and a dial.
        </p>
      ) : (
        <JobList
          lines={lines.map((line) => ({
            ...line,
            plate: `Check ${line.number}`,
            name: 'no vehicle yet',
            complaint: line.sets === 1 ? 'one set' : `${line.sets} sets`,
            next: {
              say: line.measured === 0 ? 'Read on.' : 'It is read: its plate makes a job of it.',
              href: `/checks/${line.id}`,
            },
            waits: [],
            since: formatDate(line.createdAt, 'D MMM YYYY, HH:mm'),
          }))}
        />
      )}
      <Pager
        page={page}
        pages={pages}
        isMore={page < pages}
        hrefOf={(number) => `/checks?page=${number}`}
        before="Newer"
        next="Older"
      />
    </>
  );
}
