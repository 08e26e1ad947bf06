import type { Metadata } from 'next';
import { JobForm } from '@/features/jobs/JobForm';
import { loadJob } from '@/server/job/jobs';
import { vehicleWithJobs } from '@/server/shop/vehicles';
import { vehicleName } from '@/core/job';

export const metadata: Metadata = { title: 'New job' };

export default async function NewJobPage({
  searchParams,
}: {
  searchParams: Promise<{ vehicle?: string; comeback?: string }>;
}) {
  const { vehicle: asked, comeback } = await searchParams;
  const earlier = comeback ? await loadJob(comeback) : null;
  const found = await vehicleWithJobs(earlier?.vehicle.id ?? asked ?? '');
  const known = found?.vehicle;
  const name = known ? vehicleName(known) : '';
  return (
    <>
      <h1>New job</h1>
      <JobForm
        key={known?.id ?? ''}
        vehicle={known ? { id: known.id, plate: known.plate, name } : null}
        comeback={
          earlier && {
            id: earlier.id,
            number: earlier.number,
            corners: [...earlier.corners],
          }
        }
      />
    </>
  );
}
