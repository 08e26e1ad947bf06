import type { Metadata } from 'next';
import { vehicleForm } from '@/features/vehicles/model';
import { VehicleForm } from '@/features/vehicles/VehicleForm';
import { shopUnits } from '@/server/shop/settings';

export const metadata: Metadata = { title: 'New vehicle' };

export default async function NewVehiclePage({
  searchParams,
}: {
  searchParams: Promise<{ then?: string }>;
}) {
  const isForJob = (await searchParams).then === 'job';
  return (
    <>
      <h1>New vehicle</h1>
      <VehicleForm
        id={null}
        values={vehicleForm(null)}
        units={await shopUnits()}
        then={isForJob ? '/jobs/new?vehicle=' : '/vehicles/'}
      />
    </>
  );
}
