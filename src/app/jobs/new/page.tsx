import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { JobForm } from '@/features/jobs/JobForm';
import { jobFile } from '@/server/jobs';
import { allVehicles } from '@/server/vehicles';

export const metadata: Metadata = { title: 'New job' };

export default async function NewJobPage({
  searchParams,
}: {
  searchParams: Promise<{ vehicle?: string; comeback?: string }>;
}) {
  const vehicles = await allVehicles();
  if (vehicles.length === 0) redirect('/vehicles/new?then=job');
  const { vehicle: asked, comeback } = await searchParams;
  const earlier = comeback ? await jobFile(comeback) : null;
  const vehicle = earlier?.vehicle.id ?? asked;
  const known = vehicles.some(({ id }) => id === vehicle);
  return (
    <>
      <h1>New job</h1>
      <JobForm
        vehicles={vehicles.map(({ id, plate, make, model }) => ({
          id,
          plate,
          name: `${make} ${model}`,
        }))}
        vehicleId={known && vehicle ? vehicle : ''}
        comeback={
          earlier && {
            id: earlier.job.id,
            number: earlier.job.number,
            corners: [...earlier.corners],
          }
        }
      />
    </>
  );
}
