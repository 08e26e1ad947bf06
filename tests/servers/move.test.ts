import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'drizzle-orm';
import { moveByCommand } from '@/cli/moveCommand';
import { openDatabase } from '@/db/client';
import { shopIn } from '../integration/demo';
import { createDatabase } from '../support/postgres';

/** The demo workshop from its folder into a PostgreSQL server, and back into a new folder: nothing is another. */

const root = fs.mkdtempSync(path.join(os.tmpdir(), 'zh-move-'));
const folder = path.join(root, 'records');
const other = path.join(root, 'other');
const url = createDatabase();

/** The command as it is given for a data folder. */
function run(args: readonly string[], data: string): Promise<string> {
  process.env.ZESTY_HOUND_DATA = data;
  return moveByCommand(args);
}

/** Every table of records with how many rows it has and one digest of them. */
async function contentsOf(where: {
  url?: string;
  folder: string;
}): Promise<Record<string, unknown>> {
  const { db, close } = await openDatabase(where);
  const { rows: tables } = (await db.execute(
    sql`select tablename as name from pg_tables where schemaname = 'public' order by 1`,
  )) as unknown as { rows: { name: string }[] };
  const found: Record<string, unknown> = {};
  for (const { name } of tables) {
    const { rows } = (await db.execute(
      sql.raw(
        `select count(*)::int as rows, md5(string_agg(one, '' order by one)) as digest
         from (select md5(each::text) as one from "${name}" each) all_rows`,
      ),
    )) as unknown as { rows: unknown[] };
    found[name] = rows[0];
  }
  await close();
  return found;
}

beforeAll(async () => {
  await shopIn(folder, 'demo');
  await shopIn(other, 'demo');
});
afterAll(() => fs.rmSync(root, { recursive: true, force: true }));

test('everything arrives, is refused a second time, and comes back as it was', async () => {
  const before = await contentsOf({ folder });
  expect(before.jobs).toMatchObject({ rows: expect.any(Number) as number });
  expect(await run([url], folder)).toMatch(/^\d+ rows are in the database/);
  // Nobody goes on with what was moved by mistake.
  expect(fs.existsSync(path.join(folder, 'pg'))).toBe(false);
  expect(fs.readdirSync(path.join(folder, 'copies'))).toEqual([expect.stringMatching(/^moved-/)]);
  expect(await contentsOf({ url, folder })).toEqual(before);

  // Where there is a shop already nothing is moved.
  await expect(run([url], other)).rejects.toThrow(/There is a shop already/);
  await expect(run(['--back', url], other)).rejects.toThrow(/There is a shop already/);

  expect(await run(['--back', url], folder)).toMatch(/Start without DATABASE_URL/);
  expect(await contentsOf({ folder })).toEqual(before);

  // Work goes on: counters stand where they stood, and history is still kept by the database.
  const { db, close } = await openDatabase({ folder });
  await db.execute(sql`update people set initials = 'ZZ' where name = 'Ines'`);
  const { rows } = (await db.execute(
    sql`select what, op from ledger order by seq desc limit 1`,
  )) as unknown as { rows: unknown[] };
  expect(rows).toEqual([{ what: 'person', op: 'change' }]);
  await expect(db.execute(sql`delete from ledger`)).rejects.toThrow();
  await close();
});
