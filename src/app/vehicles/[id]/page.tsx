import Link, { FileLink } from '@/ui/Link';
import { ButtonLink } from '@/ui/Link';
import { Here } from '@/app/Here';
import { formatDate } from '@/core/calendar';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { enteredBy, vehicleForm } from '@/features/vehicles/model';
import { RotorHistory } from '@/features/vehicles/RotorHistory';
import { OwnerForm } from '@/features/vehicles/OwnerForm';
import { VehicleForm } from '@/features/vehicles/VehicleForm';
import { ModelFigures } from '@/features/sheets/ModelFigures';
import { reachOfVehicle } from '@/server/records/reach';
import { rotorsOfVehicle } from '@/server/records/rotorLife';
import { ownerOf } from '@/server/shop/owners';
import { shopUnits } from '@/server/shop/settings';
import { sheetsOfVehicle } from '@/server/shop/sheets';
import { vehicleWithJobs } from '@/server/shop/vehicles';
import { SeenMark } from '@/ui/keeper';
import { vehicleName } from '@/core/job';
import lists from '@/ui/shell/lists.module.css';

export async function generateMetadata({
  params,
}: {
  params: Promise<{ id: string }>;
}): Promise<Metadata> {
  const found = await vehicleWithJobs((await params).id);
  return { title: found ? `Vehicle ${found.vehicle.plate}` : 'Vehicle' };
}

export default async function VehiclePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const vehicleReach = await reachOfVehicle(id);
  const found = await vehicleWithJobs(id);
  if (!found) notFound();
  const { vehicle, jobs } = found;
  const units = await shopUnits();
  const owner = await ownerOf(id);
  const rotors = await rotorsOfVehicle(id);
  const compared = await sheetsOfVehicle(id);
  return (
    <>
      <SeenMark reach={{ vehicle: vehicleReach }} />
      <div className="d-flex flex-wrap justify-content-between align-items-center gap-2 mb-3">
        <h1 className="mb-0">
          <span className="zh-figure">{vehicle.plate}</span> {vehicleName(vehicle)}
        </h1>
        <div className="d-flex flex-wrap gap-2">
          <FileLink variant="outline-secondary" href={`/api/v1/archive?vehicle=${id}`} download>
            Vehicle as an archive
          </FileLink>
          <ButtonLink variant="primary" href={`/jobs/new?vehicle=${id}`}>
            New job for it
          </ButtonLink>
        </div>
        <Here />
      </div>
      {jobs.length > 0 && (
        <section className="zh-card mb-3">
          <h2>Jobs</h2>
          <ul className={lists.list}>
            {jobs.map((job) => (
              <li key={job.id}>
                <Link className="zh-link" href={`/jobs/${job.id}`}>
                  Job {job.number}, {formatDate(job.createdAt, 'D MMM YYYY')}
                  {job.closedAt && ', closed'}
                </Link>{' '}
                <span className="zh-muted">{job.complaint}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {rotors.length > 0 && (
        <section className="zh-card mb-3">
          <h2>Rotors</h2>
          <RotorHistory vehicleId={id} rotors={rotors} units={units} />
        </section>
      )}
      <OwnerForm key={owner ? 'known' : 'none'} vehicleId={id} owner={owner} />
      {compared && <ModelFigures vehicle={vehicle} compared={compared} />}
      <VehicleForm
        // What was taken over from the sheet stands in the form then.
        key={compared?.missing.length ?? 0}
        id={id}
        values={vehicleForm(vehicle)}
        entered={enteredBy(vehicle)}
        units={units}
        then="/vehicles/"
      />
    </>
  );
}
