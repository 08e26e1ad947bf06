import path from 'node:path';
import { sql } from 'drizzle-orm';
import { accept } from '../../src/server/answer';
import { closeDatabase, database, inTransaction } from '../../src/server/database';
import {
  copyNow,
  copyFile,
  keptCopies,
  restoreStaged,
  stageBackup,
} from '../../src/server/records/backup';

/**
 * What the drill of disks lets run and stops in the middle, in the folder that ZESTY_HOUND_DATA
 * names. Every line it prints is what somebody was answered.
 */
const say = (line: string): void => void process.stdout.write(`${line}\n`);
const plate = (mark: number): string => `DRILL-${String(mark).padStart(6, '0')}`;

async function marks(): Promise<number[]> {
  const found = await (
    await database()
  ).execute(sql`select plate from vehicles where plate like 'DRILL-%' order by plate`);
  return (found as unknown as { rows: { plate: string }[] }).rows.map(({ plate: own }) =>
    Number(own.slice(6)),
  );
}

/** Keeps marks one after the other; one that is not taken is tried again. */
async function write(from: number): Promise<never> {
  for (let mark = from; ;) {
    try {
      await inTransaction(async (tx) => {
        await tx.execute(
          sql`insert into vehicles (plate, make, model) values (${plate(mark)}, 'Pellick', repeat('x', 1500)) on conflict do nothing`,
        );
        return accept(null);
      });
      say(`kept ${mark}`);
      mark += 1;
    } catch (error) {
      say(`trouble ${error instanceof Error ? error.message.slice(0, 120) : String(error)}`);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
}

async function copyOverAndOver(): Promise<never> {
  for (;;) {
    try {
      const made = await copyNow();
      say(made.ok ? `copied ${made.value}` : `not copied ${made.message}`);
    } catch (error) {
      say(`not copied ${String(error)}`);
    }
    await new Promise((resolve) => setTimeout(resolve, 1100));
  }
}

async function main([what = '', argument = '0']: readonly string[]): Promise<void> {
  // A program of an older version knows fewer migrations: it looks for them where it runs.
  if (process.env.DRILL_OLD) process.chdir(process.env.DRILL_OLD);
  say(`ready ${JSON.stringify(await marks())}`);
  if (what === 'look') return closeDatabase();
  if (what === 'write') return write(Number(argument));
  if (what === 'copy') {
    void copyOverAndOver();
    return write(Number(argument));
  }
  if (what === 'copy-once') {
    say(JSON.stringify(await copyNow()));
    return closeDatabase();
  }
  if (what === 'restore') {
    const file = copyFile(path.basename(keptCopies()[0]?.name ?? ''));
    const staged = await stageBackup(file ?? '');
    if (!staged.ok) throw new Error(staged.message);
    say('staged');
    const done = await restoreStaged(staged.value.id, { evenForeign: true });
    say(`restored ${JSON.stringify(done)} ${JSON.stringify(await marks())}`);
    return closeDatabase();
  }
}

main(process.argv.slice(2)).catch((error: unknown) => {
  say(`refused ${error instanceof Error ? error.message : String(error)}`);
  process.exit(1);
});
