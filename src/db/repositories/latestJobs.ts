import { desc, inArray, sql } from 'drizzle-orm';
import type { Database } from '../client';
import { jobs } from '../schema';

/** A vehicle's latest job of a kind: open, or closed with what was decided. */
export interface LatestJob {
  readonly vehicleId: string;
  readonly id: string;
  readonly number: number;
  readonly complaint: string;
  readonly closedAt: Date | null;
  /** What was decided, in the words of its day; null where nothing was. */
  readonly words: string | null;
  readonly odometerKm: number | null;
  /** What was promised on its work, as stored; null where nothing was. */
  readonly guarantee: unknown;
}

/** The latest open and the latest closed job of each of these vehicles. */
export const latestOfVehicles = (db: Database, ids: readonly string[]): Promise<LatestJob[]> =>
  ids.length === 0
    ? Promise.resolve([])
    : db
        .selectDistinctOn([jobs.vehicleId, sql`${jobs.closedAt} is null`], {
          vehicleId: jobs.vehicleId,
          id: jobs.id,
          number: jobs.number,
          complaint: jobs.complaint,
          closedAt: jobs.closedAt,
          words: sql<
            string | null
          >`(select string_agg(own.corner || ': ' || own.words, ' ' order by own.corner)
            from decisions own where own.job_id = ${jobs.id})`,
          odometerKm: jobs.odometerKm,
          guarantee: sql<unknown>`(select own.value from checks own where own.job_id = ${jobs.id}
            and own.kind = 'promise' and own.item = 'guarantee')`,
        })
        .from(jobs)
        .where(inArray(jobs.vehicleId, [...ids]))
        .orderBy(jobs.vehicleId, sql`${jobs.closedAt} is null`, desc(jobs.createdAt));
