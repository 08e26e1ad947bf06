import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { emptyIn } from '../integration/demo';

/**
 * Where the records of a test file are: in a folder of the embedded engine with an empty shop, or,
 * where TEST_PG names a PostgreSQL server, in a new database there. Call it before anything is
 * asked of them.
 */
export async function useRecords(folder: string): Promise<void> {
  const url = freshDatabase();
  if (url === undefined) return emptyIn(folder);
  process.env.ZESTY_HOUND_DATA = folder;
  process.env.DATABASE_URL = url;
}

/** The address of a new database on the server that TEST_PG names; undefined where none is named. */
export function freshDatabase(): string | undefined {
  const server = process.env.TEST_PG;
  if (!server) return undefined;
  const name = `zh_${randomUUID().replaceAll('-', '')}`;
  execFileSync('psql', [server, '-qc', `create database ${name}`]);
  const url = new URL(server);
  url.pathname = `/${name}`;
  return url.href;
}
