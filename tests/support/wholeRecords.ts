import { getTableName, is, sql } from 'drizzle-orm';
import { PgTable } from 'drizzle-orm/pg-core';
import type { Database } from '@/db/client';
import * as schema from '@/db/schema';

/** Every row of every table, in one text: two of them are equal when the records are. */
export async function allRows(db: Database): Promise<string> {
  const tables = Object.values(schema).flatMap((each) =>
    is(each, PgTable) ? [each as PgTable] : [],
  );
  const parts: string[] = [];
  for (const table of tables) {
    const answer = await db.execute(
      sql`select coalesce(json_agg(row order by row), '[]')::text as rows from
        (select to_jsonb(t)::text as row from ${table} t) each`,
    );
    const [found] = (answer as unknown as { rows: { rows: string }[] }).rows;
    parts.push(`${getTableName(table)} ${found?.rows ?? ''}`);
  }
  return parts.join('\n');
}
