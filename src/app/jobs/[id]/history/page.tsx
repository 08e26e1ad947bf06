import type { Metadata } from 'next';
import { HistoryList } from '@/features/history/HistoryList';
import { PrintButton } from '@/features/report/PrintButton';
import { historyOf, historyQuerySchema } from '@/server/records/history';
import { openJobPage, type JobParams } from '../open';

export const metadata: Metadata = { title: 'History' };

interface HistoryParams extends JobParams {
  readonly searchParams: Promise<Readonly<Record<string, unknown>>>;
}

export default async function HistoryPage(props: HistoryParams) {
  const { id, job } = await openJobPage(props);
  const query = historyQuerySchema.parse(await props.searchParams);
  return (
    <>
      <div className="d-flex flex-wrap justify-content-between gap-2 mb-2">
        <h1 className="mb-0">History of job {job.number}</h1>
        <PrintButton />
      </div>
      <p>
        Every line as it was written, by whom, and what stood there before. Nothing of it can be
        changed or taken out.
      </p>
      <HistoryList
        href={`/jobs/${id}/history`}
        only={query.only}
        history={await historyOf(job, query)}
      />
    </>
  );
}
