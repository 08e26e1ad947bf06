import type { Metadata } from 'next';
import { JobForm } from '@/features/jobs/JobForm';
import { loadJob } from '@/server/job/jobs';
import { vehiclesToChoose } from '@/server/shop/vehicles';
import { vehicleName } from '@/core/job';

export const metadata: Metadata = { title: 'New job' };

export default async function NewJobPage({
  searchParams,
}: {
  searchParams: Promise<{ vehicle?: string; comeback?: string }>;
}) {
  const { vehicle: asked, comeback } = await searchParams;
  const earlier = comeback ? await loadJob(comeback) : null;
  const vehicle = earlier?.vehicle.id ?? asked;
  const { vehicles, isMore } = await vehiclesToChoose(vehicle ?? '');
  const known = vehicles.some(({ id }) => id === vehicle);
  return (
    <>
      <h1>New job</h1>
      <JobForm
        vehicles={vehicles.map(({ id, plate, make, model }) => ({
          id,
          plate,
          name: vehicleName({ make, model }),
        }))}
        isMore={isMore}
        vehicleId={known && vehicle ? vehicle : ''}
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
