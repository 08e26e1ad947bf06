import { openDoor } from './server/access/openDoor';
import { isSignInAsked } from './server/access/mode';
import { sweepWork, watchNights } from './server/records/backup';
import { closeDatabase, databaseHandle } from './server/database';
import { checkPages } from './server/records/pageCheck';
import { learnPending } from './server/records/insights';

/** Opens the database and closes it again when the process is asked to stop. */
export async function boot(): Promise<void> {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    process.once(signal, () => {
      void closeDatabase().finally(() => process.exit(0));
    });
  }
  try {
    await databaseHandle();
    if (isSignInAsked()) await openDoor();
    sweepWork();
    watchNights();
    checkPages().catch((error: unknown) => {
      process.stderr.write(`The pages of the records were not looked at: ${String(error)}\n`);
    });
    learnPending().catch((error: unknown) => {
      process.stderr.write(`Closed jobs were not looked through: ${String(error)}\n`);
    });
  } catch (error) {
    process.stderr.write(`\n${error instanceof Error ? error.message : String(error)}\n\n`);
    process.exit(1);
  }
}
