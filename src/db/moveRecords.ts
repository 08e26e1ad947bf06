import { sql, type SQL } from 'drizzle-orm';
import type { Database } from './client';

/** A table as it is copied: its columns with their types, those that the database computes left out. */
interface Table {
  readonly name: string;
  readonly columns: readonly { readonly name: string; readonly type: string }[];
}

/** What stands in a table: how many rows, and one digest of them all. */
interface Content {
  readonly rows: number;
  readonly digest: string | null;
}

/** Values at once, and rows at once where one may be a photo. */
const MOST_VALUES = 20_000;
const MOST_PHOTOS = 10;

const quoted = (name: string): SQL => sql.raw(`"${name.replaceAll('"', '""')}"`);
const listed = (parts: readonly SQL[]): SQL => sql.join([...parts], sql`, `);

async function rowsOf<Row>(db: Database, question: SQL): Promise<readonly Row[]> {
  return ((await db.execute(question)) as unknown as { rows: readonly Row[] }).rows;
}

/** Every table of the records by name. */
async function tablesOf(db: Database): Promise<readonly Table[]> {
  const rows = await rowsOf<{ table: string; name: string; type: string }>(
    db,
    sql`select c.relname as table, a.attname as name, format_type(a.atttypid, a.atttypmod) as type
        from pg_class c
        join pg_namespace n on n.oid = c.relnamespace and n.nspname = 'public'
        join pg_attribute a on a.attrelid = c.oid and a.attnum > 0
        where c.relkind = 'r' and not a.attisdropped and a.attgenerated = ''
        order by c.relname, a.attnum`,
  );
  const tables = new Map<string, { name: string; type: string }[]>();
  for (const { table, ...column } of rows) {
    tables.set(table, [...(tables.get(table) ?? []), column]);
  }
  return [...tables].map(([name, columns]) => ({ name, columns }));
}

/** What stands in a table, whatever the order that it stands in. */
async function contentOf(db: Database, { name, columns }: Table): Promise<Content> {
  const row = listed(columns.map((column) => sql`${quoted(column.name)}::text`));
  const [content] = await rowsOf<{ rows: string | number; digest: string | null }>(
    db,
    sql`select count(*) as rows, md5(string_agg(one, '' order by one)) as digest
        from (select md5(row(${row})::text) as one from ${quoted(name)}) each`,
  );
  return { rows: Number(content?.rows ?? 0), digest: content?.digest ?? null };
}

/** Copies the rows of a table, some at a time: every value as its own text, which loses nothing. */
async function copyTable(from: Database, to: Database, { name, columns }: Table): Promise<void> {
  const hasFiles = columns.some(({ type }) => type === 'bytea');
  const atOnce = hasFiles ? MOST_PHOTOS : Math.ceil(MOST_VALUES / columns.length);
  const asText = listed(
    columns.map((each, i) => sql`${quoted(each.name)}::text as ${quoted(`c${i}`)}`),
  );
  await from.execute(
    sql`declare moving no scroll cursor for select ${asText} from ${quoted(name)}`,
  );
  for (;;) {
    const rows = await rowsOf<Readonly<Record<string, string | null>>>(
      from,
      sql`fetch forward ${sql.raw(String(atOnce))} from moving`,
    );
    if (rows.length === 0) break;
    const lists = columns.map(
      (_, i) => sql`${sql.param(rows.map((row) => row[`c${i}`] ?? null))}::text[]`,
    );
    const typed = columns.map(({ type }, i) => sql`${quoted(`c${i}`)}::${sql.raw(type)}`);
    await to.execute(
      sql`insert into ${quoted(name)} (${listed(columns.map((each) => quoted(each.name)))})
          overriding system value
          select ${listed(typed)}
          from unnest(${listed(lists)}) as given(${listed(columns.map((_, i) => quoted(`c${i}`)))})`,
    );
  }
  await from.execute(sql`close moving`);
}

/** Brings every counter of the records to where it stands. */
async function copyCounters(from: Database, to: Database): Promise<void> {
  const counters = await rowsOf<{ name: string }>(
    from,
    sql`select sequencename as name from pg_sequences where schemaname = 'public'`,
  );
  for (const { name } of counters) {
    const [at] = await rowsOf<{ last: string; called: boolean }>(
      from,
      sql`select last_value::text as last, is_called as called from ${quoted(name)}`,
    );
    if (at) {
      await to.execute(
        sql`select setval(${`"${name}"`}::regclass, ${at.last}::bigint, ${at.called}::boolean)`,
      );
    }
  }
}

/** Takes the references between tables off, so that their order does not matter; answers what puts them back. */
async function withoutReferences(to: Database): Promise<() => Promise<void>> {
  const references = await rowsOf<{ table: string; name: string; definition: string }>(
    to,
    sql`select conrelid::regclass::text as table, conname as name, pg_get_constraintdef(oid) as definition
        from pg_constraint where contype = 'f' and connamespace = 'public'::regnamespace`,
  );
  for (const { table, name } of references) {
    await to.execute(sql`alter table ${sql.raw(table)} drop constraint ${quoted(name)}`);
  }
  return async () => {
    for (const { table, name, definition } of references) {
      await to.execute(
        sql`alter table ${sql.raw(table)} add constraint ${quoted(name)} ${sql.raw(definition)}`,
      );
    }
  };
}

/** Whether nothing of a shop stands in records yet. */
export async function isEmptyShop(db: Database): Promise<boolean> {
  const [found] = await rowsOf<{ any: boolean }>(
    db,
    sql`select exists (select from jobs) or exists (select from vehicles) or exists (select from people) as any`,
  );
  return found?.any !== true;
}

/**
 * Copies everything on file into other records of the same schema, which are empty: whole, with history
 * and keys, in one transaction, each table compared row by row afterwards; `says` hears how far it is.
 * Throws, with nothing written, where one differs.
 */
export async function moveRecords(
  from: Database,
  to: Database,
  says: (table: string, rows: number) => void = () => undefined,
): Promise<void> {
  await to.transaction(async (target) => {
    await from.transaction(
      async (source) => {
        const tables = await tablesOf(source);
        const putBack = await withoutReferences(target);
        for (const { name } of tables) {
          await target.execute(sql`alter table ${quoted(name)} disable trigger user`);
          await target.execute(sql`delete from ${quoted(name)} where true`);
        }
        for (const table of tables) {
          await copyTable(source, target, table);
          const [before, after] = [await contentOf(source, table), await contentOf(target, table)];
          if (before.rows !== after.rows || before.digest !== after.digest) {
            throw new Error(`${table.name} did not arrive as it was: nothing was moved.`);
          }
          says(table.name, after.rows);
        }
        await copyCounters(source, target);
        for (const { name } of tables) {
          await target.execute(sql`alter table ${quoted(name)} enable trigger user`);
        }
        await putBack();
      },
      { isolationLevel: 'repeatable read' },
    );
  });
}
