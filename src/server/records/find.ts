import 'server-only';
import { findQuerySchema, findWords, type FindQuery } from '../../core/contracts';
import { MOST_COUNTED, searchJobs, searchVehicles, type FoundJob } from '../../db/repositories';
import { database } from '../database';
import { vehicleName } from '../../core/job';

export type { FoundJob };

const PAGE = 25;

/** One page of what was looked for. */
export interface Finding {
  readonly query: FindQuery;
  readonly jobs: readonly FoundJob[];
  /** How many there are; null where there are more than are counted. */
  readonly total: number | null;
  readonly pages: number;
  readonly isMore: boolean;
}

/** Looks for jobs as an address asks. */
export async function find(input: unknown): Promise<Finding> {
  const query = findQuerySchema.parse(input);
  const { jobs, counted } = await searchJobs(
    await database(),
    { ...query, words: findWords(query.q), corner: query.corner as never },
    { size: PAGE, number: query.page },
  );
  const total = counted > MOST_COUNTED ? null : counted;
  const pages = Math.max(1, Math.ceil(counted / PAGE));
  const isMore = total === null ? jobs.length === PAGE : query.page < pages;
  return { query, jobs, total, pages, isMore };
}

const MOST_QUICK = 6;

/** A place that the palette leads to. */
export interface QuickPlace {
  readonly href: string;
  readonly name: string;
  readonly about: string;
}

/** The jobs and vehicles that a few letters lead to. */
export async function findQuickly(text: string): Promise<QuickPlace[]> {
  const words = findWords(text.slice(0, 100));
  if (words.length === 0) return [];
  const db = await database();
  const query = findQuerySchema.parse({});
  const size = { size: MOST_QUICK, number: 1 };
  const { jobs } = await searchJobs(db, { ...query, words, corner: null }, size, MOST_QUICK);
  const cars = (await searchVehicles(db, words, size)).slice(0, MOST_QUICK);
  return [
    ...jobs.map(({ id, number, plate, complaint }) => ({
      href: `/jobs/${id}`,
      name: `${plate} · job ${number}`,
      about: complaint,
    })),
    ...cars.map(({ id, plate, make, model }) => ({
      href: `/vehicles/${id}`,
      name: `${plate} · vehicle`,
      about: vehicleName({ make, model }),
    })),
  ];
}
