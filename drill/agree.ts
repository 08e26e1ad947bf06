import { sql } from 'drizzle-orm';
import { closeDatabase, database } from '../src/server/database';

/**
 * Rows that are not as the last line of the ledger about them says, and lines that say of a row
 * that it stands where none does: something was written by half.
 */
export async function halfSaved(): Promise<readonly string[]> {
  const db = await database();
  const found = await db.execute(sql`
    with last as (
      select distinct on (job_id, place) job_id, place, op, after from ledger
      where what = 'check' order by job_id, place, seq desc
    ), named as (
      select job_id, trim(place || ' ') || case when place = '' then '' else ' ' end || kind || ' ' || item as spot, value
      from checks
    )
    select 'check ' || coalesce(last.place, named.spot) as what from last
      full join named on named.job_id = last.job_id and named.spot = last.place
      where (last.op = 'take-back') <> (named.job_id is null)
        or (last.op <> 'take-back' and last.after -> 'value' is distinct from to_jsonb(named.value))
        or last.job_id is null
    union all
    select 'reading ' || own.set_id from readings own where not exists (
      select 1 from ledger l where l.what = 'reading' and l.after ->> 'set_id' = own.set_id::text
        and (l.after ->> 'lap')::int = own.lap and (l.after ->> 'position')::int = own.position
        and (l.after ->> 'value_um')::float8 = own.value_um)
    limit 20`);
  const { rows } = found as unknown as { rows: { what: string }[] };
  await closeDatabase();
  return rows.map(({ what }) => what);
}
