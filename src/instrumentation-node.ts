import { closeDatabase, databaseHandle } from './server/database';
import { learnPending } from './server/insights';

/** Opens the database and closes it again when the process is asked to stop. */
export async function boot(): Promise<void> {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    process.once(signal, () => {
      void closeDatabase().finally(() => process.exit(0));
    });
  }
  try {
    await databaseHandle();
    void learnPending();
  } catch (error) {
    process.stderr.write(`\n${error instanceof Error ? error.message : String(error)}\n\n`);
    process.exit(1);
  }
}
