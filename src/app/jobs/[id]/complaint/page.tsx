import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ComplaintForm } from '@/features/jobs/ComplaintForm';
import { jobFile } from '@/server/jobs';
import { stagesOf } from '@/server/stages';

export const metadata: Metadata = { title: 'Complaint' };

export default async function ComplaintPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const file = await jobFile(id);
  if (!file) notFound();
  const measure = stagesOf(file).find(({ key }) => key === 'measure');
  return (
    <>
      <h1>Complaint</h1>
      <ComplaintForm
        jobId={id}
        values={{
          complaint: file.job.complaint,
          odometerKm: file.job.odometerKm === null ? '' : String(file.job.odometerKm),
          corners: [...file.corners],
        }}
        next={measure?.href ?? `/jobs/${id}`}
      />
    </>
  );
}
