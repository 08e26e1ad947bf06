import { FileLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { DueList } from '@/features/due/DueList';
import { dueList } from '@/server/records/due';

export const metadata: Metadata = { title: 'Due' };

export default async function DuePage() {
  const lines = await dueList();
  return (
    <>
      <div className="d-flex flex-wrap justify-content-between align-items-center gap-2 mb-3">
        <h1 className="mb-0">Due</h1>
        <FileLink variant="outline-secondary" href="/api/v1/due.ics" download>
          As a calendar file
        </FileLink>
      </div>
      <p className="zh-muted">
        Distance counts from what the vehicle’s last job had on its clock; the calendar holds what
        has a day.
      </p>
      <DueList lines={lines} />
    </>
  );
}
