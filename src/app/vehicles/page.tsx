import Link, { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { z } from 'zod';
import { VehicleSearch } from '@/features/vehicles/VehicleSearch';
import { vehiclesPage } from '@/server/shop/vehicles';
import { Pager } from '@/ui/shell';
import { vehicleName } from '@/core/job';
import lists from '@/ui/shell/lists.module.css';

export const metadata: Metadata = { title: 'Vehicles' };

const askedSchema = z.object({
  q: z.string().max(100).catch('').default(''),
  page: z.coerce.number().int().min(1).max(100_000).catch(1).default(1),
});

export default async function VehiclesPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, unknown>>;
}) {
  const { q, page } = askedSchema.parse(await searchParams);
  const { vehicles, isMore } = await vehiclesPage(q, page);
  const isEmpty = vehicles.length === 0 && page === 1;
  const hrefOf = (number: number): string =>
    `/vehicles?${new URLSearchParams({ ...(q && { q }), page: String(number) }).toString()}`;
  return (
    <>
      <div className="d-flex justify-content-between align-items-center mb-3">
        <h1 className="mb-0">Vehicles</h1>
        <div className="d-flex flex-wrap gap-2">
          <ButtonLink variant="outline-secondary" href="/models">
            Model sheets
          </ButtonLink>
          <ButtonLink variant="primary" href="/vehicles/new">
            New vehicle
          </ButtonLink>
        </div>
      </div>
      {isEmpty && q === '' ? (
        <p className="zh-card">
          No vehicle on file yet. The first one is the start of a good nose.
        </p>
      ) : (
        <>
          <VehicleSearch text={q} />
          {isEmpty ? (
            <p className="zh-card" role="status">
              No vehicle on file is like that.
            </p>
          ) : (
            <ul className={`${lists.list} zh-card p-0`}>
              {vehicles.map(({ id, plate, make, model }) => (
                <li key={id}>
                  <Link className={lists.job} href={`/vehicles/${id}`}>
                    <span className={lists.jobPlate}>{plate}</span>
                    <span>{vehicleName({ make, model })}</span>
                  </Link>
                </li>
              ))}
            </ul>
          )}
          <Pager page={page} pages={null} isMore={isMore} hrefOf={hrefOf} />
        </>
      )}
    </>
  );
}
