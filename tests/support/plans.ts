import { sql } from 'drizzle-orm';
import { databaseHandle } from '@/server/database';

interface PlanNode {
  readonly 'Node Type': string;
  readonly 'Relation Name'?: string;
  readonly Plans?: readonly PlanNode[];
}

/** A question that was put to the database, as the driver got it. */
interface Question {
  readonly text: string;
  readonly params: unknown[];
}

interface Client {
  query: (text: string, params?: unknown[], options?: unknown) => Promise<{ rows: unknown[] }>;
}

const nodesOf = (node: PlanNode): PlanNode[] => [node, ...(node.Plans ?? []).flatMap(nodesOf)];

/** A table that a question reads from end to end. */
export interface TableScan {
  readonly table: string;
  readonly question: string;
}

/** Tables smaller than this are read whole by right: an index would be slower. */
const SMALL_ROWS = 5000;

/** Rows of every table, as the planner counts them. */
async function sizes(): Promise<Map<string, number>> {
  const { db } = await databaseHandle();
  const found = await db.execute(
    sql`select relname, reltuples from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace`,
  );
  const { rows } = found as unknown as { rows: { relname: string; reltuples: number }[] };
  return new Map(rows.map(({ relname, reltuples }) => [relname, Number(reltuples)]));
}

/**
 * Runs something, asks the planner about every question that it put, and tells which tables of
 * more than a few thousand rows are read whole. `isForced`: such a plan counts only where no index
 * could be used at all, which tells the same of a small database as of a large one.
 */
export async function tableScans(
  action: () => Promise<unknown>,
  isForced = false,
): Promise<{ readonly questions: number; readonly scans: readonly TableScan[] }> {
  const { db } = await databaseHandle();
  const { $client: client } = db as typeof db & { readonly $client: Client };
  const asked: Question[] = [];
  const query = client.query.bind(client);
  client.query = (text, params = [], options) => {
    if (/^\s*(with|select)\b/i.test(text)) asked.push({ text, params });
    return query(text, params, options);
  };
  try {
    await action();
  } finally {
    client.query = query;
  }
  const rows = await sizes();
  const scans: TableScan[] = [];
  if (isForced) await query('set enable_seqscan = off');
  for (const { text, params } of asked) {
    const answer = await query(`explain (format json) ${text}`, params);
    const [{ 'QUERY PLAN': plans } = { 'QUERY PLAN': [] }] = answer.rows as {
      'QUERY PLAN': { Plan: PlanNode }[];
    }[];
    for (const node of plans.flatMap(({ Plan }) => nodesOf(Plan))) {
      const table = node['Relation Name'];
      if (node['Node Type'] !== 'Seq Scan' || table === undefined) continue;
      if (!isForced && (rows.get(table) ?? 0) < SMALL_ROWS) continue;
      scans.push({ table, question: text });
    }
  }
  if (isForced) await query('set enable_seqscan = on');
  return { questions: asked.length, scans };
}
