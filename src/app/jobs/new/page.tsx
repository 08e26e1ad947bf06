import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { JobForm } from '@/features/jobs/JobForm';
import { allVehicles } from '@/server/vehicles';

export const metadata: Metadata = { title: 'New job' };

export default async function NewJobPage({
  searchParams,
}: {
  searchParams: Promise<{ vehicle?: string }>;
}) {
  const vehicles = await allVehicles();
  if (vehicles.length === 0) redirect('/vehicles/new?then=job');
  const { vehicle } = await searchParams;
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
      />
    </>
  );
}
