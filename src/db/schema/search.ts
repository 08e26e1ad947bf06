import { customType, index, pgTable, uuid } from 'drizzle-orm/pg-core';
import { jobs } from './jobs';

const tsvector = customType<{ data: string }>({ dataType: () => 'tsvector' });

/** The words that a job is found by; kept by triggers, so that no way in forgets them. */
export const jobSearch = pgTable(
  'job_search',
  {
    jobId: uuid('job_id')
      .primaryKey()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    document: tsvector().notNull(),
  },
  (table) => [index('job_search_document').using('gin', table.document)],
);
