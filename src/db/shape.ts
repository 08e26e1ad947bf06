import { sql } from 'drizzle-orm';
import { openInMemory, type Database } from './client';

/** What a database is made of beside its rows, each part in a line that says all of it. */
export type Shape = ReadonlySet<string>;

/**
 * Columns, constraints, indexes, triggers, rules and functions of a database as its catalog has
 * them: what guards its records. A trigger that is switched off is not the one that is on.
 */
export async function shapeOf(db: Database): Promise<Shape> {
  const found = await db.execute(sql`
    select 'column ' || c.relname || '.' || a.attname || ' ' || format_type(a.atttypid, a.atttypmod)
        || case when a.attnotnull then ' not null' else '' end as part
      from pg_attribute a join pg_class c on c.oid = a.attrelid
      where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'v', 'm', 'p')
        and a.attnum > 0 and not a.attisdropped
    union all
    select 'constraint ' || conrelid::regclass || ' ' || conname || ' ' || pg_get_constraintdef(oid)
        || case when convalidated then '' else ' not validated' end
      from pg_constraint where connamespace = 'public'::regnamespace and conrelid <> 0
    union all
    select 'index ' || pg_get_indexdef(indexrelid) from pg_index
      join pg_class c on c.oid = indexrelid where c.relnamespace = 'public'::regnamespace
    union all
    select 'trigger ' || pg_get_triggerdef(t.oid) || ' ' || t.tgenabled::text
      from pg_trigger t join pg_class c on c.oid = t.tgrelid
      where not t.tgisinternal and c.relnamespace = 'public'::regnamespace
    union all
    select 'trigger switched off: ' || t.tgrelid::regclass from pg_trigger t
      where t.tgisinternal and t.tgenabled <> 'O'
    union all
    select 'rule ' || definition from pg_rules where schemaname = 'public'
    union all
    select 'policy ' || policyname || ' on ' || tablename from pg_policies
    union all
    select 'function ' || p.oid::regprocedure || ' ' || md5(pg_get_functiondef(p.oid))
      from pg_proc p where p.pronamespace = 'public'::regnamespace and p.prokind = 'f'
        and not exists (select 1 from pg_depend d where d.objid = p.oid and d.deptype = 'e')`);
  const { rows } = found as unknown as { rows: { part: string }[] };
  return new Set(rows.map(({ part }) => part));
}

/** The first part that one has and the other has not, in words; null where they are alike. */
export function differenceOf(found: Shape, wanted: Shape): string | null {
  const short = (part: string): string => (part.length > 120 ? `${part.slice(0, 120)} …` : part);
  for (const part of wanted) if (!found.has(part)) return `it lacks ${short(part)}`;
  for (const part of found) if (!wanted.has(part)) return `it has ${short(part)}`;
  return null;
}

/** How a database is made that this program made anew: what one that comes in is held against. */
export const wantedShape = (() => {
  let wanted: Promise<Shape> | null = null;
  const make = async (): Promise<Shape> => {
    const { db, close } = await openInMemory();
    try {
      return await shapeOf(db);
    } finally {
      await close();
    }
  };
  return (): Promise<Shape> => (wanted ??= make());
})();
