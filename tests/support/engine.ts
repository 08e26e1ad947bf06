import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';

/**
 * Where the records of a test file are: in a folder of the embedded engine, or, where TEST_PG
 * names a PostgreSQL server, in a new database there. Call it before anything is asked of them.
 */
export function useRecords(folder: string): void {
  process.env.ZESTY_HOUND_DATA = folder;
  const url = freshDatabase();
  if (url === undefined) delete process.env.DATABASE_URL;
  else process.env.DATABASE_URL = url;
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
