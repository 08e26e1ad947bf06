import type { Metadata } from 'next';
import Link from 'next/link';
import { allVehicles } from '@/server/vehicles';

export const metadata: Metadata = { title: 'Vehicles' };

export default async function VehiclesPage() {
  const vehicles = await allVehicles();
  return (
    <>
      <div className="d-flex justify-content-between align-items-center mb-3">
        <h1 className="mb-0">Vehicles</h1>
        <Link className="btn btn-primary" href="/vehicles/new">
          New vehicle
        </Link>
      </div>
      {vehicles.length === 0 ? (
        <p className="zh-card">
          No vehicle on file yet. The first one is the start of a good nose.
        </p>
      ) : (
        <ul className="zh-list zh-card p-0">
          {vehicles.map(({ id, plate, make, model }) => (
            <li key={id}>
              <Link className="zh-job" href={`/vehicles/${id}`}>
                <span className="zh-job-plate">{plate}</span>
                <span>
                  {make} {model}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
