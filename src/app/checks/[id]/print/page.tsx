import { ButtonLink } from '@/ui/Link';
import { formatDate } from '@/core/calendar';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { judgeCorner, standingOf, tellInvented, vehicleName } from '@/core/job';
import { CheckReport } from '@/features/report/CheckReport';
import { PrintButton } from '@/features/report/PrintButton';
import { Warnings } from '@/features/report/Warnings';
import { loadJob } from '@/server/job/jobs';
import { shopUnits } from '@/server/shop/settings';

export const metadata: Metadata = { title: 'Quick check, one page' };

export default async function CheckPrintPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = await loadJob(id);
  if (!job) notFound();
  const units = await shopUnits();
  const { isCheck = false, plate } = job.vehicle;
  return (
    <>
      <div className="d-flex flex-wrap gap-2 mb-3 zh-no-print">
        <PrintButton />
        <ButtonLink variant="outline-secondary" href={isCheck ? `/checks/${id}` : `/jobs/${id}`}>
          Back
        </ButtonLink>
      </div>
      <Warnings
        mustNotMove={standingOf(job).mustNotMove.map(({ say }) => say)}
        invented={tellInvented(job)}
        notSigned={null}
      />
      {job.corners.map((corner) => {
        const { record, assessment, advice } = judgeCorner(job, corner, 'before');
        return (
          <CheckReport
            key={corner}
            head={{
              number: job.number,
              date: formatDate(job.createdAt, 'D MMMM YYYY, HH:mm'),
              plate: isCheck ? `Check ${job.number}` : plate,
              vehicle: isCheck ? 'no vehicle yet' : vehicleName(job.vehicle),
              odometer: null,
              complaint: job.complaint,
            }}
            record={record}
            assessment={assessment}
            advice={advice}
            units={units}
          />
        );
      })}
    </>
  );
}
