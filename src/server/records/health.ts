import 'server-only';
import { sql } from 'drizzle-orm';
import { database } from '../database';
import { environment } from '../environment';
import { about } from '../shop/about';
import { lastCopy } from './backup';
import { freeBytes, sayNearlyFull } from './disk';
import { sayPageDamage } from './pageCheck';

/** How this server and its records are: for a monitor of the shop, with nothing of what is on file. */
export interface Health {
  readonly ok: boolean;
  readonly version: string;
  readonly schema: string;
  /** Seconds since the process began. */
  readonly up: number;
  /** How long the database took to answer the smallest question, in milliseconds. */
  readonly database: number;
  /** Megabytes that are free on the disk of the data folder. */
  readonly free: number;
  /** The newest copy and how many entries were made since; null on a PostgreSQL server, or where there is none. */
  readonly copy: { readonly made: string; readonly since: number | null } | null;
  /** What is wrong, in words. */
  readonly warnings: readonly string[];
}

/** Looks at the server and its records. Throws where the records do not answer. */
export async function lookAtHealth(): Promise<Health> {
  const since = performance.now();
  await (await database()).execute(sql`select 1`);
  const took = performance.now() - since;
  const { version, schema } = about();
  const copy = environment().url ? null : await lastCopy();
  const warnings = [sayPageDamage(), sayNearlyFull()].filter((each) => each !== null);
  return {
    ok: warnings.length === 0,
    ...{ version, schema, warnings },
    up: Math.round(process.uptime()),
    database: Number(took.toFixed(1)),
    free: Math.round(freeBytes() / 1e6),
    copy: copy && { made: new Date(copy.made).toISOString(), since: copy.since },
  };
}
