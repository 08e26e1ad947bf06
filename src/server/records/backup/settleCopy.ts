import { withSettled } from '../../../db/connect/settled';
import { countRecords, newestLine, type Manifest } from './manifest';

/** What a copy has once its log was read into its tables. */
export interface SettledCopy {
  readonly counts: Manifest['counts'];
  /** The newest line of its ledger: what was written last is in it. */
  readonly newest: number;
}

/** Makes one moment of the copy of a running database, and counts what is in it. */
export const settleCopy = (database: string): Promise<SettledCopy> =>
  withSettled(database, async (db) => ({
    counts: await countRecords(db),
    newest: await newestLine(db),
  }));
