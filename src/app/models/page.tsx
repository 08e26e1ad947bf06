import Link, { FileLink } from '@/ui/Link';
import { ButtonLink } from '@/ui/Link';
import type { Metadata } from 'next';
import { z } from 'zod';
import { Here } from '@/app/Here';
import { saySheet } from '@/core/sheets';
import { SheetsDesk } from '@/features/sheets/SheetsDesk';
import { sheetsPage } from '@/server/shop/sheets';
import { Pager } from '@/ui/shell';
import lists from '@/ui/shell/lists.module.css';
import styles from './page.module.css';

export const metadata: Metadata = { title: 'Model sheets' };

const pageNumber = z.coerce.number().int().min(1).max(100_000).catch(1);

export default async function ModelsPage({
  searchParams,
}: {
  searchParams: Promise<{ page?: string }>;
}) {
  const page = pageNumber.parse((await searchParams).page ?? 1);
  const { sheets, isMore } = await sheetsPage(page);
  return (
    <>
      <div className="d-flex flex-wrap justify-content-between align-items-center gap-2 mb-3">
        <h1 className="mb-0">Model sheets</h1>
        <div className="d-flex flex-wrap gap-2">
          {sheets.length > 0 && (
            <>
              <FileLink variant="outline-secondary" href="/api/v1/sheets.csv" download>
                All as a spreadsheet
              </FileLink>
              <FileLink
                variant="outline-secondary"
                href="/api/v1/sheets.csv?decimal=comma"
                download
              >
                with decimal comma
              </FileLink>
            </>
          )}
          <ButtonLink variant="primary" href="/models/new">
            New sheet
          </ButtonLink>
        </div>
        <Here />
      </div>
      <p className="zh-muted">
        What is the same on every vehicle of a model: how an axle is built, its limits and torques,
        each with its source. A vehicle of that model has them as soon as its model is said; its own
        stamped figure stands. The maker’s service information comes first.
      </p>
      {sheets.length === 0 && page === 1 ? (
        <p className="zh-card">
          No sheet yet. “Keep this vehicle’s figures as the model’s sheet” on a vehicle’s page makes
          the first one.
        </p>
      ) : (
        <ul className={`${lists.list} zh-card p-0 mb-3`}>
          {sheets.map((sheet) => (
            <li key={sheet.id}>
              <Link
                className={`d-flex flex-wrap justify-content-between gap-2 px-3 ${styles.rowLink}`}
                href={`/models/${sheet.id}`}
              >
                <span className="fw-bold">{saySheet(sheet)}</span>
                <span className="zh-muted">
                  {sheet.count === 1 ? '1 figure' : `${sheet.count} figures`}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      <Pager
        page={page}
        pages={null}
        isMore={isMore}
        hrefOf={(number) => `/models?page=${number}`}
      />
      <SheetsDesk />
    </>
  );
}
