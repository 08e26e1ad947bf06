import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';

/** The PostgreSQL server that tests may make databases on; undefined where none is named. */
export const serverForTests = (): string | undefined => process.env.TEST_PG || undefined;

/** Makes a database on that server, empty or like another one, and answers its address. */
export function createDatabase(
  name = `zh_${randomUUID().replaceAll('-', '')}`,
  like = 'template1',
): string {
  const server = serverForTests();
  if (server === undefined) throw new Error('TEST_PG names no PostgreSQL server');
  execFileSync('psql', [server, '-qc', `create database ${name} template ${like}`]);
  const url = new URL(server);
  url.pathname = `/${name}`;
  return url.href;
}
