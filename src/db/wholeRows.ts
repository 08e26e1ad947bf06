import { getTableColumns, sql, type InferSelectModel, type SQL } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';

/**
 * Rows of several tables by one statement, and so of one moment: each table’s rows come as one
 * document and are decoded by the columns of the schema.
 */

/** The rows of a table as a document; `left` names fields that stay away, like large bytes. */
export function rowsAsDocument<Table extends PgTable>(
  table: Table,
  { where, orderBy, left = [] }: { where: SQL; orderBy?: SQL; left?: readonly string[] },
): SQL {
  const fields = Object.entries(getTableColumns(table))
    .filter(([name]) => !left.includes(name))
    .map(([name, column]) => sql`${sql.raw(`'${name}'`)}, ${column}`);
  const order = orderBy ? sql` order by ${orderBy}` : sql``;
  return sql`(select coalesce(json_agg(json_build_object(${sql.join(fields, sql`, `)})${order}), '[]') from ${table} where ${where})`;
}

/** A document of rows as the schema has them: times as dates. */
export const decodeRows = <Table extends PgTable>(
  table: Table,
  document: unknown,
): InferSelectModel<Table>[] => {
  const columns = Object.entries(getTableColumns(table));
  return (document as Record<string, unknown>[]).map((row) => {
    const decoded: Record<string, unknown> = {};
    for (const [name, column] of columns) {
      const value = row[name];
      if (value === undefined) continue;
      // Documents hold times as text; everything else comes as it is stored.
      decoded[name] =
        value !== null && column.dataType === 'date' ? column.mapFromDriverValue(value) : value;
    }
    return decoded as InferSelectModel<Table>;
  });
};
