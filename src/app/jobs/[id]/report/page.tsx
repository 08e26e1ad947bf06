import { format } from 'date-fns';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { sayAdvice, sayCleaning } from '@/core/assessment';
import { formatIn } from '@/core/units';
import { CloseJob } from '@/features/jobs/CloseJob';
import { JobReport } from '@/features/report/JobReport';
import { PrintButton } from '@/features/report/PrintButton';
import { judgeCorner } from '@/server/decisions';
import { cleaningAt } from '@/server/cleaning';
import { inspectionAt, procedureOf } from '@/server/inspection';
import { jobFile } from '@/server/jobs';
import { shopUnits } from '@/server/settings';
import { KNOWLEDGE } from '@/core/contracts';
import { WithNose } from '../JobScent';

export const metadata: Metadata = { title: 'Report' };

export default async function ReportPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const file = await jobFile(id);
  if (!file) notFound();
  const units = await shopUnits();
  const { job, vehicle } = file;
  const corners = file.corners.map((corner) => {
    const before = judgeCorner(file, corner, 'before');
    const after = judgeCorner(file, corner, 'after');
    const { cleaning } = cleaningAt(file, corner);
    const isMeasuredAgain = after.record.sets.length > 0;
    return {
      before,
      after: isMeasuredAgain ? after : null,
      done: before.recorded,
      advice: sayAdvice(before.advice, { ...before.record, units }).todo,
      inspection: inspectionAt(file, corner),
      cleaning: cleaning && sayCleaning(cleaning, (value) => formatIn(units, 'deviation', value)),
    };
  });
  return (
    <WithNose file={file} isAsFound>
      <div className="d-flex flex-wrap gap-2 mb-3 zh-no-print">
        <PrintButton />
        <a className="btn btn-outline-secondary" href={`/api/v1/jobs/${id}`} download>
          Job as a file
        </a>
        <CloseJob
          jobId={id}
          closed={job.closedAt !== null}
          causes={KNOWLEDGE.causes.map(({ code, name }) => ({ code, name }))}
          confirmed={job.confirmedCause}
        />
      </div>
      <JobReport
        head={{
          number: job.number,
          date: format(job.closedAt ?? new Date(), 'd MMMM yyyy'),
          plate: vehicle.plate,
          vehicle: `${vehicle.make} ${vehicle.model}`,
          odometer: job.odometerKm === null ? null : `${job.odometerKm} km`,
          complaint: job.complaint,
        }}
        corners={corners}
        procedure={procedureOf(file)}
        units={units}
      />
    </WithNose>
  );
}
